import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";

/** WeighJarDialog notes what a jar is found to hold. */
export function WeighJarDialog({ jar, onClose }: { jar: Schemas["JarView"]; onClose: () => void }) {
  return (
    <FormDialog
      title={`Weigh the jar of ${jar.brief.name}`}
      act="Note it"
      values={{ amount: "" }}
      fields={[
        {
          name: "amount",
          label: "What is in it",
          help: `Without the jar; by what was noted ${jar.left}`,
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed, _version, affirmed) =>
        answerOf(
          api.POST("/api/store/jars/{id}/weigh", {
            params: { path: { id: jar.brief.id } },
            body: { amount: typed.amount ?? "", affirmed },
          }),
        )
      }
    />
  );
}
