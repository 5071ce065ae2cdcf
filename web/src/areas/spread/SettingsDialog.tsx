import { answerOf, api, shownVersion } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { typedNumber } from "../../parts/numbers";
import { useSpreadSettings } from "./queries";

const price = (value: number | undefined) => (value === undefined ? "" : String(value));
const typed = (text: string | undefined) => (text?.trim() ? typedNumber(text) : undefined);

/** SettingsDialog are the grower's own prices, and the animals that are kept. */
export function SettingsDialog({ onClose }: { onClose: () => void }) {
  const settings = useSpreadSettings().data;
  if (!settings) return null;
  return (
    <FormDialog
      title="What holding costs here"
      act="Note it"
      version={settings.version}
      values={{
        boardPrice: price(settings.boardPrice),
        sheetPrice: price(settings.sheetPrice),
        potPrice: price(settings.potPrice),
        currency: settings.currency ?? "",
        hens: settings.animals.includes("hens") ? "yes" : "",
        ducks: settings.animals.includes("ducks") ? "yes" : "",
      }}
      fields={[
        { name: "boardPrice", label: "A metre of board to sink", kind: "number" },
        { name: "sheetPrice", label: "A m² of card and sheet", kind: "number" },
        { name: "potPrice", label: "A pot", kind: "number" },
        { name: "currency", label: "Currency" },
        { name: "hens", label: "Hens are kept", kind: "tick" },
        { name: "ducks", label: "Ducks are kept", kind: "tick" },
      ]}
      onClose={onClose}
      send={(values, version) =>
        answerOf(
          api.PUT("/api/spread/settings", {
            params: { header: shownVersion(version) },
            body: {
              boardPrice: typed(values.boardPrice),
              sheetPrice: typed(values.sheetPrice),
              potPrice: typed(values.potPrice),
              currency: values.currency,
              animals: ["hens", "ducks"].filter((animal) => values[animal] === "yes"),
            },
          }),
        )
      }
    />
  );
}
