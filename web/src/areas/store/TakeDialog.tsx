import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, type Field } from "../../parts/FormDialog";

interface Props {
  jar: Schemas["JarView"];
  kind: "taken" | "given" | "thrown";
  amount: string;
  onClose: () => void;
}

const titles = { taken: "Take some out", given: "Give some away", thrown: "Throw out" };
const acts = { taken: "Take it", given: "Give it", thrown: "Throw it out" };

/** TakeDialog takes something out of a jar: used, given away or thrown out, and why. */
export function TakeDialog({ jar, kind, amount, onClose }: Props) {
  const fields: Field[] = [
    {
      name: "amount",
      label: "How much",
      help: `A cup, 2 spoons, a weight. Empty: all of it, ${jar.left}`,
    },
    { name: "measureWeighs", label: "What one of it weighs", help: "Asked once for each measure" },
    ...(kind === "given"
      ? [{ name: "whom", label: "To whom", help: "They are told if something is wrong later" }]
      : []),
    ...(kind === "thrown" ? [{ name: "why", label: "Why", help: "Stale, damp, mouldy, too old" }] : []),
  ];
  return (
    <FormDialog
      title={`${titles[kind]}: ${jar.brief.name}`}
      act={acts[kind]}
      values={{ amount, measureWeighs: "", whom: "", why: "" }}
      fields={fields}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/store/jars/{id}/take", {
            params: { path: { id: jar.brief.id } },
            body: {
              kind,
              amount: typed.amount,
              measureWeighs: typed.measureWeighs,
              whom: typed.whom,
              why: typed.why,
            },
          }),
        )
      }
    />
  );
}
