import { Box, Button } from "@mui/material";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { useSite } from "../../api/queries";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { placeChoices } from "../../parts/choices";
import { FormDialog, whole, type Values } from "../../parts/FormDialog";

const held = (typed: Values) => ["indoor shelf", "warm bed", "refrigerator"].includes(typed.kind ?? "");

const kinds = [
  ["indoor shelf", "an indoor shelf or windowsill"],
  ["warm bed", "a warm bed, heated from below"],
  ["cold house", "a cold house, lean-to or frame"],
  ["outdoors", "outdoors, a standing ground"],
  ["refrigerator", "a refrigerator, for the cold"],
] as const;

/** PlaceDialog adds a place to raise plants, or changes one. */
export function PlaceDialog({ place, onClose }: { place?: Schemas["ShelfView"]; onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const giveUp = async () => {
    if (!place) return;
    const entry = await send(() =>
      answerOf(api.POST("/api/raising-places/{id}/give-up", { params: { path: { id: place.id } } })),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <FormDialog
      title={place ? `Change ${place.name}` : "Add a place to raise plants"}
      act="Note it"
      values={{
        name: place?.name ?? "",
        kind: place?.kind ?? "indoor shelf",
        trays: place ? String(place.trays) : "",
        set: place?.set ?? "",
        warmer: place?.warmer ?? "",
        least: place?.least ?? "",
        light: place?.light === null || place?.light === undefined ? "" : String(place.light),
        note: place?.note ?? "",
      }}
      version={place?.version}
      fields={[
        { name: "name", label: "Name" },
        { name: "kind", label: "What it is", kind: "choice", options: kinds },
        { name: "trays", label: "Room for trays", kind: "number" },
        { name: "set", label: "How warm", help: "20 °C or 68 °F", when: held },
        { name: "light", label: "Lamps, hours a day", help: "Empty for none", when: held },
        {
          name: "warmer",
          label: "Milder than outdoors by",
          help: "3 °C; empty for not",
          when: (t) => !held(t),
        },
        { name: "least", label: "Never below", help: "Empty where nothing holds it", when: (t) => !held(t) },
        { name: "note", label: "Note", wide: true },
      ]}
      onClose={onClose}
      send={(typed, version) => {
        const body = {
          name: typed.name ?? "",
          kind: typed.kind as "outdoors",
          trays: whole(typed.trays),
          set: typed.set,
          warmer: typed.warmer,
          least: typed.least,
          light: typed.light && held(typed) ? Number(typed.light) : undefined,
          note: typed.note,
        };
        return answerOf(
          place
            ? api.PUT("/api/raising-places/{id}", {
                params: { path: { id: place.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/raising-places", { body }),
        );
      }}
    >
      {place && (
        <Box>
          <Button size="small" disabled={sending} onClick={() => void giveUp()}>
            Give this place up
          </Button>
          {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
        </Box>
      )}
    </FormDialog>
  );
}

/** KeepRoomDialog keeps room for food crops, and gives kept room back. */
export function KeepRoomDialog({ bench, onClose }: { bench: Schemas["BenchView"]; onClose: () => void }) {
  const { noted } = useUndo();
  const { send } = useSend();
  const today = useSite().data?.today ?? "";
  const free = async (id: number) => {
    const entry = await send(() =>
      answerOf(api.POST("/api/kept-rooms/{id}/free", { params: { path: { id } } })),
    );
    if (entry) noted(entry);
  };
  const kept = bench.shelves.flatMap((shelf) =>
    shelf.kept
      .filter((room, i, all) => all.findIndex((one) => one.id === room.id) === i)
      .map((room) => ({ ...room, place: shelf.name })),
  );
  return (
    <FormDialog
      title="Keep room for food"
      act="Keep it"
      values={{ placeId: String(bench.shelves[0]?.id ?? 0), name: "", trays: "1", from: today, until: today }}
      fields={[
        { name: "name", label: "For what" },
        { name: "placeId", label: "Where", kind: "choice", options: placeChoices(bench.shelves) },
        { name: "trays", label: "Trays", kind: "number" },
        { name: "from", label: "From, every year", kind: "day" },
        { name: "until", label: "Until, every year", kind: "day" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/kept-rooms", {
            body: {
              placeId: whole(typed.placeId),
              name: typed.name ?? "",
              trays: whole(typed.trays),
              from: typed.from ?? "",
              until: typed.until ?? "",
            },
          }),
        )
      }
    >
      {kept.map((room) => (
        <Box key={room.id} sx={{ display: "flex", alignItems: "center", gap: 1, fontSize: 14.5 }}>
          <Box sx={{ flex: 1 }}>
            {room.name}: {room.trays} in {room.place}
          </Box>
          <Button
            size="small"
            onClick={() => void free(room.id)}
            aria-label={`Give back the room kept for ${room.name}`}
          >
            Give back
          </Button>
        </Box>
      ))}
    </FormDialog>
  );
}

const price = (value: number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);
const priceOf = (text: string | undefined) => (text?.trim() ? Number(text.replace(",", ".")) : undefined);

/** MeasuresDialog are the grower's own trays, measures and prices. */
export function MeasuresDialog({
  settings,
  onClose,
}: {
  settings: Schemas["BenchSettingsView"];
  onClose: () => void;
}) {
  return (
    <FormDialog
      title="Trays, measures and prices"
      act="Note them"
      values={{
        trayCells: String(settings.trayCells),
        cell: settings.cell,
        cellDepth: settings.cellDepth,
        scoop: settings.scoop,
        bucket: settings.bucket,
        currency: settings.currency,
        packet: price(settings.packet),
        plant: price(settings.plant),
        mixLitre: price(settings.mixLitre),
      }}
      version={settings.version}
      fields={[
        { name: "trayCells", label: "Cells in your usual tray", kind: "number" },
        { name: "cell", label: "A cell holds", help: "70 ml" },
        { name: "cellDepth", label: "A cell is deep", help: "6 cm" },
        { name: "scoop", label: "Your scoop holds", help: "Empty for none" },
        { name: "bucket", label: "Your bucket holds", help: "Empty for none" },
        { name: "currency", label: "Currency" },
        { name: "packet", label: "A packet of seed costs" },
        { name: "plant", label: "A bought plant costs" },
        { name: "mixLitre", label: "Mix costs a litre" },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/bench/measures", {
            params: { header: shownVersion(version) },
            body: {
              trayCells: whole(typed.trayCells),
              cell: typed.cell ?? "",
              cellDepth: typed.cellDepth ?? "",
              scoop: typed.scoop,
              bucket: typed.bucket,
              currency: typed.currency,
              packet: priceOf(typed.packet),
              plant: priceOf(typed.plant),
              mixLitre: priceOf(typed.mixLitre),
            },
          }),
        )
      }
    />
  );
}
