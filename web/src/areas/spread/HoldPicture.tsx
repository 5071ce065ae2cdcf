import { Box } from "@mui/material";
import type { KeyboardEvent, PointerEvent } from "react";

import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/useWidth";
import { WayMark } from "./WayMark";

type Option = Schemas["HoldOption"];

const height = 330;
const left = 62;
const right = 14;
const top = 14;
const bottom = 40;

interface Props {
  options: Option[];
  /** The key of the option that is looked at. */
  chosen: string;
  line: number;
  /** Where it is there already: the chances are that it still is in the end. */
  there: boolean;
  onChoose: (key: string) => void;
  onLine: (line: number) => void;
}

export const keyOf = (option: Option) => option.ways.join("+") || "run";

/** The chances that are marked; between them the line can be drawn anywhere. */
const ticks: [number, string][] = [
  [1, "surely"],
  [0.5, "even"],
  [0.2, "1 in 5"],
  [0.05, "1 in 20"],
  [0.01, "1 in 100"],
];

/** Small chances are what counts here: the scale is that of their square root. */
const up = (chance: number) => Math.sqrt(Math.max(0, chance));

/** HoldPicture is each way as a point, by its hours a year and the chance that it gets out, with the grower's line across. */
export function HoldPicture({ options, chosen, line, there, onChoose, onLine }: Props) {
  const [box, width] = useWidth(640);
  const most = Math.max(1, ...options.map((option) => option.hours));
  const top2 = Math.ceil(most * 1.08 * 2) / 2;
  const x = (hours: number) => left + 16 + (Math.sqrt(hours) / Math.sqrt(top2)) * (width - left - right - 34);
  const y = (chance: number) => top + (1 - up(chance)) * (height - top - bottom);
  const chanceAt = (py: number) => {
    const share = Math.min(1, Math.max(0, 1 - (py - top) / (height - top - bottom)));
    return Math.min(0.95, Math.max(0.005, share * share));
  };
  const placed = apart(options.map((option) => ({ option, x: x(option.hours), y: y(option.out) })));
  const drag = (event: PointerEvent<SVGGElement>) => {
    if (event.buttons !== 1) return;
    const corner = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (corner) onLine(rounded(chanceAt(event.clientY - corner.top)));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowUp: 1.25, ArrowRight: 1.25, ArrowDown: 0.8, ArrowLeft: 0.8 }[event.key];
    if (!by) return;
    event.preventDefault();
    onLine(rounded(Math.min(0.95, Math.max(0.005, line * by))));
  };
  const hours = [0, 0.25, 1, 2, 4, 8, 16, 32].filter((h) => h <= top2);
  return (
    <Box ref={box} sx={{ minWidth: 0, touchAction: "pan-y" }}>
      <svg
        width={width}
        height={height}
        role="group"
        aria-label="Each way by its hours a year and the chance that it gets out"
      >
        <rect
          x={left}
          y={y(1)}
          width={width - left - right}
          height={y(line) - y(1)}
          fill="var(--brambleWash)"
          opacity={0.7}
        />
        <rect
          x={left}
          y={y(1)}
          width={width - left - right}
          height={y(0) - y(1)}
          fill="none"
          stroke="var(--rule)"
        />
        {ticks.map(([chance, words]) => (
          <g key={words} aria-hidden>
            <line
              x1={left}
              x2={width - right}
              y1={y(chance)}
              y2={y(chance)}
              stroke="var(--rule)"
              strokeDasharray="2 4"
            />
            <text x={left - 8} y={y(chance) + 4} textAnchor="end" fontSize={13} fill="var(--softInk)">
              {words}
            </text>
          </g>
        ))}
        {hours.map((h) => (
          <text
            key={h}
            x={x(h)}
            y={height - 20}
            textAnchor="middle"
            fontSize={13}
            fill="var(--softInk)"
            aria-hidden
          >
            {h === 0.25 ? "¼" : h}
          </text>
        ))}
        <text
          x={(left + width) / 2}
          y={height - 4}
          textAnchor="middle"
          fontSize={13}
          fill="var(--softInk)"
          aria-hidden
        >
          hours a year
        </text>
        <g
          role="slider"
          tabIndex={0}
          aria-label="Your line: the chance below which it is to be kept"
          aria-valuemin={0.5}
          aria-valuemax={95}
          aria-valuenow={Math.round(line * 1000) / 10}
          aria-valuetext={`1 in ${Math.round(1 / line)}`}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={drag}
          onKeyDown={keys}
          style={{ cursor: "ns-resize", touchAction: "none" }}
        >
          <rect x={left} y={y(line) - 12} width={width - left - right} height={24} fill="transparent" />
          <line
            x1={left}
            x2={width - right}
            y1={y(line)}
            y2={y(line)}
            stroke="var(--bramble)"
            strokeWidth={2.4}
          />
          <path
            d={`M${width - right - 9} ${y(line) - 3}l5 -6l5 6zM${width - right - 9} ${y(line) + 3}l5 6l5 -6z`}
            fill="var(--bramble)"
          />
        </g>
        {placed.map(({ option, x: px, y: py }) => {
          const key = keyOf(option);
          const is = key === chosen;
          return (
            <g
              key={key}
              role="button"
              tabIndex={0}
              aria-pressed={is}
              aria-label={`${option.words}: ${option.work}, out ${there ? "still in" : "within"} ten years ${option.outWords}`}
              onClick={() => onChoose(key)}
              onKeyDown={(event) => {
                if (event.key !== "Enter" && event.key !== " ") return;
                event.preventDefault();
                onChoose(key);
              }}
              style={{ cursor: "pointer" }}
            >
              <circle
                cx={px}
                cy={py}
                r={is ? 15 : 13}
                fill="var(--card)"
                stroke={is ? "var(--bramble)" : "var(--ink)"}
                strokeWidth={is ? 3.2 : 1.4}
              />
              <g transform={`translate(${px - 9} ${py - 9})`}>
                <WayMark way={option.ways[0] ?? ""} several={option.ways.length > 1} />
              </g>
            </g>
          );
        })}
        {named(placed, width).map(({ option, tx, ty, anchor }) => (
          <text
            key={keyOf(option)}
            x={tx}
            y={ty}
            fontSize={13.5}
            fontWeight={keyOf(option) === chosen ? 700 : 400}
            textAnchor={anchor}
            stroke="var(--card)"
            strokeWidth={3}
            paintOrder="stroke"
            fill="var(--ink)"
            pointerEvents="none"
            aria-hidden
          >
            {option.words}
          </text>
        ))}
      </svg>
    </Box>
  );
}

const rounded = (chance: number) =>
  chance < 0.1 ? Math.round(chance * 200) / 200 : Math.round(chance * 50) / 50;

interface Placed {
  option: Option;
  x: number;
  y: number;
}

/** apart moves points that lie on each other a little to the right. */
function apart(points: Placed[]): Placed[] {
  const placed: Placed[] = [];
  for (const point of [...points].sort((a, b) => a.x - b.x)) {
    let x = point.x;
    while (placed.some((other) => Math.hypot(other.x - x, other.y - point.y) < 27)) x += 4;
    placed.push({ ...point, x });
  }
  return placed;
}

interface Named {
  option: Option;
  tx: number;
  ty: number;
  anchor: "start" | "end" | "middle";
}

/** named finds each point a place for its words where they lie over no other point and no other words. */
function named(placed: Placed[], width: number): Named[] {
  const boxes = placed.map((p) => ({ left: p.x - 15, right: p.x + 15, top: p.y - 15, bottom: p.y + 15 }));
  const all: Named[] = [];
  for (const p of placed) {
    const wide = p.option.words.length * 7.1 + 4;
    const tries = [
      { tx: p.x + 19, ty: p.y + 5, anchor: "start" as const, from: p.x + 19 },
      { tx: p.x - 19, ty: p.y + 5, anchor: "end" as const, from: p.x - 19 - wide },
      { tx: p.x, ty: p.y - 20, anchor: "middle" as const, from: p.x - wide / 2 },
      { tx: p.x, ty: p.y + 29, anchor: "middle" as const, from: p.x - wide / 2 },
      { tx: p.x + 12, ty: p.y - 20, anchor: "start" as const, from: p.x + 12 },
      { tx: p.x + 12, ty: p.y + 29, anchor: "start" as const, from: p.x + 12 },
      { tx: p.x - 12, ty: p.y + 29, anchor: "end" as const, from: p.x - 12 - wide },
      { tx: p.x - 12, ty: p.y - 20, anchor: "end" as const, from: p.x - 12 - wide },
    ];
    for (const one of tries) {
      const b = { left: one.from, right: one.from + wide, top: one.ty - 12, bottom: one.ty + 4 };
      if (b.left < left || b.right > width - 4 || b.top < 0 || b.bottom > height - bottom + 4) continue;
      if (boxes.some((o) => b.left < o.right && b.right > o.left && b.top < o.bottom && b.bottom > o.top))
        continue;
      boxes.push(b);
      all.push({ option: p.option, tx: one.tx, ty: one.ty, anchor: one.anchor });
      break;
    }
  }
  return all;
}
