import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { FormDialog, type Field } from "../../parts/FormDialog";

/** MakeDoDialog asks for the drier and the time that there is for picking. */
export function MakeDoDialog({ makeDo, onClose }: { makeDo: Schemas["MakeDoView"]; onClose: () => void }) {
  const fields: Field[] = [
    { name: "trays", label: "Trays in the drier", kind: "number", help: "0 for no drier" },
    { name: "tray", label: "One tray", help: "30 × 40 cm, or its area" },
    { name: "warmth", label: "Kept at" },
    { name: "movingAir", label: "A fan moves the air", kind: "tick" },
    ...makeDo.days.map((day, i) => ({ name: `minutes.${i}`, label: day })),
  ];
  const values: Record<string, string> = {
    trays: makeDo.trays,
    tray: makeDo.trayWords,
    warmth: makeDo.warmth,
    movingAir: makeDo.movingAir ? "yes" : "",
  };
  makeDo.minutes.forEach((text, i) => (values[`minutes.${i}`] = text));
  return (
    <FormDialog
      title="Drier and time for picking"
      act="Note it"
      version={makeDo.version}
      values={values}
      fields={fields}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/make-do", {
            params: { header: shownVersion(version) },
            body: {
              trays: typed.trays ?? "",
              tray: typed.tray ?? "",
              warmth: typed.warmth ?? "",
              movingAir: typed.movingAir === "yes",
              minutes: makeDo.days.map((_, i) => typed[`minutes.${i}`] ?? ""),
            },
          }),
        )
      }
    >
      Time in minutes, or as 1 h 30 min. Where none is said for picking, it has the time that there is for the
      garden.
    </FormDialog>
  );
}
