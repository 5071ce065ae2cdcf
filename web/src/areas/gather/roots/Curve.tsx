import type { Schemas } from "../../../api/client";
import { useWidth } from "../../../parts/useWidth";

const height = 150;
const left = 46;
const foot = 36;
const line = 0.95;

interface Props {
  curve: Schemas["TakeChance"][];
  take: number;
  onTake: (take: number) => void;
}

/** Curve is the chance that a stand is kept, by how many are lifted every year; each stake can be chosen. */
export function Curve({ curve, take, onTake }: Props) {
  const [box, width] = useWidth(420);
  const most = curve.at(-1)?.take ?? 1;
  const x = (n: number) => left + 14 + (n / Math.max(1, most)) * (width - left - 32);
  const y = (chance: number) => 8 + (1 - chance) * (height - foot - 8);
  return (
    <div ref={box}>
      <svg
        width={width}
        height={height}
        role="group"
        aria-label="The chance that the stand is kept, by the yearly take"
      >
        <path d={`M${left} ${y(line)}H${width}`} stroke="var(--leaf)" strokeDasharray="5 4" />
        <text x={left - 5} y={y(line) + 4} fontSize={12.5} textAnchor="end" fill="var(--leaf)">
          95 %
        </text>
        <text x={left - 5} y={y(0) + 4} fontSize={12.5} textAnchor="end" fill="var(--softInk)">
          0 %
        </text>
        <path d={`M${left} ${y(0)}H${width}`} stroke="var(--rule)" />
        {curve.map((one) => {
          const chosen = one.take === take;
          return (
            <g
              key={one.take}
              role="button"
              tabIndex={0}
              aria-pressed={chosen}
              aria-label={`${one.take} a year: kept in ${Math.round(one.chance * 100)} of 100`}
              onClick={() => onTake(one.take)}
              onKeyDown={(event) => {
                if (event.key === "Enter" || event.key === " ") {
                  event.preventDefault();
                  onTake(one.take);
                }
              }}
              style={{ cursor: "pointer" }}
            >
              <rect x={x(one.take) - 13} y={0} width={26} height={height} fill="transparent" />
              <path
                d={`M${x(one.take)} ${y(0)}V${y(one.chance)}`}
                stroke={one.chance >= line ? "var(--leaf)" : "var(--clay)"}
                strokeWidth={chosen ? 9 : 5}
              />
              <text
                x={x(one.take)}
                y={height - foot + 16}
                fontSize={13.5}
                fontWeight={chosen ? 700 : 400}
                textAnchor="middle"
                fill="var(--ink)"
              >
                {one.take}
              </text>
            </g>
          );
        })}
        <text x={left} y={height - 4} fontSize={13} fill="var(--softInk)">
          lifted every year; kept for twenty
        </text>
      </svg>
    </div>
  );
}
