import { answerOf, api, shownVersion, type Schemas } from "../../../api/client";
import { FormDialog } from "../../../parts/FormDialog";

const kinds: [string, string][] = [
  ["drier", "A drier with trays"],
  ["rack", "A rack in a room"],
  ["bunches", "Bunches hung up"],
  ["oven", "The oven at its lowest"],
];

/** DrierDialog says how the drier is: its finish times and the plan of the season go by it. */
export function DrierDialog({ drier, onClose }: { drier: Schemas["DrierView"]; onClose: () => void }) {
  return (
    <FormDialog
      title="How the drier is"
      act="Keep it"
      version={drier.version}
      values={{
        kind: drier.kind,
        trays: drier.trayCount,
        tray: drier.tray,
        warmth: drier.warmth,
        movingAir: drier.movingAir ? "yes" : "",
        watts: drier.watts,
      }}
      fields={[
        { name: "kind", label: "It is", kind: "choice", options: kinds },
        { name: "trays", label: "Trays or hooks", kind: "number", help: "0 for no drier" },
        { name: "tray", label: "One has", help: "30 × 40 cm, or its area" },
        { name: "warmth", label: "How warm" },
        { name: "watts", label: "Draws, in watts", help: "As on its plate; empty: not known" },
        { name: "movingAir", label: "A fan moves the air", kind: "tick" },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/drier", {
            params: { header: shownVersion(version) },
            body: {
              kind: (typed.kind ?? "drier") as "drier" | "rack" | "bunches" | "oven",
              trays: typed.trays ?? "",
              tray: typed.tray ?? "",
              warmth: typed.warmth ?? "",
              movingAir: typed.movingAir === "yes",
              watts: typed.watts,
            },
          }),
        )
      }
    />
  );
}
