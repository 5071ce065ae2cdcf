interface Props {
  x: number;
  /** Where its stalk ends. */
  y: number;
  height: number;
  tied?: boolean;
  /** Drawn as an outline: of another plan, or on its way to another day. */
  faint?: boolean;
  isNew?: boolean;
}

/** Leaf is a picking: as tall as it is heavy; a knot at its stalk where it is tied to its day. */
export function Leaf({ x, y, height: h, tied = false, faint = false, isNew = false }: Props) {
  const w = h * 0.27;
  return (
    <g transform={`translate(${x} ${y})`} pointerEvents="none">
      <path
        d={`M0 0C${-w * 1.5} ${-h * 0.25} ${-w} ${-h * 0.75} 0 ${-h}C${w} ${-h * 0.75} ${w * 1.5} ${-h * 0.25} 0 0Z`}
        fill={faint ? "none" : "var(--leaf)"}
        stroke={faint ? "var(--softInk)" : "var(--paper)"}
        strokeWidth={faint ? 1.3 : 1}
        strokeDasharray={faint ? "3 2" : undefined}
      />
      {!faint && (
        <path
          d={`M0 2V${-h * 0.8}M0 ${-h * 0.3}L${w * 0.7} ${-h * 0.5}M0 ${-h * 0.3}L${-w * 0.7} ${-h * 0.5}`}
          stroke="var(--paper)"
          strokeWidth={1}
          fill="none"
        />
      )}
      {isNew && !faint && <circle cx={w + 3} cy={-h + 2} r={2.6} fill="var(--clay)" />}
      {tied && (
        <path
          d="M-6 2q-3 -5 0 -5q4 0 6 4q2 -4 6 -4q3 0 0 5q-3 3 -6 -1q-3 4 -6 1z"
          fill="var(--straw)"
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
      )}
    </g>
  );
}
