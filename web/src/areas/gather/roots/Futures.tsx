import type { Schemas } from "../../../api/client";
import { useWidth } from "../../../parts/useWidth";

const height = 190;
const left = 30;
const right = 62;
const top = 10;
const foot = 24;
const dashes = ["", "7 4", "3 3", "1 4"];

/** Futures are how many plants stand over the years, by what share of those of age is lifted each year. */
export function Futures({ futures, plants }: { futures: Schemas["RootCourse"][]; plants: number }) {
  const [box, width] = useWidth(520);
  const years = (futures[0]?.middle.length ?? 1) - 1;
  const most = Math.max(plants, ...futures.flatMap((one) => one.high));
  const x = (year: number) => left + (year / years) * (width - left - right);
  const y = (n: number) => top + (1 - n / most) * (height - top - foot);
  // Names at the lines' ends, pushed apart where they would lie over each other.
  const ends = futures
    .map((one, i) => ({ name: one.name, i, at: y(one.middle[years] ?? 0) }))
    .sort((a, b) => a.at - b.at)
    .reduce<{ name: string; i: number; at: number }[]>((placed, one) => {
      const last = placed.at(-1);
      return [...placed, { ...one, at: last ? Math.max(one.at, last.at + 15) : one.at }];
    }, []);
  return (
    <div ref={box}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Plants over ${years} years. ${futures.map((one) => `${one.name}: ${one.words}`).join(". ")}`}
      >
        {futures.map((one, i) => (
          <path
            key={one.name}
            d={`M${one.low.map((n, year) => `${x(year)} ${y(n)}`).join("L")}L${one.high
              .map((n, year) => `${x(year)} ${y(n)}`)
              .reverse()
              .join("L")}Z`}
            fill={i === 0 ? "var(--leaf)" : i === 3 ? "var(--clay)" : "var(--straw)"}
            opacity={0.13}
          />
        ))}
        <path d={`M${left} ${y(plants)}H${width - right}`} stroke="var(--softInk)" strokeDasharray="2 4" />
        {futures.map((one, i) => (
          <path
            key={one.name}
            d={`M${one.middle.map((n, year) => `${x(year)} ${y(n)}`).join("L")}`}
            fill="none"
            stroke={i === 3 ? "var(--clay)" : "var(--ink)"}
            strokeWidth={2}
            strokeDasharray={dashes[i]}
          />
        ))}
        {ends.map((one) => (
          <text key={one.name} x={width - right + 5} y={one.at + 4} fontSize={13.5} fill="var(--ink)">
            {one.name}
          </text>
        ))}
        {[0, plants, Math.round(most)].map((n, i) =>
          i === 2 && most - plants < most * 0.12 ? null : (
            <text key={i} x={left - 5} y={y(n) + 4} fontSize={13} textAnchor="end" fill="var(--softInk)">
              {n}
            </text>
          ),
        )}
        {[0, 5, 10, 15, 20].map((year) => (
          <text key={year} x={x(year)} y={height - 6} fontSize={13} textAnchor="middle" fill="var(--softInk)">
            {year === 0 ? "now" : `${year} years`}
          </text>
        ))}
      </svg>
    </div>
  );
}
