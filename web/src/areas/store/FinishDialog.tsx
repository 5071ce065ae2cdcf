import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { useLot } from "./queries";

/** FinishDialog notes what came of what stood: strained, pressed, bottled. */
export function FinishDialog({ lot, onClose }: { lot: Schemas["LotLine"]; onClose: () => void }) {
  const view = useLot(lot.id).data;
  return (
    <FormDialog
      title={`What came of ${lot.name}`}
      act="Note it"
      values={{ out: "" }}
      fields={[
        {
          name: "out",
          label: "What came through",
          help: view?.expected ? `About ${view.expected} is expected` : undefined,
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/store/lots/{id}/finish", {
            params: { path: { id: lot.id } },
            body: { out: typed.out ?? "" },
          }),
        )
      }
    />
  );
}
