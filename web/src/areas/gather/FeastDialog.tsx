import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { taken, whatIsTaken } from "./whatIsTaken";

interface Props {
  needs: Schemas["NeedView"][];
  today: string;
  onClose: () => void;
}

/** FeastDialog asks for a day on which so much of something must be ready. */
export function FeastDialog({ needs, today, onClose }: Props) {
  const parts = whatIsTaken(needs);
  return (
    <FormDialog
      title="Ready by a day"
      act="Note it"
      values={{ name: "", day: today, of: parts[0]?.[0] ?? "", amount: "", measureWeighs: "" }}
      fields={[
        { name: "name", label: "What for", help: "A market, a feast" },
        { name: "day", label: "Ready on", kind: "day" },
        { name: "of", label: "Of what", kind: "choice", options: parts },
        { name: "amount", label: "How much", help: "200 g dried, 1 lb, 6 jars dried" },
        { name: "measureWeighs", label: "One cup or jar of it weighs", help: "Only where it is asked: kept" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/feasts", {
            body: {
              name: typed.name ?? "",
              day: typed.day ?? "",
              amount: typed.amount ?? "",
              measureWeighs: typed.measureWeighs,
              ...taken(typed.of),
            },
          }),
        )
      }
    />
  );
}
