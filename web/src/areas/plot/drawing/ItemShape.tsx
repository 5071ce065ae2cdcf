import type { SVGProps } from "react";

import { boundsOf, middleOf, plus, type Point } from "./geometry";
import { onClick, onEnter } from "./BedShape";
import { pathOf } from "./paths";
import { itemNameAt } from "./labels";
import { smallScale } from "./layers";
import type { Item } from "./things";
import type { View } from "./useView";

/** How the ground of each kind is drawn. Trees, fences and slopes have drawings of their own. */
const grounds: Record<string, SVGProps<SVGPathElement>> = {
  building: { fill: "var(--rule)", stroke: "var(--ink)", strokeWidth: 1.6 },
  wall: { fill: "var(--softInk)", stroke: "var(--ink)", strokeWidth: 0.8 },
  fence: { fill: "var(--softInk)", stroke: "none" },
  hedge: { fill: "var(--leaf)", fillOpacity: 0.5, stroke: "var(--leaf)", strokeWidth: 1.4 },
  "root barrier": { fill: "var(--clay)", stroke: "var(--clay)", strokeWidth: 2.4, strokeDasharray: "9 2" },
  path: { fill: "var(--cane)", stroke: "var(--rule)", strokeWidth: 1 },
  lawn: { fill: "var(--lichen)", fillOpacity: 0.28, stroke: "none" },
  "wild ground": { fill: "url(#wild)", stroke: "var(--lichen)", strokeDasharray: "3 4" },
  pond: { fill: "var(--water)", fillOpacity: 0.4, stroke: "var(--water)", strokeWidth: 1.3 },
  stream: { fill: "var(--water)", fillOpacity: 0.4, stroke: "none" },
  overflow: { fill: "var(--water)", fillOpacity: 0.25, stroke: "var(--water)", strokeDasharray: "4 3" },
  "unsafe ground": { fill: "url(#unsafe)", stroke: "var(--forbid)", strokeWidth: 1, strokeDasharray: "7 4" },
  slope: { fill: "none", stroke: "var(--softInk)", strokeOpacity: 0.5, strokeDasharray: "2 4" },
};

interface Props {
  item: Item;
  view: View;
  by: Point;
  selected: boolean;
  /** Draw how far its effect reaches. */
  showReach: boolean;
  onChoose: (more: boolean) => void;
}

/** ItemShape is a thing on the plan other than a bed. */
export function ItemShape({ item, view, by, selected, showReach, onChoose }: Props) {
  const areas = item.areas.map((area) => area.map((p) => plus(p, by)));
  const middle = view.at(plus(item.at, by));
  const reach = item.reachM * view.scale;
  const ring = pathOf(areas, view);
  const mark = selected ? "var(--bramble)" : undefined;
  const name = item.name || item.kind;
  const thing = (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${item.kind} ${item.name}, ${item.words}`}
      aria-pressed={selected}
      onClick={onClick(onChoose)}
      onKeyDown={onEnter(onChoose)}
      data-thing={`item-${item.id}`}
      style={{ cursor: "pointer" }}
    >
      {showReach && reach > 0 && item.kind !== "tree" && (
        <path
          d={ring}
          fill={item.kind === "unsafe ground" ? "var(--forbid)" : "var(--water)"}
          fillOpacity={0.08}
          stroke={item.kind === "unsafe ground" ? "var(--forbid)" : "var(--water)"}
          strokeOpacity={0.13}
          strokeWidth={reach * 2}
          strokeLinejoin="round"
          pointerEvents="none"
        />
      )}
      {item.kind === "tree" ? (
        <Crown item={item} middle={middle} view={view} mark={mark} showReach={showReach} />
      ) : (
        <path
          d={ring}
          {...(grounds[item.kind] ?? {})}
          {...(mark && { stroke: mark, strokeWidth: 2.6, strokeDasharray: undefined })}
          data-hit
        />
      )}
      <title>{name}</title>
      <ItemName item={item} name={name} by={by} view={view} />
    </g>
  );
  if (item.kind !== "slope" || view.scale <= smallScale) return thing;
  // Its label says how it falls: what is written on it is no part of its name.
  return (
    <>
      {thing}
      <g aria-hidden pointerEvents="none">
        <FallLines item={item} by={by} view={view} />
      </g>
    </>
  );
}

interface CrownProps {
  item: Item;
  middle: Point;
  view: View;
  mark: string | undefined;
  showReach: boolean;
}

const lobes = 11;

/** Crown is a tree from above: a lobed edge, its trunk, and how far it poisons the ground. */
function Crown({ item, middle, view, mark, showReach }: CrownProps) {
  const radius = (item.widthM / 2) * view.scale;
  const bud = (Math.PI / lobes) * radius;
  const edge = Array.from({ length: lobes + 1 }, (_, i) => {
    const turn = (i / lobes) * 2 * Math.PI;
    const x = middle.x + Math.cos(turn) * radius;
    const y = middle.y + Math.sin(turn) * radius;
    return i === 0 ? `M${x} ${y}` : `A${bud} ${bud} 0 0 1 ${x} ${y}`;
  }).join("");
  return (
    <>
      {item.poison && showReach && (
        <circle
          cx={middle.x}
          cy={middle.y}
          r={radius + item.reachM * view.scale}
          fill="var(--clay)"
          fillOpacity={0.07}
          stroke="var(--clay)"
          strokeDasharray="8 4 2 4"
          pointerEvents="none"
        />
      )}
      <path
        d={edge}
        fill="var(--leaf)"
        fillOpacity={0.1}
        stroke={mark ?? "var(--leaf)"}
        strokeWidth={mark ? 2.6 : 1.3}
        pointerEvents={mark ? "all" : "stroke"}
      />
      <circle
        cx={middle.x}
        cy={middle.y}
        r={Math.max(5, 0.25 * view.scale)}
        fill={mark ?? "var(--softInk)"}
        stroke="var(--card)"
        strokeWidth={1.5}
        data-hit
      />
    </>
  );
}

/** FallLines point down a slope. */
function FallLines({ item, by, view }: { item: Item; by: Point; view: View }) {
  const box = boundsOf(item.areas.flat().map((p) => view.at(plus(p, by))));
  const middle = middleOf(box);
  return (
    <text
      x={middle.x}
      y={box.bottom - 5}
      fontSize={11.5}
      fill="var(--softInk)"
      textAnchor="middle"
      pointerEvents="none"
    >
      {item.words.split(", ").pop()}
    </text>
  );
}

function ItemName({ item, name, by, view }: { item: Item; name: string; by: Point; view: View }) {
  const place = itemNameAt(item, name, view);
  if (!place) return null;
  const { upright } = place;
  const at = { x: place.at.x + by.x * view.scale, y: place.at.y + by.y * view.scale };
  return (
    <text
      x={at.x}
      y={at.y + 4}
      transform={upright ? `rotate(-90 ${at.x} ${at.y})` : undefined}
      fontSize={12}
      fontStyle="italic"
      fill={item.kind === "unsafe ground" ? "var(--forbid)" : "var(--softInk)"}
      stroke="var(--meadow)"
      strokeWidth={3}
      paintOrder="stroke"
      textAnchor="middle"
      pointerEvents="none"
    >
      {name}
    </text>
  );
}
