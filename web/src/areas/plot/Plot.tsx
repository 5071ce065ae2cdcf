import { Box, Button, MenuItem, TextField } from "@mui/material";
import { Suspense, useEffect, useState } from "react";
import { useLocation, useNavigationType, useSearchParams } from "react-router";

import { api, answerOf, type Schemas } from "../../api/client";
import { useLight, usePlot, useShadows, useWhere } from "../../api/queries";
import { useActs } from "../../parts/acts";
import { useShownDay } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { BedPanel } from "./panels/BedPanel";
import { DrawBar } from "./drawing/DrawBar";
import { ItemPanel } from "./panels/ItemPanel";
import { Overview } from "./panels/Overview";
import { Plan } from "./drawing/Plan";
import { PlanFiles } from "./panels/PlanFiles";
import { fetchedAhead } from "../../parts/ahead";
import { Boundary } from "../../parts/Boundary";
import { NotOpenedDialog } from "../../parts/NotOpenedDialog";
import { PlantingPanel } from "./panels/PlantingPanel";
import { SeveralPanel } from "./panels/SeveralPanel";
import { SunBar } from "./drawing/SunBar";
import { WherePanel } from "./panels/WherePanel";
import { asInput, type FormInput, type LocalForm } from "./drawing/forms";
import { typed, type Point } from "./drawing/geometry";
import { layers, legends, type Layer } from "./drawing/layers";
import { allPlaced, nothing, type Plot as PlotView, type Selection, type Thing } from "./drawing/things";
import { useDragLight } from "./drawing/useDragLight";
import { useEdits } from "./drawing/useEdits";
import type { Tool } from "./drawing/useEditor";

const BedDialog = fetchedAhead(() => import("./dialogs/BedDialog").then((code) => code.BedDialog));
const BoundaryDialog = fetchedAhead(() =>
  import("./dialogs/BoundaryDialog").then((code) => code.BoundaryDialog),
);
const ItemDialog = fetchedAhead(() => import("./dialogs/ItemDialog").then((code) => code.ItemDialog));
const PlantingDialog = fetchedAhead(() =>
  import("../../parts/PlantingDialog").then((code) => code.PlantingDialog),
);

type Dialog =
  | { what: "bed"; id?: number; drawn?: FormInput }
  | { what: "item"; id?: number; kind?: string; drawn?: FormInput }
  | { what: "planting"; id?: number; bed?: number; species?: string }
  | { what: "boundary"; drawn?: Point[] };

const copyOffset = "1 m";
const firstHour = 10;

/** Plot is the scaled plan, its layers and its drawing mode, and beside it what is chosen on it. */
export function Plot() {
  const { asked } = useShownDay();
  const query = usePlot(asked);
  const [params, setParams] = useSearchParams();
  const address = addressOf(params);
  const location = useLocation();
  const came = useNavigationType();
  const [selection, setChosen] = useState<Selection>(() => readAddress(address));
  const [addressSeen, setAddressSeen] = useState(address);
  if (address !== addressSeen) {
    setAddressSeen(address);
    // Back, or a link from elsewhere: what was chosen here stands already, and may have moved on since.
    if (came === "POP" || location.state !== choosing) setChosen(readAddress(address));
  }
  /** One thing that is chosen has an address, so that Back and a link find it. */
  const setSelection = (to: Selection) => {
    setChosen(to);
    setParams((before) => writeAddress(before, to), { replace: to.things.length > 1, state: choosing });
  };
  const [layer, setLayer] = useState<Layer>("stage");
  const [use, setUse] = useState("tea");
  const [hour, setHour] = useState(firstHour);
  const [editing, setEditing] = useState(false);
  const [tool, setTool] = useState<Tool>();
  const [dialog, setDialog] = useState<Dialog>();
  const edits = useEdits();
  const { select } = useActs();
  const light = useLight(asked, layer === "sun").data;
  const shadows = useShadows(asked, hour, layer === "sun").data;
  const drag = useDragLight(query.data, asked, hour);
  useEffect(() => {
    select(selection.planting);
    return () => select(undefined);
  }, [selection.planting, select]);
  const where = params.get("where") ?? undefined;
  const answers = useWhere(where).data?.beds;
  const setWhere = (speciesId?: string) =>
    setParams((before) => {
      const next = new URLSearchParams(before);
      if (speciesId) next.set("where", speciesId);
      else next.delete("where");
      return next;
    });
  const plot = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!plot) return <Box sx={{ minHeight: 500 }} />;

  const choose = (to: Selection) => setSelection(to);
  const toggleDrawing = () => {
    setEditing(!editing);
    setTool(undefined);
    if (!editing && selection.planting) setSelection(nothing);
  };
  const arrange = (body: Schemas["ArrangeInput"]) =>
    edits.edit(() => answerOf(api.POST("/api/plan/arrange", { body })));
  const remove = async (things: Thing[]) => {
    for (const thing of things) {
      const taken = await edits.edit(() =>
        answerOf(
          thing.what === "bed"
            ? api.DELETE("/api/beds/{id}", { params: { path: { id: thing.id } } })
            : api.DELETE("/api/plan/items/{id}", { params: { path: { id: thing.id } } }),
        ),
      );
      if (!taken) return;
    }
    setSelection(nothing);
  };
  const drawn = (form: LocalForm) => {
    if (!tool) return;
    if (tool.kind === "bed") setDialog({ what: "bed", drawn: asInput(form) });
    else if (tool.kind === "boundary") setDialog({ what: "boundary", drawn: form.points });
    else setDialog({ what: "item", kind: tool.kind, drawn: asInput(form) });
  };
  const close = () => setDialog(undefined);
  return (
    <>
      <Box
        sx={{ display: "flex", gap: 2.5, flexDirection: { xs: "column", md: "row" }, alignItems: "stretch" }}
      >
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <LayerBar
            layer={layer}
            onLayer={setLayer}
            use={use}
            uses={plot.uses}
            onUse={setUse}
            editing={editing}
            onEditing={toggleDrawing}
          />
          {editing && (
            <DrawBar
              tool={tool}
              onTool={setTool}
              undo={edits.undoable}
              redo={edits.redoable}
              busy={edits.busy}
              onUndo={() => void edits.undo()}
              onRedo={() => void edits.redo()}
              onBoundary={() => setDialog({ what: "boundary" })}
              onTyped={(kind) =>
                setDialog(
                  kind === "bed"
                    ? { what: "bed", drawn: { shape: tool?.shape } }
                    : { what: "item", kind, drawn: { shape: tool?.shape } },
                )
              }
            />
          )}
          <Plan
            plot={plot}
            layer={layer}
            use={use}
            light={light}
            shadows={shadows}
            dragged={drag.dragged}
            selection={selection}
            onSelect={choose}
            editing={editing}
            tool={tool}
            verdicts={answers && Object.fromEntries(answers.map((a) => [a.bedId, a.verdict]))}
            onTool={setTool}
            onMove={(things, by) =>
              arrange({ things: things.map((t) => refOf(plot, t)), right: typed(by.x), down: typed(by.y) })
            }
            onReshape={(thing, form) =>
              edits.edit(() =>
                answerOf(
                  api.POST("/api/plan/reshape", {
                    body: { ...refOf(plot, thing), ...asInput(withInner(plot, thing, form)) },
                  }),
                ),
              )
            }
            onDrawn={drawn}
            onDrag={drag.onDrag}
            onDragEnd={drag.onDragEnd}
            onTurn={(things, turn) => void arrange({ things: things.map((t) => refOf(plot, t)), turn })}
            onCopy={(things) =>
              void arrange({
                things: things.map((t) => refOf(plot, t)),
                right: copyOffset,
                down: copyOffset,
                copy: true,
              })
            }
            onRemove={(things) => void remove(things)}
            onUndo={() => void edits.undo()}
            onRedo={() => void edits.redo()}
            below={
              <>
                {layer === "sun" && <SunBar light={light} shadows={shadows} hour={hour} onHour={setHour} />}
                <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.7 }}>
                  {plot.areaWords} in all. {legends[answers ? "fit" : layer]}
                </Box>
                <PlanFiles onSaved={edits.keep} />
              </>
            }
          />
        </Box>
        <Box
          component="aside"
          aria-label="Chosen on the plan"
          sx={{ width: { xs: "100%", md: 330 }, flex: "none" }}
        >
          <Chosen
            plot={plot}
            selection={selection}
            where={where}
            editing={editing}
            onSelect={choose}
            onWhere={setWhere}
            onDialog={setDialog}
            onSaved={edits.keep}
            onRemove={(things) => void remove(things)}
          />
        </Box>
      </Box>
      <Boundary at={dialog?.what ?? ""} instead={<NotOpenedDialog onClose={close} />}>
        <Suspense>
          {" "}
          {dialog?.what === "bed" && (
            <BedDialog
              bed={plot.beds.find((b) => b.id === dialog.id)}
              drawn={dialog.drawn}
              onSaved={edits.keep}
              onClose={close}
            />
          )}
          {dialog?.what === "item" && (
            <ItemDialog
              item={plot.items.find((i) => i.id === dialog.id)}
              drawn={dialog.kind ? { kind: dialog.kind, form: dialog.drawn ?? {} } : undefined}
              onSaved={edits.keep}
              onClose={close}
            />
          )}
          {dialog?.what === "planting" && (
            <PlantingDialog
              plantingId={dialog.id}
              bedId={dialog.bed}
              speciesId={dialog.species}
              beds={plot.beds}
              onClose={close}
            />
          )}
          {dialog?.what === "boundary" && (
            <BoundaryDialog plot={plot} drawn={dialog.drawn} onSaved={edits.keep} onClose={close} />
          )}
        </Suspense>
      </Boundary>{" "}
    </>
  );
}

/** The mark of an address that was written by choosing. */
const choosing = "choosing";

/** The words of an address that choose something on the plan. */
const chosenBy = ["planting", "bed", "item"] as const;

const addressOf = (params: URLSearchParams): string =>
  chosenBy.flatMap((word) => (Number(params.get(word)) ? [`${word} ${params.get(word)}`] : []))[0] ?? "";

function readAddress(address: string): Selection {
  const [word, id] = address.split(" ");
  if (word === "planting") return { planting: Number(id), things: [] };
  if (word === "bed" || word === "item") return { things: [{ what: word, id: Number(id) }] };
  return nothing;
}

/** writeAddress chooses in an address what is chosen on the plan; a question asked there is over. */
function writeAddress(before: URLSearchParams, to: Selection): URLSearchParams {
  const next = new URLSearchParams(before);
  for (const word of [...chosenBy, "where"]) next.delete(word);
  const [one, another] = to.things;
  if (to.planting) next.set("planting", String(to.planting));
  else if (one && !another) next.set(one.what, String(one.id));
  return next;
}

/** refOf names a thing to the plot in the version that was shown: the one that a drag began with. */
const refOf = (plot: PlotView, { what, id, version }: Thing): Thing => ({
  what,
  id,
  version: version ?? (what === "bed" ? plot.beds : plot.items).find((one) => one.id === id)?.version,
});

/** withInner keeps a ring's hole in proportion while its edge is dragged. */
function withInner(plot: PlotView, thing: Thing, form: LocalForm): LocalForm {
  if (form.shape !== "ring") return form;
  const bed = plot.beds.find((b) => b.id === thing.id);
  const hole = bed?.hole[0];
  if (!bed || !hole) return form;
  const inner = 2 * Math.hypot(hole.x - bed.at.x, hole.y - bed.at.y);
  return { ...form, inner: Math.round((inner * form.width * 100) / bed.widthM) / 100 };
}

interface LayerBarProps {
  layer: Layer;
  onLayer: (layer: Layer) => void;
  use: string;
  uses: string[];
  onUse: (use: string) => void;
  editing: boolean;
  onEditing: () => void;
}

/** LayerBar chooses what the plan shows, and opens its drawing mode. */
function LayerBar({ layer, onLayer, use, uses, onUse, editing, onEditing }: LayerBarProps) {
  return (
    <Box
      className="no-print"
      sx={{ display: "flex", gap: 0.7, mb: 1, flexWrap: "wrap", alignItems: "center" }}
    >
      <Box role="group" aria-label="Layer" sx={{ display: "flex", gap: 0.7, flexWrap: "wrap", flex: 1 }}>
        {layers.map((l) => (
          <Button
            key={l.id}
            size="small"
            variant={layer === l.id ? "contained" : "outlined"}
            aria-pressed={layer === l.id}
            onClick={() => onLayer(l.id)}
            sx={{
              minHeight: 34,
              minWidth: 0,
              px: 1.3,
              borderColor: "var(--rule)",
              color: layer === l.id ? "var(--paper)" : "var(--ink)",
              background: layer === l.id ? "var(--ink)" : "var(--card)",
            }}
          >
            {l.name}
          </Button>
        ))}
        {layer === "use" && (
          <TextField
            select
            label="Grown for"
            value={use}
            onChange={(e) => onUse(e.target.value)}
            sx={{ width: 130 }}
          >
            {uses.map((word) => (
              <MenuItem key={word} value={word}>
                {word}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <Button
        size="small"
        variant={editing ? "contained" : "outlined"}
        onClick={onEditing}
        aria-pressed={editing}
      >
        {editing ? "Done drawing" : "Draw on the plan"}
      </Button>
    </Box>
  );
}

interface ChosenProps {
  plot: PlotView;
  selection: Selection;
  where: string | undefined;
  editing: boolean;
  onSelect: (selection: Selection) => void;
  onWhere: (speciesId?: string) => void;
  onDialog: (dialog: Dialog) => void;
  onSaved: (entry: Schemas["Entry"]) => void;
  onRemove: (things: Thing[]) => void;
}

/** Chosen is the panel beside the plan. */
function Chosen({
  plot,
  selection,
  where,
  editing,
  onSelect,
  onWhere,
  onDialog,
  onSaved,
  onRemove,
}: ChosenProps) {
  const planted = plot.beds.flatMap((b) => b.plantings).find((p) => p.id === selection.planting);
  const [one] = selection.things;
  const bed = plot.beds.find((b) => one?.what === "bed" && b.id === one.id);
  const item = plot.items.find((i) => one?.what === "item" && i.id === one.id);
  const toPlanting = (id: number) => onSelect({ planting: id, things: [] });
  const toBed = (id: number) => onSelect({ things: [{ what: "bed", id }] });
  if (where)
    return (
      <WherePanel
        speciesId={where}
        onBed={toBed}
        onPlant={(bedId) => onDialog({ what: "planting", bed: bedId, species: where })}
        onClose={() => onWhere()}
      />
    );
  if (selection.things.length > 1)
    return (
      <SeveralPanel
        names={allPlaced(plot)
          .filter((t) => selection.things.some((s) => s.what === t.what && s.id === t.id))
          .map((t) => t.name)}
        things={selection.things.map((t) => refOf(plot, t))}
        onSaved={onSaved}
        onRemove={() => onRemove(selection.things)}
      />
    );
  if (planted)
    return (
      <PlantingPanel
        planted={planted}
        onChange={() => onDialog({ what: "planting", id: planted.id })}
        onRemoved={() => onSelect(nothing)}
        onBed={() => toBed(planted.bedId)}
        onWhere={() => onWhere(planted.speciesId)}
      />
    );
  if (bed)
    return (
      <BedPanel
        key={bed.id}
        bed={bed}
        editing={editing}
        onPlanting={toPlanting}
        onChange={() => onDialog({ what: "bed", id: bed.id })}
        onPlant={(species) => onDialog({ what: "planting", bed: bed.id, species })}
        onRemoved={() => onSelect(nothing)}
        onSaved={onSaved}
      />
    );
  if (item)
    return (
      <ItemPanel
        key={item.id}
        item={item}
        editing={editing}
        onChange={() => onDialog({ what: "item", id: item.id })}
        onRemove={() => onRemove([{ what: "item", id: item.id }])}
        onSaved={onSaved}
      />
    );
  return (
    <Overview
      plot={plot}
      editing={editing}
      onSelect={onSelect}
      onAdd={() => onDialog({ what: "bed" })}
      onWhere={onWhere}
    />
  );
}
