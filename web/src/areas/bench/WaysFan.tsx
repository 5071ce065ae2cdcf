import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { addDays, daysBetween, monthNames } from "../../parts/dates";
import { useWidth } from "../../parts/useWidth";

type Way = Schemas["WayView"];

/** Room for the words at a line's end, and how far apart the ends of two lines are. */
const words = 214;
const between = 42;
const originX = 40;
/** No line is shorter, however soon it is ready: its end has to stand clear of today. */
const shortest = 40;

interface Props {
  ways: Schemas["WaysView"];
  chosen: string;
  onChoose: (key: string) => void;
}

/**
 * WaysFan draws each way as a line from today to the day it is ready, its doubt as the line's widening end, and on from
 * there to its first harvest. The same ways stand as a list below for keyboard and reading aloud.
 */
export function WaysFan({ ways, chosen, onChoose }: Props) {
  const [box, width] = useWidth(690);
  const drawn = ways.ways.filter((way) => way.drawn.length === 3 && way.possible);
  if (drawn.length === 0) return null;
  const height = Math.max(220, drawn.length * between + 70);
  const originY = (height - 26) / 2 + 8;
  const until = drawn.map(lastOf).reduce((a, b) => (a > b ? a : b));
  const reach = width - originX - words - 14;
  const days = Math.max(60, daysBetween(ways.from, until));
  const out = (day: string) =>
    Math.min(reach, shortest + (daysBetween(ways.from, day) / days) * (reach - shortest));
  const lines = fanned(drawn).map((way, index, all) => {
    const y = (index - (all.length - 1) / 2) * between;
    return { way, y, angle: Math.atan2(y, reach) };
  });
  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${drawn.length} ways, from today to when each is ready`}
      >
        {ticksOf(ways.from, until).map((tick) => (
          <Arc key={tick.day} radius={out(tick.day)} tick={tick} y={originY} height={height} />
        ))}
        {lines.map(({ way, angle, y }) => (
          <Line
            key={way.key}
            way={way}
            angle={angle}
            label={{ x: originX + reach + 12, y: originY + y }}
            out={out}
            y={originY}
            chosen={way.key === chosen}
            onChoose={() => onChoose(way.key)}
          />
        ))}
        <circle cx={originX} cy={originY} r={7} fill="var(--bramble)" />
        <text
          x={originX}
          y={originY + 25}
          textAnchor="middle"
          fontSize={13}
          fontWeight={700}
          fill="var(--bramble)"
        >
          today
        </text>
      </svg>
    </Box>
  );
}

/** lastOf is the last day that a way's line reaches: its first harvest, or the end of its doubt. */
const lastOf = (way: Way) => {
  const ready = way.drawn[2] ?? "";
  const harvest = harvestOf(way);
  return harvest > ready ? harvest : ready;
};

const harvestOf = (way: Way) =>
  way.harvests
    .map((one) => one.on)
    .filter((on) => on > "1900")
    .reduce((a, b) => (a === "" || b < a ? b : a), "");

/** fanned puts the longest lines outside and the shortest in the middle. */
function fanned(ways: Way[]) {
  const byLength = [...ways].sort((a, b) => lastOf(b).localeCompare(lastOf(a)));
  const above = byLength.filter((_, i) => i % 2 === 0);
  const below = byLength.filter((_, i) => i % 2 === 1).reverse();
  return [...above, ...below];
}

interface Tick {
  day: string;
  words: string;
  strong: boolean;
}

/** ticksOf are the days named on the fan: quarters of a year where it reaches far, else months. */
function ticksOf(from: string, until: string): Tick[] {
  const days = daysBetween(from, until);
  const step = days > 900 ? 12 : days > 420 ? 6 : days > 200 ? 3 : 1;
  const ticks = [];
  for (let day = `${from.slice(0, 7)}-01`; day <= until; day = `${addDays(day, 32).slice(0, 7)}-01`) {
    const month = Number(day.slice(5, 7)) - 1;
    if (day > from && month % step === 0)
      ticks.push({
        day,
        words: month === 0 ? day.slice(0, 4) : (monthNames[month] ?? "").slice(0, 3),
        strong: month === 0,
      });
  }
  return ticks;
}

function Arc({ radius, tick, y, height }: { radius: number; tick: Tick; y: number; height: number }) {
  const half = Math.min(height / 2 - 22, radius * 0.99);
  const x = Math.sqrt(Math.max(0, radius * radius - half * half));
  return (
    <g aria-hidden>
      <path
        d={`M${originX + x} ${y - half} A${radius} ${radius} 0 0 1 ${originX + x} ${y + half}`}
        fill="none"
        stroke={tick.strong ? "var(--softInk)" : "var(--rule)"}
        strokeWidth={tick.strong ? 1.2 : 1.4}
        strokeDasharray={tick.strong ? undefined : "2 4"}
      />
      <text x={originX + x + 4} y={y + half + 13} fontSize={12.5} textAnchor="middle" fill="var(--softInk)">
        {tick.words}
      </text>
    </g>
  );
}

interface LineProps {
  way: Way;
  angle: number;
  /** Where its words stand: every line, gone on with, leads to its own. */
  label: { x: number; y: number };
  out: (day: string) => number;
  y: number;
  chosen: boolean;
  onChoose: () => void;
}

const dashes: Record<string, string | undefined> = { seed: "1 6", volunteers: "9 5", bought: "2 4 9 4" };

function Line({ way, angle, label, out, y, chosen, onChoose }: LineProps) {
  const [early = "", middle = "", late = ""] = way.drawn;
  const near = out(early);
  const far = Math.max(out(late), near + 6);
  const wide = 4 + (far - near) * 0.12;
  const harvest = harvestOf(way);
  const end = harvest > late ? out(harvest) : far;
  const colour = chosen ? "var(--bramble)" : way.advised ? "var(--leaf)" : "var(--softInk)";
  const { x, y: at } = label;
  const whole = Math.hypot(x - originX, at - y) - 10;
  const cost = way.money.startsWith("price") ? "price not told" : way.money;
  return (
    <g onClick={onChoose} style={{ cursor: "pointer" }} aria-hidden>
      <g transform={`translate(${originX} ${y}) rotate(${(angle * 180) / Math.PI})`}>
        <path d={`M0 0 H${whole}`} stroke="transparent" strokeWidth={24} />
        <path d={`M${end + 8} 0 H${Math.max(whole, end + 8)}`} stroke="var(--rule)" strokeWidth={1} />
        <path
          d={`M0 0 H${near}`}
          stroke={colour}
          strokeWidth={chosen ? 4.5 : 2.4}
          strokeDasharray={dashes[way.way]}
          strokeLinecap="round"
        />
        <path
          d={`M${near} -2 L${far} ${-wide} Q${far + wide * 0.8} 0 ${far} ${wide} L${near} 2Z`}
          fill={colour}
          opacity={0.8}
        />
        <path d={`M${out(middle)} ${-wide - 2} V${wide + 2}`} stroke="var(--paper)" strokeWidth={2} />
        {end > far && (
          <>
            <path d={`M${far + 5} 0 H${end}`} stroke={colour} strokeWidth={1.3} strokeDasharray="3 4" />
            <path
              d={`M${end - 7} 0 C${end - 4} -7 ${end + 4} -6 ${end + 6} 0 C${end + 4} 6 ${end - 4} 7 ${end - 7} 0Z`}
              fill="var(--card)"
              stroke={colour}
              strokeWidth={1.6}
            />
          </>
        )}
      </g>
      <rect
        x={x - 4}
        y={at - 17}
        width={words}
        height={36}
        fill={chosen ? "var(--brambleWash)" : "transparent"}
        rx={3}
      />
      <text x={x} y={at - 2} fontSize={14} fontWeight={700} fill="var(--ink)">
        {way.title} {way.chanceIs}
      </text>
      <text x={x} y={at + 14} fontSize={12.5} fill="var(--softInk)">
        {way.where === "in place" ? "" : `${way.where} · `}
        {cost} · {way.hours}
      </text>
    </g>
  );
}
