import { Box } from "@mui/material";
import { useRef, useState, type PointerEvent } from "react";

import type { Schemas } from "../../api/client";
import { addDays, daysBetween, monthNames } from "../../parts/dates";
import { useWidth } from "../../parts/useWidth";
import { StepMark } from "./StepMark";

type Bench = Schemas["BenchView"];
type Batch = Schemas["BatchView"];
type Shelf = Schemas["ShelfView"];

const rowHeight = 25;
const board = 20;
const gap = 7;
const head = 36;
const ground = 44;
/** A week is never narrower: what stands in it could not be told. */
const leastWeek = 25;

interface Props {
  bench: Bench;
  chosen: number;
  onChoose: (batch: number) => void;
  /** Something that is planned was dragged to begin on another day. */
  onDrag: (batch: Batch, stay: number, from: string) => void;
}

/** Room that nothing takes in all the weeks is drawn as one low band. */
const spareHeight = 17;

/** rowsOf is how many rows of a shelf anything takes in the weeks that are shown. */
const rowsOf = (shelf: Shelf, batches: Batch[]) =>
  Math.max(
    0,
    ...batches
      .flatMap((b) => b.stays.filter((s) => s.placeId === shelf.id).flatMap((s) => s.rows))
      .map((r) => r + 1),
    ...shelf.kept.flatMap((k) => k.rows).map((r) => r + 1),
  );

/**
 * BenchPicture is the shelves in section, week by week: each tray a block that moves from shelf to shelf as it grows. The
 * same batches stand as a list beside it for keyboard and reading aloud.
 */
export function BenchPicture({ bench, chosen, onChoose, onDrag }: Props) {
  const [box, width] = useWidth(760);
  const [dragged, setDragged] = useState<{ batch: number; days: number }>();
  const held = useRef<{ x: number; batch: Batch }>(undefined);
  const weeks = Math.min(bench.weeks, Math.max(8, Math.floor(width / leastWeek)));
  const weekWidth = width / weeks;
  const first =
    weeks < bench.weeks ? addDays(bench.today, -14 - ((weekdayOf(bench.today) + 6) % 7)) : bench.first;
  const x = (day: string) => Math.max(-40, Math.min(width + 40, (daysBetween(first, day) / 7) * weekWidth));
  const shown = bench.shelves.map((shelf) => {
    const rows = rowsOf(shelf, bench.batches);
    return { shelf, rows, spare: shelf.trays > rows ? spareHeight : 0 };
  });
  const tops: number[] = [];
  let y = head;
  for (const one of shown) {
    tops.push(y);
    y += one.spare + one.rows * rowHeight + board + gap;
  }
  y += 12; // the leaves of what goes out stand clear of the last board
  const height = y + ground;
  const topOf = (placeId: number) => tops[shown.findIndex((one) => one.shelf.id === placeId)] ?? 0;
  const rowY = (placeId: number, row: number) => {
    const at = shown.findIndex((one) => one.shelf.id === placeId);
    // Rows are counted from the board up: what is nearest the board stands on it.
    const { rows, spare } = shown[at] ?? { rows: 1, spare: 0 };
    return (tops[at] ?? 0) + spare + (rows - 1 - row) * rowHeight;
  };

  const grab = (event: PointerEvent<SVGGElement>, batch: Batch) => {
    onChoose(batch.id);
    if (batch.begun || event.pointerType === "touch") return;
    held.current = { x: event.clientX, batch };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const drag = (event: PointerEvent<SVGGElement>) => {
    if (!held.current) return;
    const days = Math.round(((event.clientX - held.current.x) / weekWidth) * 7);
    setDragged(days === 0 ? undefined : { batch: held.current.batch.id, days });
  };
  const drop = () => {
    const batch = held.current?.batch;
    const days = dragged?.days ?? 0;
    held.current = undefined;
    setDragged(undefined);
    const from = batch?.stays[0]?.from;
    if (batch && from && days !== 0) onDrag(batch, 0, addDays(from, days));
  };

  return (
    <Box ref={box} sx={{ minWidth: 0, overflow: "hidden" }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`The shelves over ${weeks} weeks: ${bench.words}`}
        style={{ display: "block", touchAction: "pan-y" }}
      >
        <StepMark.Defs />
        <Weeks first={first} weeks={weeks} weekWidth={weekWidth} height={height - ground} />
        <Today x={x(bench.today)} height={height - ground} />
        {shown.map(({ shelf, rows, spare }) => (
          <ShelfSection
            key={shelf.id}
            shelf={shelf}
            top={topOf(shelf.id)}
            rows={rows}
            spare={spare}
            width={width}
            x={x}
            rowY={(row) => rowY(shelf.id, row)}
          />
        ))}
        <Ground top={y} width={width} />
        {bench.batches.map((batch) => (
          <Runners key={batch.id} batch={batch} x={x} rowY={rowY} bottom={y} strong={batch.id === chosen} />
        ))}
        {bench.batches
          .filter((batch) => batch.fits)
          .map((batch) => (
            <g
              key={batch.id}
              onPointerDown={(event) => grab(event, batch)}
              onPointerMove={drag}
              onPointerUp={drop}
              style={{ cursor: batch.begun ? "pointer" : "ew-resize" }}
              transform={
                dragged?.batch === batch.id ? `translate(${(dragged.days / 7) * weekWidth} 0)` : undefined
              }
              opacity={dragged?.batch === batch.id ? 0.6 : 1}
            >
              {batch.stays.map((stay) => (
                <Trays
                  key={stay.step + stay.from}
                  batch={batch}
                  stay={stay}
                  x={x}
                  rowY={rowY}
                  chosen={batch.id === chosen}
                />
              ))}
              <Name batch={batch} x={x} rowY={rowY} width={width} />
            </g>
          ))}
        <Today x={x(bench.today)} height={height - ground} front />
        {bench.batches.map((batch) => (
          <OutMark
            key={batch.id}
            batch={batch}
            x={x(batch.out)}
            top={y}
            width={width}
            chosen={batch.id === chosen}
          />
        ))}
      </svg>
    </Box>
  );
}

const weekdayOf = (day: string) => new Date(`${day}T00:00:00Z`).getUTCDay();

interface WeeksProps {
  first: string;
  weeks: number;
  weekWidth: number;
  height: number;
}

function Weeks({ first, weeks, weekWidth, height }: WeeksProps) {
  return (
    <g aria-hidden>
      {Array.from({ length: weeks }, (_, i) => {
        const day = addDays(first, i * 7);
        const begins = i === 0 || Number(day.slice(8)) <= 7;
        return (
          <g key={day} transform={`translate(${i * weekWidth} 0)`}>
            <path
              d={`M0 ${begins ? 4 : 22} V${height}`}
              stroke="var(--rule)"
              strokeWidth={begins ? 1.2 : 0.5}
            />
            {begins && i < weeks - 1 && (
              <text x={4} y={14} fontSize={13.5} fontWeight={700} fill="var(--ink)">
                {(monthNames[Number(day.slice(5, 7)) - 1] ?? "").slice(0, weekWidth * 4 > 90 ? 9 : 3)}
              </text>
            )}
            <text x={3} y={30} fontSize={12} fill="var(--softInk)">
              {Number(day.slice(8))}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Today is a line behind all that stands, and faint before it: words that it crosses stay readable. */
function Today({ x, height, front = false }: { x: number; height: number; front?: boolean }) {
  if (front)
    return (
      <path
        d={`M${x} 36 V${height}`}
        stroke="var(--bramble)"
        strokeWidth={1.2}
        opacity={0.3}
        style={{ pointerEvents: "none" }}
        aria-hidden
      />
    );
  return (
    <g aria-hidden style={{ pointerEvents: "none" }}>
      <path d={`M${x} 20 V${height}`} stroke="var(--bramble)" strokeWidth={2.2} />
      <rect x={x - 24} y={17} width={48} height={17} rx={2} fill="var(--bramble)" />
      <text x={x} y={30} fontSize={12.5} fontWeight={700} textAnchor="middle" fill="var(--onBramble)">
        today
      </text>
    </g>
  );
}

interface ShelfProps {
  shelf: Shelf;
  top: number;
  rows: number;
  spare: number;
  width: number;
  x: (day: string) => number;
  rowY: (row: number) => number;
}

/** ShelfSection is a place from the side: its room, what food keeps of it, and its board with its name. */
function ShelfSection({ shelf, top, rows, spare, width, x, rowY }: ShelfProps) {
  const boardY = top + spare + rows * rowHeight;
  return (
    <g aria-hidden>
      {Array.from({ length: rows }, (_, row) => (
        <path
          key={row}
          d={`M0 ${top + spare + (row + 1) * rowHeight} H${width}`}
          stroke="var(--rule)"
          strokeWidth={0.7}
          strokeDasharray={rows - 1 - row >= shelf.trays ? "3 3" : undefined}
        />
      ))}
      {spare > 0 && (
        <text x={width - 8} y={top + 13} fontSize={12.5} textAnchor="end" fill="var(--softInk)">
          {rows === 0 ? "empty in all these weeks" : `room for ${shelf.trays - rows} more in all these weeks`}
        </text>
      )}
      {shelf.kind === "cold house" && (
        <path
          d={`M0 ${top + 2} L${width / 2} ${top - 5} L${width} ${top + 2}`}
          fill="none"
          stroke="var(--water)"
          strokeWidth={1.5}
        />
      )}
      {shelf.kept.map((kept) => {
        const left = Math.max(0, x(kept.from));
        const right = Math.min(width, x(kept.until));
        const high = kept.rows.length > 0 ? Math.max(...kept.rows) : 0;
        const low = kept.rows.length > 0 ? Math.min(...kept.rows) : 0;
        const tall = (high - low + 1) * rowHeight;
        return right - left < 4 ? null : (
          <g key={`${kept.id}${kept.from}`} transform={`translate(${left} ${rowY(high)})`}>
            <rect
              width={right - left}
              height={tall - 2}
              fill="url(#bench-kept)"
              stroke="var(--straw)"
              strokeDasharray="5 3"
            />
            <text x={6} y={16} fontSize={12.5} fontWeight={600} fill="var(--ink)" {...halo}>
              {fitted(`kept for ${kept.name}`, right - left - 8)}
            </text>
          </g>
        );
      })}
      <rect x={0} y={boardY} width={width} height={board} fill="var(--soil)" />
      <path d={`M0 ${boardY} H${width} M0 ${boardY + board} H${width}`} stroke="var(--ink)" strokeWidth={1} />
      <text x={8} y={boardY + 14.5} fontSize={13.5} fill="var(--ink)">
        <tspan fontWeight={700}>{shelf.name}</tspan>
        <tspan dx={8}>{shelf.words}</tspan>
      </text>
      {shelf.full && width > 640 && (
        <text
          x={width - 8}
          y={boardY + 14.5}
          fontSize={13}
          fontWeight={700}
          textAnchor="end"
          fill="var(--ink)"
        >
          {shelf.full}
        </text>
      )}
    </g>
  );
}

const halo = {
  paintOrder: "stroke",
  stroke: "var(--card)",
  strokeWidth: 4,
  strokeLinejoin: "round",
} as const;

/** fitted is as much of a text as a width holds, at the size of a tray's name. */
function fitted(text: string, width: number) {
  const letters = Math.floor(width / 7);
  if (text.length <= letters) return text;
  return letters < 3 ? "" : `${text.slice(0, letters - 1).trimEnd()}…`;
}

interface TraysProps {
  batch: Batch;
  stay: Schemas["StayView"];
  x: (day: string) => number;
  rowY: (placeId: number, row: number) => number;
  chosen: boolean;
}

/** Trays are a batch's trays in one place: soil, and above it what the step looks like. */
function Trays({ batch, stay, x, rowY, chosen }: TraysProps) {
  const left = Math.max(-2, x(stay.from));
  const width = Math.max(6, x(stay.until) - left);
  if (x(stay.until) < 0) return null;
  return (
    <>
      {stay.rows.map((row) => (
        <g key={row} transform={`translate(${left} ${rowY(stay.placeId, row) + 2})`}>
          <rect
            width={width - 1.5}
            height={rowHeight - 3}
            fill={chosen ? "var(--brambleWash)" : "var(--card)"}
            stroke={chosen ? "var(--bramble)" : "var(--softInk)"}
            strokeWidth={chosen ? 2 : 0.8}
            strokeDasharray={batch.begun ? undefined : "4 3"}
            rx={2}
          />
          <rect x={1} y={rowHeight - 9} width={Math.max(0, width - 3.5)} height={5} fill="var(--soil)" />
          <rect width={width - 1.5} height={rowHeight - 9} fill={`url(#bench-${stay.step})`} />
        </g>
      ))}
    </>
  );
}

/** Name stands on a batch's first tray in sight, over as much of its way as lies in that row. */
function Name({ batch, x, rowY, width }: Pick<TraysProps, "batch" | "x" | "rowY"> & { width: number }) {
  const first = batch.stays.find((stay) => stay.rows.length > 0 && x(stay.until) > 24);
  if (!first || x(first.from) > width - 24) return null;
  const row = first.rows[0] ?? 0;
  const along = batch.stays.filter((stay) => stay.placeId === first.placeId && stay.rows.includes(row));
  const left = Math.max(0, x(first.from));
  const right = Math.min(width, Math.max(...along.map((stay) => x(stay.until))));
  return (
    <g transform={`translate(${left} ${rowY(first.placeId, row) + 2})`}>
      <text x={5} y={14} fontSize={12.5} fontWeight={700} fill="var(--ink)" {...halo}>
        {fitted(batch.name, right - left - 6)}
      </text>
    </g>
  );
}

interface RunnersProps {
  batch: Batch;
  x: (day: string) => number;
  rowY: (placeId: number, row: number) => number;
  bottom: number;
  strong: boolean;
}

/** Runners lead a batch from shelf to shelf and out; those of others stay faint. */
function Runners({ batch, x, rowY, bottom, strong }: RunnersProps) {
  if (!batch.fits) return null;
  const points = batch.stays
    .filter((stay) => stay.rows.length > 0)
    .map((stay) => ({
      from: x(stay.from),
      until: x(stay.until),
      y: rowY(stay.placeId, stay.rows[0] ?? 0) + rowHeight / 2,
    }));
  const paths = points.map((point, i) => {
    const next = points[i + 1];
    return next
      ? `M${point.until - 2} ${point.y} C${point.until + 8} ${point.y} ${next.from - 8} ${next.y} ${next.from} ${next.y}`
      : `M${point.until - 2} ${point.y} C${point.until + 10} ${point.y + 14} ${x(batch.out)} ${bottom - 24} ${x(batch.out)} ${bottom + 4}`;
  });
  return (
    <path
      d={paths.join("")}
      fill="none"
      stroke="var(--bramble)"
      strokeWidth={strong ? 2.2 : 1}
      opacity={strong ? 1 : 0.22}
      aria-hidden
    />
  );
}

function Ground({ top, width }: { top: number; width: number }) {
  return (
    <g aria-hidden>
      <path
        d={`M0 ${top + 8} Q${width / 8} ${top} ${width / 4} ${top + 7} T${width / 2} ${top + 6} T${width * 0.75} ${top + 8} T${width} ${top + 5} V${top + ground} H0Z`}
        fill="var(--soil)"
      />
      <text x={8} y={top + 28} fontSize={13.5} fontWeight={700} fill="var(--ink)">
        Out
      </text>
      <text x={8} y={top + 41} fontSize={12} fill="var(--ink)">
        into the beds
      </text>
    </g>
  );
}

/** OutMark is where a batch goes out: a sprig on the ground, named for the chosen one. */
function OutMark({
  batch,
  x,
  top,
  width,
  chosen,
}: {
  batch: Batch;
  x: number;
  top: number;
  width: number;
  chosen: boolean;
}) {
  if (x < 4 || x > width - 4 || !batch.fits) return null;
  const anchor = x > width - 90 ? "end" : x < 150 ? "start" : "middle";
  return (
    <g aria-hidden>
      <path
        d={`M${x} ${top + 8} v-13 m0 5 q-8 -1 -8 -8 q8 0 8 8 q8 -1 8 -8 q-8 0 -8 8`}
        fill="var(--leaf)"
        stroke="var(--leaf)"
        strokeWidth={chosen ? 2 : 1.2}
        opacity={chosen ? 1 : 0.7}
      />
      {chosen && (
        <text x={x} y={top + 30} fontSize={13} fontWeight={700} textAnchor={anchor} fill="var(--ink)">
          {batch.bed || "no bed yet"} · {Number(batch.out.slice(8))}{" "}
          {monthNames[Number(batch.out.slice(5, 7)) - 1]}
        </text>
      )}
    </g>
  );
}
