import { answerOf, api } from "../api/client";
import { usePlot, useSite } from "../api/queries";
import { bedChoices, plantingChoices } from "./choices";
import { FormDialog, whole } from "./FormDialog";

interface Props {
  /** Where on the plan they stand, in metres, where that was shown. */
  at?: { x: number; y: number };
  /** The bed that is looked at. */
  bedId?: number;
  onClose: () => void;
}

/** CameUpDialog notes what came up by itself, a volunteer or a weed: it is unproven until one was looked at. */
export function CameUpDialog({ at, bedId = 0, onClose }: Props) {
  const today = useSite().data?.today ?? "";
  const beds = usePlot().data?.beds;
  if (!beds || !today) return null; // what stands in the form is told by them
  return (
    <FormDialog
      title="Something came up by itself"
      act="Note it"
      values={{
        speciesId: "",
        motherId: "0",
        bedId: String(bedId),
        place: "",
        day: today,
        plants: "",
        workedOn: "",
        seeding: "",
        note: "",
      }}
      fields={[
        {
          name: "speciesId",
          label: "What you take it for",
          kind: "plant",
          wide: true,
          help: "It is unproven until one is cut and looked at",
        },
        { name: "plants", label: "About how many", kind: "number" },
        { name: "day", label: "Seen on", kind: "day" },
        { name: "bedId", label: "In which bed", kind: "choice", options: bedChoices(beds, "elsewhere") },
        {
          name: "place",
          label: "Where exactly",
          help: at ? "It is shown on the plan" : undefined,
        },
        {
          name: "motherId",
          label: "About which mother",
          kind: "choice",
          options: plantingChoices(beds, "none known"),
        },
        { name: "workedOn", label: "Its ground is dug or hoed on", kind: "day", help: "Empty for not known" },
        { name: "seeding", label: "It has set seed", kind: "tick" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/volunteers", {
            body: {
              speciesId: typed.speciesId ?? "",
              motherId: whole(typed.motherId) || undefined,
              bedId: whole(typed.bedId) || undefined,
              place: typed.place,
              day: typed.day ?? "",
              plants: whole(typed.plants),
              workedOn: typed.workedOn || undefined,
              seeding: typed.seeding === "yes",
              note: typed.note,
              ...at,
            },
          }),
        )
      }
    />
  );
}
