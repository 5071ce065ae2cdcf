import { answerOf, api } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";

/** AwayDialog asks for days on which nobody is there to pick. */
export function AwayDialog({ today, onClose }: { today: string; onClose: () => void }) {
  return (
    <FormDialog
      title="Days away"
      act="Note it"
      values={{ first: today, last: today, note: "" }}
      fields={[
        { name: "first", label: "First day away", kind: "day" },
        { name: "last", label: "Last day away", kind: "day" },
        { name: "note", label: "Note", wide: true },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/days-away", {
            body: { first: typed.first ?? "", last: typed.last ?? "", note: typed.note },
          }),
        )
      }
    />
  );
}
