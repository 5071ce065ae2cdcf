import type { Point } from "./geometry";

const notches: Record<string, number> = { well: 3, fairly: 2, hardly: 1, no: 0 };

/** FitMark tells by notches how well a bed suits a planting: three, two, one, or a cross. */
export function FitMark({ at, verdict }: { at: Point; verdict: string }) {
  const n = notches[verdict] ?? 0;
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      role="img"
      aria-label={`fits: ${verdict}`}
      pointerEvents="none"
    >
      <rect x={-17} y={-10} width={34} height={20} rx={3} fill="var(--card)" stroke="var(--ink)" />
      {n === 0 ? (
        <path d="M-6 -5 L6 5 M-6 5 L6 -5" stroke="var(--forbid)" strokeWidth={3} />
      ) : (
        [0, 1, 2].map((i) => (
          <rect
            key={i}
            x={-12.5 + i * 9}
            y={-5}
            width={7}
            height={10}
            fill={i < n ? (n === 3 ? "var(--leaf)" : n === 2 ? "var(--straw)" : "var(--clay)") : "none"}
            stroke="var(--ink)"
            strokeWidth={0.8}
          />
        ))
      )}
    </g>
  );
}

const drops: Record<string, number> = { dry: 0, fresh: 1, moist: 2, wet: 3 };

/** Drops tell by their number how much water a planting wants. */
export function Drops({ at, water }: { at: Point; water: string }) {
  const n = drops[water] ?? 0;
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      role="img"
      aria-label={`wants ${water} soil`}
      pointerEvents="none"
    >
      <rect
        x={-19}
        y={-11}
        width={38}
        height={22}
        rx={3}
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth={0.8}
      />
      {n === 0 && (
        // An empty drop, struck through: dry.
        <path
          d="M0 -7 C3 -2 4.5 0 4.5 2.5 A4.5 4.5 0 0 1 -4.5 2.5 C-4.5 0 -3 -2 0 -7Z M-9 6 L9 -6"
          fill="none"
          stroke="var(--clay)"
          strokeWidth={1.8}
        />
      )}
      {Array.from({ length: n }, (_, i) => (
        <path
          key={i}
          transform={`translate(${(i - (n - 1) / 2) * 11} 0)`}
          d="M0 -7 C3 -2 4.5 0 4.5 2.5 A4.5 4.5 0 0 1 -4.5 2.5 C-4.5 0 -3 -2 0 -7Z"
          fill="var(--water)"
        />
      ))}
    </g>
  );
}
