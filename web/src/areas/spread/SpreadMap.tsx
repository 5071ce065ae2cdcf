import { Box } from "@mui/material";
import { memo, type MouseEvent, type SVGProps } from "react";

import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/useWidth";
import { HatchPatterns, type Hatch } from "./hatch";
import { free, type Label } from "./labels";

type View = Schemas["SpreadView"];
type Stand = Schemas["SpreadStand"];
type Point = Schemas["SpreadPoint"];

const things: Record<string, SVGProps<SVGPathElement>> = {
  building: { fill: "var(--rule)", stroke: "var(--ink)", strokeWidth: 1.4 },
  wall: { fill: "var(--softInk)" },
  fence: { fill: "var(--softInk)" },
  hedge: { fill: "var(--leaf)", fillOpacity: 0.35, stroke: "var(--leaf)" },
  path: { fill: "var(--cane)", stroke: "var(--softInk)", strokeOpacity: 0.5 },
  lawn: { fill: "var(--lichen)", fillOpacity: 0.25 },
  "wild ground": { fill: "none", stroke: "var(--lichen)", strokeDasharray: "3 4" },
  pond: { fill: "var(--water)", fillOpacity: 0.35, stroke: "var(--water)" },
  stream: { fill: "var(--water)", fillOpacity: 0.35 },
  tree: { fill: "none", stroke: "var(--leaf)", strokeDasharray: "2 4" },
  "root barrier": { fill: "var(--clay)", stroke: "var(--clay)", strokeWidth: 2.4, strokeDasharray: "9 2" },
};

interface Props {
  view: View;
  year: number;
  chosen: Stand | undefined;
  hatch: Map<string, Hatch>;
  onChoose: (planting: number) => void;
  /** Where a place is being shown: what a click on the plan says. */
  onPlace?: (at: Point) => void;
  /** Where stands the place that was shown. */
  mark?: Point;
}

/**
 * SpreadMap is the plan from above: ground that may be covered, hatched by kind and denser where that is likelier, with
 * lines at 2, 5 and 8 in 10. What is chosen is whole, the others faint; what stands there today is solid.
 */
export function SpreadMap({ view, year, chosen, hatch, onChoose, onPlace, mark }: Props) {
  const [box, width] = useWidth(700);
  const { low, high } = view.plan;
  const scale = width / (high.x - low.x);
  const height = Math.round((high.y - low.y) * scale);
  const at = (p: Point) => ({ x: (p.x - low.x) * scale, y: (p.y - low.y) * scale });
  const place = (event: MouseEvent<SVGSVGElement>) => {
    if (!onPlace) return;
    const corner = event.currentTarget.getBoundingClientRect();
    onPlace({
      x: low.x + (event.clientX - corner.left) / scale,
      y: low.y + (event.clientY - corner.top) / scale,
    });
  };
  const faint = view.stands.filter((stand) => stand !== chosen);
  const reaches = chosen ? chosen.reaches.slice(0, 4) : [];
  const labels = free(labelsOf(view, chosen, reaches, at, width), width, height);
  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`The plot from above in ${view.years[year]?.words ?? ""}; all that is drawn stands in the list beside it`}
        onClick={place}
        style={{ display: "block", cursor: onPlace ? "crosshair" : undefined, background: "var(--meadow)" }}
      >
        <defs>
          {[...hatch.values()].map((one) => (
            <HatchPatterns key={one.id} hatch={one} scale={scale} />
          ))}
        </defs>
        <g transform={`scale(${scale}) translate(${-low.x} ${-low.y})`}>
          <Ground plan={view.plan} />
          {faint.map((stand) => (
            <Faint
              key={stand.plantingId}
              stand={stand}
              year={year}
              hatch={hatch.get(stand.speciesId)}
              alone={!chosen}
            />
          ))}
          {chosen && <Chosen stand={chosen} year={year} hatch={hatch.get(chosen.speciesId)} />}
        </g>
        {chosen?.seen.map((seen) =>
          seen.at ? <Cross key={seen.id} at={at(seen.at)} colour="var(--ink)" /> : null,
        )}
        {reaches.map((reach) => {
          const p = at(reach.at);
          return (
            <circle
              key={reach.key}
              cx={p.x}
              cy={p.y}
              r={5}
              fill="var(--card)"
              stroke="var(--ink)"
              strokeWidth={2.2}
            />
          );
        })}
        {mark && <Cross at={at(mark)} colour="var(--bramble)" />}
        {labels.map((label) => (
          <text
            key={label.key}
            x={label.x}
            y={label.y}
            fontSize={label.size}
            fontWeight={label.weight}
            textAnchor={label.anchor}
            fill={label.colour ?? "var(--ink)"}
            stroke="var(--card)"
            strokeWidth={3}
            paintOrder="stroke"
            pointerEvents="none"
            aria-hidden
          >
            {label.text}
          </text>
        ))}
        {!onPlace &&
          view.stands.map((stand) => {
            const p = at(stand.at);
            return (
              <circle
                key={stand.plantingId}
                cx={p.x}
                cy={p.y}
                r={13}
                fill="transparent"
                style={{ cursor: "pointer" }}
                onClick={() => onChoose(stand.plantingId)}
              >
                <title>{`${stand.name}, ${stand.bed}`}</title>
              </circle>
            );
          })}
      </svg>
    </Box>
  );
}

/** Ground is the plan under the map. It does not change with the year. */
const Ground = memo(function Ground({ plan }: { plan: View["plan"] }) {
  return (
    <>
      <path
        d={plan.boundary}
        fill="var(--meadow)"
        stroke="var(--ink)"
        strokeWidth={1.6}
        strokeDasharray="7 4"
        vectorEffect="non-scaling-stroke"
      />
      {plan.things.map((thing) => (
        <path
          key={`t${thing.id}`}
          d={thing.path}
          fill="none"
          vectorEffect="non-scaling-stroke"
          {...(things[thing.kind] ?? {})}
        />
      ))}
      {plan.beds.map((bed) => (
        <path
          key={`b${bed.id}`}
          d={bed.path}
          fillRule="evenodd"
          fill="var(--soil)"
          fillOpacity={0.75}
          stroke="var(--softInk)"
          strokeWidth={1.1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </>
  );
});

const linesOf = (stand: Stand, year: number) =>
  (stand.maps.find((map) => map.year === year) ?? stand.maps[0])?.lines ?? [];

interface OneProps {
  stand: Stand;
  year: number;
  hatch: Hatch | undefined;
}

/** Faint is a kind that is not chosen: where it is as likely as not, and nothing more. */
function Faint({ stand, year, hatch, alone }: OneProps & { alone: boolean }) {
  if (!hatch) return null;
  const even = linesOf(stand, year)[1];
  if (!even) return null;
  return (
    <g opacity={alone ? 1 : 0.45}>
      <path d={even} fill={`url(#${hatch.id}-0)`} fillRule="evenodd" />
      <path
        d={even}
        fill="none"
        stroke={`var(${hatch.colour})`}
        strokeWidth={alone ? 1.6 : 1}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}

/** Chosen is the kind that is looked at, with its lines at 2, 5 and 8 in 10, and what stands there today. */
function Chosen({ stand, year, hatch }: OneProps) {
  if (!hatch) return null;
  const [two, five, eight] = linesOf(stand, year);
  const today = linesOf(stand, 0)[1];
  const colour = `var(${hatch.colour})`;
  return (
    <g>
      <path d={two} fill={`url(#${hatch.id}-0)`} fillRule="evenodd" />
      <path d={five} fill={`url(#${hatch.id}-1)`} fillRule="evenodd" />
      <path d={eight} fill={colour} fillOpacity={0.14} fillRule="evenodd" />
      {stand.maps.some((map) => map.year === 0) && (
        <path d={today} fill={colour} fillOpacity={0.55} fillRule="evenodd" />
      )}
      <path
        d={two}
        fill="none"
        stroke={colour}
        strokeWidth={1.5}
        strokeDasharray="5 4"
        vectorEffect="non-scaling-stroke"
      />
      <path d={five} fill="none" stroke={colour} strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
      <path d={eight} fill="none" stroke={colour} strokeWidth={2.6} vectorEffect="non-scaling-stroke" />
    </g>
  );
}

function Cross({ at, colour }: { at: Point; colour: string }) {
  return (
    <path
      d={`M${at.x - 7} ${at.y - 7}l14 14m0 -14l-14 14`}
      stroke={colour}
      strokeWidth={3}
      strokeLinecap="round"
      fill="none"
      pointerEvents="none"
    />
  );
}

/** labelsOf are all words of the drawing, what matters most first. */
function labelsOf(
  view: View,
  chosen: Stand | undefined,
  reaches: Schemas["ReachView"][],
  at: (p: Point) => Point,
  width: number,
): Label[] {
  const labels: Label[] = [];
  for (const reach of reaches) {
    const p = at(reach.at);
    const text = `${reach.where} ${reach.years}`;
    const sides = p.x < width * 0.6 ? (["start", "end"] as const) : (["end", "start"] as const);
    for (const anchor of sides)
      for (const dy of [5, 19, -9, 33, -23])
        labels.push({
          key: `${reach.key} ${anchor} ${dy}`,
          of: reach.key,
          text,
          x: anchor === "start" ? p.x + 10 : p.x - 10,
          y: p.y + dy,
          size: 13.5,
          anchor,
          weight: 700,
        });
  }
  const stands = chosen ? [chosen, ...view.stands.filter((s) => s !== chosen)] : view.stands;
  for (const stand of stands) {
    const p = at(stand.at);
    const weight = stand === chosen ? 700 : 600;
    for (const dy of [5, 20, -11])
      labels.push({
        key: `stand ${stand.plantingId} ${dy}`,
        of: `stand ${stand.plantingId}`,
        text: stand.name,
        x: p.x,
        y: p.y + dy,
        size: 14,
        anchor: "middle",
        weight,
      });
  }
  const places = [
    ...view.plan.beds,
    ...view.plan.things.filter((thing) => thing.name && namedKinds.has(thing.kind)),
  ];
  for (const place of places) {
    const p = at(place.at);
    const of = `${place.kind} ${place.id}`;
    for (const dy of [4, -9, 18])
      labels.push({
        key: `${of} ${dy}`,
        of,
        text: place.name,
        x: p.x,
        y: p.y + dy,
        size: 12.5,
        anchor: "middle",
        colour: "var(--softInk)",
      });
  }
  return labels;
}

/** Things other than beds whose names are written on the map. */
const namedKinds = new Set(["building", "path", "pond", "hedge"]);
