import { answerOf, api, type Schemas } from "../../api/client";
import { monthNames } from "../../parts/dates";
import { FormDialog, whole } from "../../parts/FormDialog";
import { taken, whatIsTaken } from "./whatIsTaken";

/** CustomDayDialog asks for a day of every year on which a custom of the household asks for a plant. */
export function CustomDayDialog({ needs, onClose }: { needs: Schemas["NeedView"][]; onClose: () => void }) {
  const parts = whatIsTaken(needs);
  return (
    <FormDialog
      title="A day that asks for a plant"
      act="Note it"
      values={{ name: "", day: "21", month: "6", of: parts[0]?.[0] ?? "" }}
      fields={[
        { name: "name", label: "The day is called" },
        { name: "of", label: "It asks for", kind: "choice", options: parts },
        { name: "day", label: "Day", kind: "number" },
        {
          name: "month",
          label: "Month",
          kind: "choice",
          options: monthNames.map((name, i) => [String(i + 1), name] as const),
        },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/custom-days", {
            body: {
              name: typed.name ?? "",
              day: whole(typed.day),
              month: whole(typed.month),
              ...taken(typed.of),
            },
          }),
        )
      }
    />
  );
}
