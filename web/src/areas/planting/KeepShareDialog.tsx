import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, whole } from "../../parts/FormDialog";

interface Props {
  plantingId: number;
  allowance: Schemas["AllowanceView"];
  onClose: () => void;
}

/** KeepShareDialog asks what of a part is left standing, and for whom; no allowance goes below it. */
export function KeepShareDialog({ plantingId, allowance: a, onClose }: Props) {
  return (
    <FormDialog
      title={`What stays of the ${a.part}`}
      act="Note it"
      values={{ percent: String(a.keptPercent), forWhom: a.keptFor }}
      fields={[
        { name: "percent", label: "Of 100 stay", kind: "number", help: "0 for no rule of yours" },
        { name: "forWhom", label: "For whom", help: "Bees, birds, seed" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.PUT("/api/kept-shares", {
            body: {
              plantingId,
              part: a.part,
              percent: whole(typed.percent),
              forWhom: typed.forWhom ?? "",
            },
          }),
        )
      }
    />
  );
}
