import type { Schemas } from "../../../api/client";
import { addDays, dayMonth } from "../../../parts/dates";
import { xAt, type Across } from "./field";

interface Props {
  name: string;
  trough: Schemas["Trough"];
  across: Across;
  /** Says an amount of it. */
  words: (amount: number) => string;
}

const height = 62;
const rim = 12;

/** Trough is a means over the days: water stands in it as high as it is used, full where nothing is left. */
export function Trough({ name, trough, across, words }: Props) {
  const most = Math.max(trough.most, 1e-6);
  const y = (amount: number) => height - 2 - (Math.min(amount, most) / most) * (height - rim - 4);
  const used = trough.used.slice(0, across.days);
  const water = used
    .map((amount, day) => `L${xAt(across, day)} ${y(amount)}L${xAt(across, day + 1)} ${y(amount)}`)
    .join("");
  const of = trough.of.slice(0, across.days);
  const full = of.map((there, day) => there > 0 && (used[day] ?? 0) >= 0.95 * there);
  const peak = used.reduce((best, amount, day) => (amount > (used[best] ?? 0) ? day : best), 0);
  const told = trough.full.length > 0 ? `; full ${trough.full.join(", ")}` : "";
  return (
    <svg
      width={across.width}
      height={height}
      role="img"
      style={{ display: "block" }}
      aria-label={`${name}: most on ${dayMonth(addDays(across.first, peak))}, ${words(used[peak] ?? 0)}${told}`}
    >
      <rect x={0} y={rim - 4} width={across.width} height={height - rim + 4} fill="var(--card)" />
      {of.length > 0 && (
        <path
          d={`M0 ${height}${of.map((there, day) => `L${xAt(across, day)} ${y(there)}L${xAt(across, day + 1)} ${y(there)}`).join("")}L${across.width} ${height}Z`}
          fill="var(--lichen)"
          fillOpacity={0.18}
        />
      )}
      <path
        d={`M0 ${height - 2}${water}L${across.width} ${height - 2}Z`}
        fill="var(--water)"
        fillOpacity={0.55}
        stroke="var(--water)"
        strokeWidth={1.2}
      />
      {full.map((is, day) =>
        is ? (
          <path
            key={day}
            d={`M${xAt(across, day)} ${y(of[day] ?? 0) - 2}H${xAt(across, day + 1)}`}
            stroke="var(--clay)"
            strokeWidth={3}
          />
        ) : null,
      )}
      <path
        d={`M1.5 ${rim - 4}V${height - 1.5}H${across.width - 1.5}V${rim - 4}`}
        fill="none"
        stroke="var(--softInk)"
        strokeWidth={3}
      />
    </svg>
  );
}
