import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

import { addDays, dayMonth, daysBetween, monthsOf } from "../../../parts/dates";
import {
  acrossOf,
  dayAt,
  headHeight,
  keyOf,
  leafSize,
  leastTarget,
  rowHeight,
  usable,
  x,
  xAt,
} from "./field";
import type { Across, Pick, PlanView, Stand } from "./field";
import { Leaf } from "./Leaf";

export interface Chosen {
  stand: Stand;
  pick: Pick;
}

interface Props {
  view: PlanView;
  width: number;
  chosen: Chosen | undefined;
  /** The day that the chosen picking is being moved to; empty for none. */
  moving: string;
  onChoose: (chosen: Chosen) => void;
  onMove: (chosen: Chosen, day: string) => void;
}

/** Field is the season as days and stands: a hill is a stand's good days, a leaf a picking; a leaf can be drawn to another day. */
export function Field({ view, width, chosen, moving, onChoose, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<{ chosen: Chosen; day: string }>();
  const across = acrossOf(view, width);
  const standing = usable(view);
  const height = headHeight + standing.length * rowHeight;
  const most = new Map<string, number>();
  view.stands.forEach((stand) =>
    stand.picks.forEach((pick) =>
      most.set(stand.product, Math.max(pick.grams, most.get(stand.product) ?? 0)),
    ),
  );
  const dayOf = (event: PointerEvent) =>
    dayAt(across, event.clientX - (svg.current?.getBoundingClientRect().left ?? 0));
  const onDown = (one: Chosen) => (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    onChoose(one);
    setDrawn({ chosen: one, day: one.pick.day });
  };
  const onDrag = (event: PointerEvent<SVGGElement>) => {
    if (drawn) setDrawn({ ...drawn, day: dayOf(event) });
  };
  const onUp = () => {
    if (drawn && drawn.day !== drawn.chosen.pick.day) onMove(drawn.chosen, drawn.day);
    setDrawn(undefined);
  };
  const onKey = (one: Chosen) => (event: KeyboardEvent) => {
    const from = keyOf(one.stand, one.pick.day) === chosenKey && moving ? moving : one.pick.day;
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step) {
      event.preventDefault();
      onMove(one, addDays(from, step * (event.shiftKey ? 7 : 1)));
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      onChoose(one);
    }
  };
  const chosenKey = chosen && keyOf(chosen.stand, chosen.pick.day);
  const ghost = drawn ?? (chosen && moving ? { chosen, day: moving } : undefined);
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label="The season by stands and days"
      style={{ display: "block", touchAction: "pan-y" }}
    >
      <Months across={across} last={view.last} height={height} />
      <Away view={view} across={across} height={height} />
      <Wet view={view} across={across} />
      {standing.map((stand, row) => {
        const base = headHeight + (row + 1) * rowHeight;
        return (
          <g key={keyOf(stand)}>
            <path d={`M0 ${base + 0.5}H${width}`} stroke="var(--rule)" aria-hidden />
            {stand.refused === "" && <Hill good={stand.good} across={across} base={base} />}
            {stand.customs.map((custom) => (
              <path
                key={custom.words}
                d={`M${x(across, custom.day)} ${base - rowHeight + 4}v${rowHeight - 8}`}
                stroke="var(--bramble)"
                strokeWidth={1.5}
                strokeDasharray="1 3"
              >
                <title>{custom.words}</title>
              </path>
            ))}
            {view.against?.picks
              .filter((other) => other.plantingId === stand.plantingId && other.part === stand.part)
              .map((other) => (
                <Leaf key={other.day} x={x(across, other.day)} y={base - 3} height={24} faint />
              ))}
            {stand.picks.map((pick) => {
              const one = { stand, pick };
              const isChosen = keyOf(stand, pick.day) === chosenKey;
              const size = leafSize(pick, most.get(stand.product) ?? 1);
              const at = x(across, pick.day);
              return (
                <g
                  key={pick.day}
                  role="button"
                  tabIndex={0}
                  aria-pressed={isChosen}
                  aria-label={`${dayMonth(pick.day)}: ${stand.name}, ${stand.bed}, ${pick.amount}, ${pick.weight}${pick.tied ? ", tied" : ""}`}
                  onPointerDown={onDown(one)}
                  onPointerMove={onDrag}
                  onPointerUp={onUp}
                  onPointerCancel={() => setDrawn(undefined)}
                  onKeyDown={onKey(one)}
                  style={{ cursor: "grab", touchAction: "none" }}
                >
                  <rect
                    data-hit
                    x={at - leastTarget / 2}
                    y={base - rowHeight + 2}
                    width={leastTarget}
                    height={rowHeight - 3}
                    rx={3}
                    fill={isChosen ? "var(--card)" : "transparent"}
                    stroke={isChosen ? "var(--bramble)" : "none"}
                    strokeWidth={1.6}
                  />
                  <Leaf x={at} y={base - 4} height={size} tied={pick.tied} isNew={pick.isNew} />
                  <text
                    x={at + 9}
                    y={base - 5}
                    fontSize={12.5}
                    fontWeight={700}
                    fill="var(--ink)"
                    stroke="var(--paper)"
                    strokeWidth={3}
                    paintOrder="stroke"
                    pointerEvents="none"
                    aria-hidden
                  >
                    {hasRoom(stand, pick.day, across) ? pick.weight : ""}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
      {ghost && ghost.day !== ghost.chosen.pick.day && (
        <Ghost ghost={ghost} view={view} across={across} height={height} />
      )}
    </svg>
  );
}

/** hasRoom tells whether a picking's weight can stand beside its leaf, before the next one. */
const hasRoom = (stand: Stand, day: string, across: Across) => {
  const apart = 58;
  const next = stand.picks.find((other) => other.day > day);
  const until = next ? x(across, next.day) - leastTarget / 2 : across.width + 4;
  return until - x(across, day) > apart;
};

/** Hill is how good each day of a stand is. */
function Hill({ good, across, base }: { good: number[]; across: Across; base: number }) {
  const tall = rowHeight * 0.62;
  const runs: { from: number; until: number }[] = [];
  good.forEach((value, day) => {
    if (value <= 0) return;
    const last = runs.at(-1);
    if (last && last.until === day) last.until = day + 1;
    else runs.push({ from: day, until: day + 1 });
  });
  return (
    <g aria-hidden>
      {runs.map(({ from, until }) => (
        <path
          key={from}
          d={`M${xAt(across, from)} ${base}${good
            .slice(from, until)
            .map((value, i) => `L${xAt(across, from + i + 0.5)} ${base - value * tall}`)
            .join("")}L${xAt(across, until)} ${base}Z`}
          fill="var(--lichen)"
          fillOpacity={0.42}
        />
      ))}
    </g>
  );
}

function Months({ across, last, height }: { across: Across; last: string; height: number }) {
  const end = addDays(across.first, across.days - 1);
  return (
    <g aria-hidden>
      {monthsOf(across.first, end < last ? end : last).map((month, i) => {
        const at = i === 0 ? 0 : xAt(across, daysBetween(across.first, month.first));
        const room = across.width - at;
        return (
          <g key={month.first}>
            {i > 0 && <path d={`M${at} 0V${height}`} stroke="var(--rule)" />}
            {room > 30 && (i > 0 || daysBetween(month.first, `${month.first.slice(0, 8)}28`) > 12) && (
              <text x={at + 4} y={14} fontSize={14} fontWeight={700} fill="var(--ink)">
                {across.width > 420 ? month.name : month.name.slice(0, 3)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Wet are strokes of rain, the denser the likelier a day is wet. */
function Wet({ view, across }: { view: PlanView; across: Across }) {
  const step = Math.max(1, Math.ceil(across.days / (across.width / 5)));
  return (
    <g aria-hidden>
      {view.wet
        .slice(0, across.days)
        .map((chance, day) =>
          day % step === 0 ? (
            <path
              key={day}
              d={`M${xAt(across, day + 0.7)} 22l-2.5 10`}
              stroke="var(--water)"
              strokeWidth={1.2}
              opacity={Math.max(0.1, chance * 1.2)}
            />
          ) : null,
        )}
    </g>
  );
}

function Away({ view, across, height }: { view: PlanView; across: Across; height: number }) {
  return (
    <g aria-hidden>
      {view.away.slice(0, across.days).map((away, day) =>
        away ? (
          <g key={day}>
            <rect
              x={xAt(across, day)}
              y={headHeight - 6}
              width={across.width / across.days}
              height={height}
              fill="var(--softInk)"
              fillOpacity={0.13}
            />
            {!view.away[day - 1] && (
              <text x={xAt(across, day) + 2} y={headHeight + 8} fontSize={12.5} fill="var(--softInk)">
                away
              </text>
            )}
          </g>
        ) : null,
      )}
    </g>
  );
}

interface GhostProps {
  ghost: { chosen: Chosen; day: string };
  view: PlanView;
  across: Across;
  height: number;
}

/** Ghost is a picking on its way to another day. */
function Ghost({ ghost, view, across, height }: GhostProps) {
  const row = usable(view).findIndex((stand) => keyOf(stand) === keyOf(ghost.chosen.stand));
  const base = headHeight + (row + 1) * rowHeight;
  const at = x(across, ghost.day);
  const right = at > across.width - 110;
  return (
    <g pointerEvents="none">
      <path d={`M${at} ${headHeight - 4}V${height}`} stroke="var(--bramble)" strokeDasharray="2 3" />
      <Leaf x={at} y={base - 4} height={28} faint />
      <text
        x={right ? at - 8 : at + 8}
        y={base - 20}
        textAnchor={right ? "end" : "start"}
        fontSize={14}
        fontWeight={700}
        stroke="var(--paper)"
        strokeWidth={4}
        paintOrder="stroke"
        fill="var(--bramble)"
      >
        {dayMonth(ghost.day)}
      </text>
    </g>
  );
}
