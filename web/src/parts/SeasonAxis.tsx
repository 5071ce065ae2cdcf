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

/** SeasonAxis draws the months as rules over a height, with their names on top unless they stand elsewhere. */
export function SeasonAxis({ axis, height, named = true }: { axis: Axis; height: number; named?: boolean }) {
  return (
    <g aria-hidden>
      {monthsOf(axis.start, axis.end).map((month) => (
        <g key={month.first} transform={`translate(${place(axis, month.first)} 0)`}>
          <path d={`M0 ${named ? 4 : 0} V${height}`} stroke="var(--rule)" strokeWidth={1} />
          {named && (
            <text x={4} y={14} fontSize={12.5} fill="var(--softInk)">
              {month.name.slice(0, axis.width > 400 ? 3 : 1)}
            </text>
          )}
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
  top = 18,
}: {
  axis: Axis;
  day: string;
  height: number;
  shown?: boolean;
  top?: number;
}) {
  if (day < axis.start || day > axis.end) return null;
  return (
    <path
      d={`M${place(axis, day)} ${top} V${height}`}
      stroke={shown ? "var(--ink)" : "var(--bramble)"}
      strokeWidth={shown ? 1.5 : 2}
      strokeDasharray={shown ? "5 4" : undefined}
      aria-hidden
    />
  );
}
