import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { FormDialog, type Field } from "../../parts/FormDialog";

const tenths = Array.from({ length: 9 }, (_, i) => String(i + 1));

/** HoursDialog asks how much time there is for the garden on each weekday, and from which chance on a cold night is told. */
export function HoursDialog({ hours, onClose }: { hours: Schemas["HoursView"]; onClose: () => void }) {
  const fields: Field[] = [
    ...hours.days.map((day, i) => ({ name: `minutes.${i}`, label: day })),
    {
      name: "nightChance",
      label: "Tell of a cold night from",
      kind: "choice",
      options: tenths.map((n) => [n, `${n} in 10`] as const),
    },
  ];
  const values: Record<string, string> = { nightChance: String(hours.nightChance) };
  hours.minutes.forEach((text, i) => (values[`minutes.${i}`] = text));
  return (
    <FormDialog
      title="Time for the garden"
      fields={fields}
      values={values}
      version={hours.version}
      act="Note it"
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/hours", {
            params: { header: shownVersion(version) },
            body: {
              minutes: hours.days.map((_, i) => typed[`minutes.${i}`] ?? ""),
              nightChance: Number(typed.nightChance),
            },
          }),
        )
      }
    >
      In minutes, or as 1 h 30 min; empty where you would rather not say. What there is no time for is told,
      the costliest first.
    </FormDialog>
  );
}
