import { answerOf, api, type Schemas } from "../../../api/client";
import { FormDialog, whole } from "../../../parts/FormDialog";

interface Props {
  wait: Schemas["DrierWait"];
  tray: number;
  free: number[];
  onClose: () => void;
  onDone: (tray: number) => void;
}

/** LoadDialog lays a basket, or a part of it, on a tray. */
export function LoadDialog({ wait, tray, free, onClose, onDone }: Props) {
  return (
    <FormDialog
      title={`Lay in ${wait.name}`}
      act="Lay it in"
      values={{ "trays.0.tray": String(tray), "trays.0.amount": "", at: "" }}
      fields={[
        {
          name: "trays.0.tray",
          label: "On tray",
          kind: "choice",
          options: free.map((one): [string, string] => [String(one), String(one)]),
        },
        { name: "trays.0.amount", label: "How much", help: `Empty: all of it, ${wait.left}` },
        { name: "at", label: "When", help: "Empty: now. Else as 2031-05-27T08:30", wide: true },
      ]}
      onClose={onClose}
      send={async (typed) => {
        const number = whole(typed["trays.0.tray"]);
        const entry = await answerOf(
          api.POST("/api/drier/trays", {
            body: {
              at: typed.at,
              trays: [{ tray: number, pickingId: wait.pickingId, amount: typed["trays.0.amount"] }],
            },
          }),
        );
        onDone(number);
        return entry;
      }}
    />
  );
}
