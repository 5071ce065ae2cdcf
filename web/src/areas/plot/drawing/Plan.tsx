import { Box } from "@mui/material";
import { useMemo, useRef, type ReactNode } from "react";

import type { Schemas } from "../../../api/client";
import { useWidth } from "../../../parts/useWidth";
import { BedShape, forbidden } from "./BedShape";
import { FormBeing, Grips } from "./Grips";
import { ItemShape } from "./ItemShape";
import { FitMark } from "./marks";
import { PlantedShape } from "./PlantedShape";
import { ShadowLayer, SunArrow, SunLayer } from "./SunLayer";
import { sizeText, type LocalForm } from "./forms";
import { boundsOf, type Bounds, type Point } from "./geometry";
import { labelsOf } from "./labels";
import type { Layer } from "./layers";
import { pathOf } from "./paths";
import { usePlanKeys } from "./planKeys";
import { allPlaced, isChosen, type Bed, type Item, type Plot, type Selection, type Thing } from "./things";
import { useEditor, type Draft, type Tool } from "./useEditor";
import { useView, type View } from "./useView";
import { ZoomButtons } from "./ZoomButtons";

const margin = 1.4;
const planHeight = 540;
const phoneHeight = 380;

/** likelyWidth is how wide the plan will be between the cane and the panel: guessed right it is drawn once. */
const likelyWidth = () => window.innerWidth - (window.innerWidth < 900 ? 30 : 540);

/** around is the part of the plot that the beds and the things near them lie in. */
function around(plot: Plot): Bounds {
  const whole = boundsOf(plot.boundary);
  const points = plot.beds.flatMap((b) => b.areas.flat());
  if (points.length === 0) return whole;
  const beds = boundsOf(points);
  const near = plot.items
    .map((i) => boundsOf(i.areas.flat()))
    .filter((b) => b.right - b.left < 30 && b.bottom - b.top < 30)
    .filter(
      (b) =>
        b.left < beds.right + 6 &&
        b.right > beds.left - 6 &&
        b.top < beds.bottom + 6 &&
        b.bottom > beds.top - 6,
    );
  const all = [beds, ...near];
  return {
    left: Math.min(...all.map((b) => b.left)) - margin,
    top: Math.min(...all.map((b) => b.top)) - margin - 0.6,
    right: Math.max(...all.map((b) => b.right)) + margin,
    bottom: Math.max(...all.map((b) => b.bottom)) + margin,
  };
}

interface Props {
  plot: Plot;
  layer: Layer;
  use: string;
  light?: Schemas["LightView"];
  shadows?: Schemas["ShadowsView"];
  /** Hours of sun while something is dragged, by bed. */
  dragged?: Schemas["DragView"];
  selection: Selection;
  onSelect: (selection: Selection) => void;
  editing: boolean;
  tool?: Tool;
  onTool: (tool?: Tool) => void;
  onMove: (things: Thing[], by: Point) => Promise<unknown>;
  onReshape: (thing: Thing, form: LocalForm) => Promise<unknown>;
  onDrawn: (form: LocalForm) => void;
  onDrag: (thing: Thing, at: Point) => void;
  onDragEnd: () => void;
  onTurn: (things: Thing[], degrees: number) => void;
  onCopy: (things: Thing[]) => void;
  onRemove: (things: Thing[]) => void;
  onUndo: () => void;
  onRedo: () => void;
  /** How well each bed suits the plant that is asked for, by bed. */
  verdicts?: Record<number, string>;
  below?: ReactNode;
}

/** Plan is the scaled plan of the plot: it shows a layer, and in drawing mode it is changed here. */
export function Plan(props: Props) {
  const { plot, layer, use, light, shadows, dragged, selection, onSelect, editing, tool } = props;
  const [box, width] = useWidth(likelyWidth);
  const svg = useRef<SVGSVGElement>(null);
  const frame = useMemo(() => around(plot), [plot]);
  const height = width < 500 ? phoneHeight : planHeight;
  const { view, zoom, pan, show } = useView(svg, frame, width, height);
  const editor = useEditor({ ...props, view, pan, zoom });
  const { draft } = editor;
  const nudged = usePlanKeys({ ...props, editor, zoom, pan, show });
  const by = (thing: Thing): Point => {
    if (draft.moved.some((m) => m.what === thing.what && m.id === thing.id)) return draft.by;
    return isChosen(selection, thing) ? nudged : { x: 0, y: 0 };
  };
  const alone = selection.things.length === 1 ? selection.things[0] : undefined;
  const gripped =
    alone && editing && !tool
      ? allPlaced(plot).find((p) => p.what === alone.what && p.id === alone.id)
      : undefined;
  const shownShadows = dragged?.shadows ?? shadows;
  const about = (bed: Bed) => {
    const drag = dragged?.beds.find((b) => b.id === bed.id);
    if (drag) return `${drag.words} sun${change(drag.hours - bed.sunHours)}`;
    if (layer === "sun") return `${light?.beds.find((b) => b.id === bed.id)?.words ?? ""} on this day`;
    if (layer === "water" && bed.waterWords) return bed.waterWords;
    if (layer === "warmth") return bed.warmthIs;
    return bed.words;
  };
  const wordsOf = (bed: Bed) => `${about(bed)}${forbidden(bed) ? " · not for use" : ""}`;
  const bare = layer === "sun" || props.verdicts !== undefined;
  const chosen = selection.things.find((thing) => thing.what === "bed")?.id;
  const labels = labelsOf({ plot, view, layer, about: wordsOf, chosen, bare });
  // What is being moved lies over all else.
  const isMoved = (bed: Bed) => draft.moved.some((m) => m.what === "bed" && m.id === bed.id);
  const movedLast = [...plot.beds].sort((a, b) => Number(isMoved(a)) - Number(isMoved(b)));
  const thingShape = (item: Item) => {
    const thing: Thing = { what: "item", id: item.id };
    return (
      <ItemShape
        key={item.id}
        item={item}
        view={view}
        by={by(thing)}
        selected={isChosen(selection, thing)}
        showReach={layer === "ground" || (layer === "water" && item.kind !== "tree")}
        onChoose={(more) => editor.choose(thing, more)}
      />
    );
  };
  return (
    <Box sx={{ minWidth: 0, flex: 1 }}>
      <Box
        ref={box}
        sx={{ border: "1px solid var(--rule)", background: "var(--meadow)", position: "relative" }}
      >
        <svg
          ref={svg}
          width={width}
          height={height}
          role="group"
          aria-label="Plan of the plot"
          data-plan
          tabIndex={0}
          style={{
            display: "block",
            touchAction: editing ? "none" : "pan-y",
            cursor: tool ? "crosshair" : "default",
            userSelect: "none",
          }}
          onClick={() => {
            if (!tool) editor.chooseNothing();
          }}
          onDoubleClick={() => editor.finish()}
          {...editor.handlers}
        >
          <Patterns />
          <path
            d={pathOf([plot.boundary], view)}
            fill="none"
            stroke="var(--softInk)"
            strokeWidth={1.5}
            strokeDasharray="8 5"
            pointerEvents="none"
          />
          {plot.items
            .filter((item) => isFlat(item.kind))
            .sort(flatFirst)
            .map(thingShape)}
          {layer === "sun" && light && <SunLayer light={light} view={view} />}
          {plot.items.filter((item) => !isFlat(item.kind) && item.kind !== "tree").map(thingShape)}
          {layer === "sun" && shownShadows && <ShadowLayer outlines={shownShadows.outlines} view={view} />}
          {movedLast.map((bed) => {
            const thing: Thing = { what: "bed", id: bed.id };
            return (
              <g key={bed.id}>
                <BedShape
                  bed={bed}
                  view={view}
                  by={by(thing)}
                  selected={isChosen(selection, thing)}
                  words={wordsOf(bed)}
                  label={labels.beds.get(bed.id)}
                  fill={bedFill(bed, layer)}
                  onChoose={(more) => editor.choose(thing, more)}
                />
                {props.verdicts?.[bed.id] && (
                  <FitMark at={markAt(bed, view)} verdict={props.verdicts[bed.id] ?? ""} />
                )}
                {!bare && (
                  <g pointerEvents={editing ? "none" : undefined} opacity={editing ? 0.75 : 1}>
                    {bed.plantings.map((planted) => (
                      <PlantedShape
                        key={planted.id}
                        planted={planted}
                        view={view}
                        by={by(thing)}
                        layer={layer}
                        use={use}
                        selected={selection.planting === planted.id}
                        chip={labels.chips.get(planted.id)}
                        named={labels.names.get(planted.id)}
                        onChoose={() => onSelect({ planting: planted.id, things: [] })}
                      />
                    ))}
                  </g>
                )}
              </g>
            );
          })}
          {layer !== "sun" && dragged && <ShadowLayer outlines={dragged.shadows.outlines} view={view} />}
          {plot.items.filter((item) => item.kind === "tree").map(thingShape)}
          {layer === "sun" && shownShadows && <SunArrow shadows={shownShadows} view={view} />}
          {gripped && draft.moved.length === 0 && (
            <Grips thing={gripped} form={draft.reshaped?.form} view={view} />
          )}
          <DraftLayer draft={draft} view={view} plot={plot} />
          <Scale plot={plot} view={view} />
          <North bearing={plot.bearingDeg} view={view} />
        </svg>
        <ZoomButtons
          onZoom={zoom}
          onShow={(what) => show(what === "whole" ? boundsOf(plot.boundary) : undefined)}
        />
      </Box>
      {props.below}
    </Box>
  );
}

/** markAt is a place on a bed: its middle, or on a ring's upper side. */
const markAt = (bed: Bed, view: View): Point =>
  view.at(bed.hole.length > 0 ? { x: bed.at.x, y: bed.at.y - bed.widthM * 0.4 } : bed.at);

const flatOrder = ["slope", "lawn", "wild ground", "unsafe ground", "path", "stream", "overflow", "pond"];
const isFlat = (kind: string) => flatOrder.includes(kind);
const rank = (kind: string) => {
  const i = flatOrder.indexOf(kind);
  return i < 0 ? flatOrder.length : i;
};
const flatFirst = (a: { kind: string }, b: { kind: string }) => rank(a.kind) - rank(b.kind);

const change = (hours: number) =>
  Math.abs(hours) < 0.05 ? "" : ` (${hours > 0 ? "+" : "−"}${Math.abs(hours).toFixed(1)})`;

const wetness: Record<string, number> = { dry: 0, fresh: 22, moist: 48, wet: 78 };

function bedFill(bed: Bed, layer: Layer): string {
  if (layer === "sun") return "transparent";
  if (layer === "water" && bed.waterFull >= 0)
    return `color-mix(in srgb, var(--water) ${Math.round(78 * Math.min(1, bed.waterFull))}%, var(--soil))`;
  if (layer === "warmth")
    return `color-mix(in srgb, var(${bed.warmthC < 0 ? "--frost" : "--clay"}) ${Math.round(Math.min(70, 35 * Math.abs(bed.warmthC)))}%, var(--soil))`;
  if (layer === "water" && bed.moisture)
    return `color-mix(in srgb, var(--water) ${wetness[bed.moisture] ?? 0}%, var(--soil))`;
  return "var(--soil)";
}

function Patterns() {
  return (
    <defs>
      <pattern id="unsafe" width={9} height={9} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={2.2} height={9} fill="var(--forbid)" opacity={0.4} />
      </pattern>
      <pattern id="wild" width={13} height={13} patternUnits="userSpaceOnUse">
        <path d="M3 10 L5 4 M5 10 L5 5 M7 10 L5.5 4" stroke="var(--lichen)" strokeWidth={1} fill="none" />
      </pattern>
    </defs>
  );
}

/** DraftLayer is what is being drawn: the new shape, its size, and what it snaps to. */
function DraftLayer({ draft, view, plot }: { draft: Draft; view: View; plot: Plot }) {
  const form = draft.drawn ?? draft.reshaped?.form;
  const say = (metres: number) => `${(metres / plot.metresPerUnit).toFixed(2)} ${plot.groundUnit}`;
  const last = form?.points[form.points.length - 1] ?? form?.at;
  const moved = draft.moved.length > 0 && (draft.by.x !== 0 || draft.by.y !== 0);
  const label = form
    ? `${sizeText(form, plot.metresPerUnit, plot.groundUnit)}${form.turn ? ` · ${Math.round(form.turn)}°` : ""}`
    : moved
      ? `${say(Math.abs(draft.by.x))} ${draft.by.x < 0 ? "left" : "right"}, ${say(Math.abs(draft.by.y))} ${draft.by.y < 0 ? "up" : "down"}`
      : "";
  const thing = draft.moved[0];
  const at = form && last ? view.at(last) : thing ? movedLabelAt(plot, thing, draft, view) : undefined;
  return (
    <g pointerEvents="none">
      {draft.guides.map((guide) =>
        guide.vertical ? (
          <path
            key={`x${guide.at}`}
            d={`M${view.x(guide.at)} 0 V${view.height}`}
            stroke="var(--clay)"
            strokeDasharray="3 3"
          />
        ) : (
          <path
            key={`y${guide.at}`}
            d={`M0 ${view.y(guide.at)} H${view.width}`}
            stroke="var(--clay)"
            strokeDasharray="3 3"
          />
        ),
      )}
      {form && <FormBeing form={form} view={view} />}
      {draft.pointer && (
        <circle cx={view.x(draft.pointer.x)} cy={view.y(draft.pointer.y)} r={4} fill="var(--bramble)" />
      )}
      {draft.marquee && (
        <path
          d={pathOf(
            [
              [
                draft.marquee.from,
                { x: draft.marquee.to.x, y: draft.marquee.from.y },
                draft.marquee.to,
                { x: draft.marquee.from.x, y: draft.marquee.to.y },
              ],
            ],
            view,
          )}
          fill="var(--bramble)"
          fillOpacity={0.08}
          stroke="var(--bramble)"
          strokeDasharray="4 3"
        />
      )}
      {label && at && (
        <text
          x={Math.min(view.width - 120, at.x + 12)}
          y={Math.max(16, at.y - 12)}
          fontSize={13.5}
          fontWeight={700}
          fill="var(--bramble)"
          stroke="var(--card)"
          strokeWidth={4}
          paintOrder="stroke"
        >
          {label}
        </text>
      )}
    </g>
  );
}

function movedLabelAt(plot: Plot, thing: Thing, draft: Draft, view: View): Point | undefined {
  const placed = allPlaced(plot).find((p) => p.what === thing.what && p.id === thing.id);
  return placed && view.at({ x: placed.at.x + draft.by.x, y: placed.at.y + draft.by.y });
}

const longestBar = 260;

/** Scale is the scale bar: halved or doubled until it is easy to read. */
function Scale({ plot, view }: { plot: Plot; view: View }) {
  let factor = 1;
  while (plot.scaleM * factor * view.scale > longestBar) factor /= 5;
  while (plot.scaleM * factor * view.scale < longestBar / 10) factor *= 2;
  const length = plot.scaleM * factor * view.scale;
  const [number = "", unit = ""] = plot.scaleText.split(" ");
  return (
    <g transform={`translate(14 ${view.height - 14})`} data-scale aria-hidden pointerEvents="none">
      <path d={`M0 -5 V0 H${length} V-5`} stroke="var(--ink)" strokeWidth={1.6} fill="none" />
      <text
        x={length + 7}
        y={2}
        fontSize={13}
        fill="var(--ink)"
        stroke="var(--meadow)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {Math.round(Number(number) * factor * 100) / 100} {unit}
      </text>
    </g>
  );
}

function North({ bearing, view }: { bearing: number; view: View }) {
  return (
    <g
      transform={`translate(${view.width - 26} 38)`}
      role="img"
      aria-label={bearing === 0 ? "North is up" : `The upper edge looks to ${bearing} degrees`}
      pointerEvents="none"
    >
      <g transform={`rotate(${-bearing})`}>
        <path d="M0 -22 L6 2 L0 -3 L-6 2Z" fill="var(--ink)" />
      </g>
      <text y={19} textAnchor="middle" fontSize={13} fill="var(--ink)">
        N
      </text>
    </g>
  );
}
