/** How many light cells stand about a square, so that it is found. */
const quiet = 4;

/** Square is an address as a square of cells that a phone's camera opens. Always dark on light, in every look. */
export function Square({ rows, label, size }: { rows: string[]; label: string; size: number }) {
  const n = rows.length + 2 * quiet;
  const dark = rows.flatMap((row, y) =>
    [...row.matchAll(/#+/g)].map(
      (run) => `M${run.index + quiet} ${y + quiet}h${run[0].length}v1h-${run[0].length}z`,
    ),
  );
  return (
    <svg
      viewBox={`0 0 ${n} ${n}`}
      width={size}
      height={size}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={n} height={n} fill="#fff" />
      <path d={dark.join("")} fill="#000" />
    </svg>
  );
}
