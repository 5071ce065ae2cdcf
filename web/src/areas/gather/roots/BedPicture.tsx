import type { Schemas } from "../../../api/client";
import { useWidth } from "../../../parts/useWidth";

type Root = Schemas["RootView"];

interface Props {
  root: Root;
  /** The year of the rotation that is shown; undefined for what is lifted now. */
  year: number | undefined;
}

/** About a plant's mark, so that its number can be read. */
const least = 11;

/** The most empty ground between plants, in metres, that is drawn as it is: what is more is left out, and said. */
const mostEmpty = 1.5;
const leftEmpty = 0.9;

interface Gap {
  /** Where the empty ground begins, and how much of it is left out. */
  from: number;
  cut: number;
}

/** gapsOf are the stretches of empty ground along one side of the bed that are not drawn whole. */
function gapsOf(places: number[]): Gap[] {
  const sorted = [...places].sort((a, b) => a - b);
  return sorted.flatMap((at, i) => {
    const empty = (sorted[i + 1] ?? at) - at;
    return empty > mostEmpty ? [{ from: at, cut: empty - leftEmpty }] : [];
  });
}

/** squeezed is a place with the empty ground before it left out. */
const squeezed = (gaps: Gap[], at: number) =>
  at - gaps.reduce((sum, gap) => sum + (at > gap.from ? gap.cut : 0), 0);

/** BedPicture is the stand in its bed: what is lifted stands out with the spade's reach about it, the age in each plant. */
export function BedPicture({ root, year }: Props) {
  const [box, width] = useWidth(600);
  const spots = [...root.plants, ...root.others];
  const about = 0.5;
  const gaps = { x: gapsOf(spots.map((p) => p.x)), y: gapsOf(spots.map((p) => p.y)) };
  const places = spots.map((p) => ({ x: squeezed(gaps.x, p.x), y: squeezed(gaps.y, p.y) }));
  const low = {
    x: Math.min(...places.map((p) => p.x)) - about,
    y: Math.min(...places.map((p) => p.y)) - about,
  };
  const high = {
    x: Math.max(...places.map((p) => p.x)) + about,
    y: Math.max(...places.map((p) => p.y)) + about,
  };
  const scale = Math.min(width / (high.x - low.x), 330 / (high.y - low.y));
  const height = (high.y - low.y) * scale;
  const x = (at: number) => (squeezed(gaps.x, at) - low.x) * scale + (width - (high.x - low.x) * scale) / 2;
  const y = (at: number) => (squeezed(gaps.y, at) - low.y) * scale;
  const then = root.rotation.find((one) => one.year === year);
  const lifts = (i: number) => (then ? then.lifted.includes(i) : root.plants[i]?.lift);
  const r = Math.max(least, 0.11 * scale);
  return (
    <div ref={box}>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${root.plants.length} plants in ${root.bed}; ${root.plants.filter((_, i) => lifts(i)).length} to lift${year ? ` in ${year}` : ""}`}
        style={{ display: "block", background: "var(--card)", border: "1px solid var(--rule)" }}
      >
        {gaps.x.map((gap) => (
          <g key={gap.from}>
            <path
              d={`M${x(gap.from) + (leftEmpty * scale) / 2} 0V${height}`}
              stroke="var(--rule)"
              strokeDasharray="6 5"
            />
            <text
              x={x(gap.from) + (leftEmpty * scale) / 2 + 4}
              y={height - 6}
              fontSize={12.5}
              fill="var(--softInk)"
            >
              {Math.round(gap.cut)} m left out
            </text>
          </g>
        ))}
        {root.plants.map((p, i) =>
          lifts(i) ? (
            <circle
              key={i}
              cx={x(p.x)}
              cy={y(p.y)}
              r={root.spadeM * scale}
              fill="var(--straw)"
              fillOpacity={0.22}
              stroke="var(--straw)"
              strokeDasharray="4 3"
            />
          ) : null,
        )}
        {root.others.map((p, i) => (
          <g key={`other ${i}`}>
            <path
              d={`M${x(p.x) - 5} ${y(p.y) - 5}l10 10m0 -10l-10 10`}
              stroke="var(--clay)"
              strokeWidth={2}
            />
            <title>{p.name}</title>
          </g>
        ))}
        {root.plants.map((p, i) => {
          const lift = lifts(i);
          return (
            <g key={i} transform={`translate(${x(p.x)} ${y(p.y)})`}>
              <title>{`In its year ${p.year}: ${p.why}`}</title>
              {lift ? (
                <path
                  d={`M0 ${-r * 1.25}L${r * 1.15} ${-r * 0.3}L${r * 0.55} ${r * 1.25}H${-r * 0.55}L${-r * 1.15} ${-r * 0.3}Z`}
                  fill="var(--bramble)"
                />
              ) : (
                <circle
                  r={r}
                  fill="var(--paper)"
                  stroke={p.unproven ? "var(--forbid)" : "var(--leaf)"}
                  strokeWidth={1.6}
                  strokeDasharray={p.unproven ? "3 2" : undefined}
                />
              )}
              <text
                y={5}
                textAnchor="middle"
                fontSize={13.5}
                fontWeight={700}
                fill={lift ? "var(--paper)" : "var(--ink)"}
              >
                {p.year}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
