import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { typedNumber } from "../../parts/numbers";

interface Props {
  stand: Schemas["SpreadStand"];
  today: string;
  /** The place that was shown on the map; none where nothing is past its edge. */
  at?: Schemas["SpreadPoint"];
  onClose: () => void;
}

const metres = (value: number | undefined) => (value === undefined ? "" : value.toFixed(2));

/** SeenDialog notes how far a stand was seen to have come: its front is set right at once, its rate for good. */
export function SeenDialog({ stand, today, at, onClose }: Props) {
  const placed = (typed: Record<string, string>) => typed.kind !== "at most";
  return (
    <FormDialog
      title={`${stand.name}, ${stand.bed}: how far has it come?`}
      act="Note it"
      values={{ kind: at ? "farthest" : "at most", day: today, x: metres(at?.x), y: metres(at?.y), note: "" }}
      fields={[
        {
          name: "kind",
          label: "What you saw",
          kind: "choice",
          options: [
            ["farthest", "it came up here, and no farther"],
            ["at least", "it came up here, and farther on"],
            ["at most", "nothing is past its bed's edge"],
          ],
          wide: true,
        },
        { name: "x", label: "From the plan's left (m)", kind: "number", when: placed },
        { name: "y", label: "From the plan's top (m)", kind: "number", when: placed },
        { name: "day", label: "Day", kind: "day" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/plantings/{id}/sightings", {
            params: { path: { id: stand.plantingId } },
            body: {
              kind: typed.kind as "farthest",
              day: typed.day ?? "",
              note: typed.note,
              ...(placed(typed) && {
                x: typed.x ? typedNumber(typed.x) : undefined,
                y: typed.y ? typedNumber(typed.y) : undefined,
              }),
            },
          }),
        )
      }
    />
  );
}
