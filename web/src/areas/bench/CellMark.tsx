/** What a cell shows, drawn on a field of 24: each state by its shape. */
const drawings: Record<string, React.ReactNode> = {
  "": null,
  sown: (
    <>
      <circle cx={12} cy={13} r={2.4} fill="var(--ink)" />
    </>
  ),
  up: (
    <path
      d="M12 20 V11 M12 13 C5 13 4 7 4 5 C10 5 12 8 12 13 C12 8 14 5 20 5 C20 7 19 13 12 13Z"
      fill="var(--leaf)"
      stroke="var(--leaf)"
      strokeWidth={1.6}
      strokeLinejoin="round"
    />
  ),
  gone: <path d="M7 7 L17 17 M17 7 L7 17" stroke="var(--forbid)" strokeWidth={2} />,
  failed: <path d="M6 12 H18" stroke="var(--softInk)" strokeWidth={2} />,
  potted: (
    <path d="M7 10 H17 L15.5 18 H8.5Z M6 8 H18 V10 H6Z" fill="none" stroke="var(--ink)" strokeWidth={1.5} />
  ),
  out: <path d="M12 19 V8 M8 12 L12 7.5 L16 12" fill="none" stroke="var(--ink)" strokeWidth={1.7} />,
};

export const cellWords: Record<string, string> = {
  "": "empty",
  sown: "sown",
  up: "up",
  gone: "was up, and went",
  failed: "never came up",
  potted: "potted on",
  out: "planted out",
};

/** CellMark is one cell of a tray from above. */
export function CellMark({ state, size, bare = false }: { state: string; size: number; bare?: boolean }) {
  return (
    <g transform={`scale(${size / 24})`}>
      {!bare && (
        <rect
          x={1}
          y={1}
          width={22}
          height={22}
          rx={3}
          fill="var(--card)"
          stroke="var(--softInk)"
          strokeWidth={0.8}
        />
      )}
      {drawings[state]}
    </g>
  );
}
