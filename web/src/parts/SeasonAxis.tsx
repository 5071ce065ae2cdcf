import { daysBetween, monthsOf } from "./dates";

/** Axis places days of a season across a width. */
export interface Axis {
  start: string;
  end: string;
  left: number;
  width: number;
}

export const place = (axis: Axis, day: string) => {
  const share = daysBetween(axis.start, day) / (daysBetween(axis.start, axis.end) + 1);
  return axis.left + Math.min(1, Math.max(0, share)) * axis.width;
};

/** SeasonAxis draws the months as rules over a height, with their names on top. */
export function SeasonAxis({ axis, height }: { axis: Axis; height: number }) {
  return (
    <g aria-hidden>
      {monthsOf(axis.start, axis.end).map((month) => (
        <g key={month.first} transform={`translate(${place(axis, month.first)} 0)`}>
          <path d={`M0 4 V${height}`} stroke="var(--rule)" strokeWidth={1} />
          <text x={4} y={14} fontSize={12.5} fill="var(--softInk)">
            {month.name.slice(0, 3)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** DayLine marks a day over a height. */
export function DayLine({
  axis,
  day,
  height,
  shown = false,
}: {
  axis: Axis;
  day: string;
  height: number;
  shown?: boolean;
}) {
  if (day < axis.start || day > axis.end) return null;
  return (
    <path
      d={`M${place(axis, day)} 18 V${height}`}
      stroke={shown ? "var(--ink)" : "var(--bramble)"}
      strokeWidth={shown ? 1.5 : 2}
      strokeDasharray={shown ? "5 4" : undefined}
      aria-hidden
    />
  );
}
