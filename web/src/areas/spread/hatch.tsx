/** What a kind's ground is hatched with, in a tile of ten by ten: told apart by shape, whatever its colour. */
const strokes = [
  "M-1 11L11 -1M4 16L16 4M-6 6L6 -6",
  "M2.5 2.5l3 3m0 -3l-3 3",
  "M1 3h5M6 8h4M0 8h1",
  "M2 3l2 3l2 -3",
  "M3 3v4",
  "M0 5q2.5 -4 5 0t5 0",
  "M5 2.4a2.1 2.1 0 1 0 .01 0",
  "M5 2v5M2.5 4.5h5",
  "M1 1L9 9M11 11l-.1 -.1",
  "M4 3h3v3h-3z",
  "M5 2l2.4 4h-4.8z",
  "M2 7q3 -6 6 0",
];

const colours = ["--bramble", "--leaf", "--water", "--clay", "--softInk"];

/** How a kind is drawn: its stroke and its colour. */
export interface Hatch {
  id: string;
  stroke: string;
  colour: string;
}

/** hatches gives each kind a hatching of its own, the same whatever order they come in. */
export function hatches(species: string[]): Map<string, Hatch> {
  const kinds = [...new Set(species)].sort();
  return new Map(
    kinds.map((id, i) => {
      const round = Math.floor(i / strokes.length);
      return [
        id,
        {
          id: `hatch-${i}`,
          stroke: strokes[i % strokes.length] ?? "",
          colour: colours[(i + round) % colours.length] ?? "--ink",
        },
      ];
    }),
  );
}

interface PatternProps {
  hatch: Hatch;
  /** How many pixels a metre of the drawing has: the hatching keeps its size. */
  scale: number;
}

/** HatchPatterns are a kind's hatching, and the same between its strokes: both together are twice as dense. */
export function HatchPatterns({ hatch, scale }: PatternProps) {
  return [0, 1].map((shift) => (
    <pattern
      key={shift}
      id={`${hatch.id}-${shift}`}
      patternUnits="userSpaceOnUse"
      width={10}
      height={10}
      patternTransform={`scale(${1 / scale}) translate(${shift * 5} ${shift * 5})`}
    >
      <path
        d={hatch.stroke}
        fill="none"
        stroke={`var(${hatch.colour})`}
        strokeWidth={1.4}
        strokeLinecap="round"
      />
    </pattern>
  ));
}

/** HatchMark is a kind's hatching as a mark in a list. */
export function HatchMark({ hatch, size = 22 }: { hatch: Hatch; size?: number }) {
  const id = `mark-${hatch.id}`;
  return (
    <svg width={size} height={size} aria-hidden style={{ flex: "none", display: "block" }}>
      <defs>
        <pattern id={id} patternUnits="userSpaceOnUse" width={10} height={10}>
          <path
            d={hatch.stroke}
            fill="none"
            stroke={`var(${hatch.colour})`}
            strokeWidth={1.6}
            strokeLinecap="round"
          />
        </pattern>
      </defs>
      <rect
        x={1}
        y={1}
        width={size - 2}
        height={size - 2}
        fill={`url(#${id})`}
        stroke={`var(${hatch.colour})`}
        strokeWidth={1.6}
      />
    </svg>
  );
}
