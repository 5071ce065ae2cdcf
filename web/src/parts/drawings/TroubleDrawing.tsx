import type { ReactNode } from "react";

interface Props {
  mark: string;
  size?: number;
  /** What it is called where nothing beside it says so; left out where something does. */
  label?: string;
}

const stem = "M60 104 C60 80 60 50 60 26";
const leaf = (x: number, y: number, turn: number, key: string, long = 24) => (
  <ellipse
    key={key}
    cx={x}
    cy={y}
    rx={long}
    ry={9}
    transform={`rotate(${turn} ${x} ${y})`}
    fill="var(--lichen)"
    stroke="var(--leaf)"
    strokeWidth={2}
  />
);
const sound = [
  leaf(38, 74, 24, "a"),
  leaf(82, 68, -24, "b"),
  leaf(40, 48, 24, "c", 20),
  leaf(79, 44, -24, "d", 20),
  leaf(60, 22, 90, "e", 12),
];
const ground = <path d="M8 104 H112" stroke="var(--soil)" strokeWidth={3} />;
const upright = <path d={stem} fill="none" stroke="var(--leaf)" strokeWidth={4} />;
const plant = (
  <>
    {ground}
    {upright}
    {sound}
  </>
);
const dots = (spots: [number, number][], r: number, fill: string) =>
  spots.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill={fill} />);

const onLeaves: [number, number][] = [
  [30, 71],
  [38, 78],
  [46, 76],
  [74, 72],
  [84, 65],
  [92, 66],
  [34, 45],
  [44, 51],
  [74, 46],
  [84, 42],
];

const browned: [number, number, number, number, number][] = [
  [79, 44, 20, 9, -24],
  [40, 48, 20, 9, 24],
  [60, 22, 9, 12, 0],
];

/** What each sign of trouble looks like, drawn by us: told apart by shape, never by colour alone. */
const drawings: Record<string, ReactNode> = {
  "keeling over": (
    <>
      {ground}
      <path
        d="M52 104 C54 96 56 92 62 90 C80 86 96 88 108 94"
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={4}
      />
      <path d="M52 104 C54 97 56 93 61 91" fill="none" stroke="var(--soil)" strokeWidth={6} />
      {[leaf(78, 80, -30, "a", 16), leaf(84, 97, 30, "b", 16), leaf(104, 84, -50, "c", 13)]}
    </>
  ),
  "slug holes": (
    <>
      {plant}
      {dots(
        [
          [34, 72],
          [45, 77],
          [86, 65],
          [76, 72],
          [38, 47],
        ],
        4.5,
        "var(--paper)",
      )}
      <path
        d="M14 98 C24 92 30 102 40 97 S56 94 62 100"
        fill="none"
        stroke="var(--frost)"
        strokeWidth={3}
        strokeDasharray="7 3"
      />
    </>
  ),
  aphids: (
    <>
      {plant}
      {dots(
        [
          [54, 34],
          [66, 34],
          [55, 28],
          [65, 27],
          [56, 22],
          [65, 20],
          [60, 15],
          [54, 40],
          [66, 41],
        ],
        3.4,
        "var(--ink)",
      )}
      <path d="M22 64 C14 60 16 50 24 52" fill="none" stroke="var(--leaf)" strokeWidth={3} />
    </>
  ),
  rust: (
    <>
      {plant}
      {onLeaves.map(([x, y]) => (
        <circle
          key={`${x} ${y}`}
          cx={x}
          cy={y}
          r={3}
          fill="var(--clay)"
          stroke="var(--straw)"
          strokeWidth={2}
        />
      ))}
    </>
  ),
  mildew: (
    <>
      {plant}
      {onLeaves.map(([x, y]) => (
        <ellipse key={`${x} ${y}`} cx={x} cy={y} rx={8} ry={4.5} fill="var(--card)" opacity={0.92} />
      ))}
      <ellipse cx={60} cy={20} rx={6} ry={8} fill="var(--card)" opacity={0.92} />
    </>
  ),
  wilt: (
    <>
      {ground}
      <path
        d="M60 104 C60 76 60 56 62 44 C64 34 74 30 80 38"
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={4}
      />
      {[
        leaf(46, 84, 104, "a", 20),
        leaf(76, 84, 76, "b", 20),
        leaf(50, 62, 106, "c", 16),
        leaf(84, 54, 84, "d", 15),
      ]}
    </>
  ),
  "browned by cold": (
    <>
      {plant}
      {browned.map(([x, y, wide, high, turn]) => (
        <ellipse
          key={`${x} ${y}`}
          cx={x}
          cy={y}
          rx={wide}
          ry={high}
          transform={`rotate(${turn} ${x} ${y})`}
          fill="var(--soil)"
        />
      ))}
      <path d="M14 14 L26 26 M26 14 L14 26 M20 11 V29 M11 20 H29" stroke="var(--frost)" strokeWidth={2.5} />
    </>
  ),
  "rotting root": (
    <>
      <path d="M8 56 H112" stroke="var(--soil)" strokeWidth={3} />
      <path d="M60 56 V22" stroke="var(--leaf)" strokeWidth={4} />
      {[leaf(44, 38, 24, "a", 17), leaf(77, 34, -24, "b", 17)]}
      <path
        d="M60 56 C52 70 54 92 60 112 C66 92 68 70 60 56"
        fill="var(--straw)"
        stroke="var(--soil)"
        strokeWidth={2}
      />
      <path d="M55 78 C56 92 58 102 60 112 C64 100 66 90 66 80 C62 84 58 74 55 78" fill="var(--ink)" />
      <path
        d="M66 84 C74 88 78 94 82 102 M54 84 C46 88 42 94 38 102"
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
    </>
  ),
  browsed: (
    <>
      {ground}
      <path d="M60 104 V58 L68 50" fill="none" stroke="var(--leaf)" strokeWidth={4} />
      <path d="M54 62 L68 48" stroke="var(--ink)" strokeWidth={3} />
      {[leaf(40, 80, 24, "a", 20)]}
      <path d="M72 84 L88 76 L84 88 Z" fill="var(--lichen)" stroke="var(--leaf)" strokeWidth={2} />
      {dots(
        [
          [90, 100],
          [97, 99],
          [94, 95],
        ],
        3,
        "var(--soil)",
      )}
    </>
  ),
  "insects in flowers": (
    <>
      {ground}
      {upright}
      {[leaf(38, 82, 24, "a", 20), leaf(82, 78, -24, "b", 20)]}
      {[0, 72, 144, 216, 288].map((turn) => (
        <ellipse
          key={turn}
          cx={60}
          cy={20}
          rx={9}
          ry={15}
          transform={`rotate(${turn} 60 36)`}
          fill="var(--card)"
          stroke="var(--bramble)"
          strokeWidth={1.5}
        />
      ))}
      <circle cx={60} cy={36} r={8} fill="var(--straw)" />
      {dots(
        [
          [56, 32],
          [65, 35],
          [60, 41],
          [49, 26],
          [74, 44],
        ],
        3,
        "var(--ink)",
      )}
    </>
  ),
  eaten: (
    <>
      {plant}
      <path d="M24 60 L30 66 L36 58 L42 66 L48 60 L46 50 L28 50 Z" fill="var(--paper)" />
      <path
        d="M80 60 c5 -7 10 7 15 0 s10 7 15 0"
        fill="none"
        stroke="var(--ink)"
        strokeWidth={5}
        strokeLinecap="round"
      />
      {dots(
        [
          [74, 80],
          [80, 84],
          [70, 86],
        ],
        2.2,
        "var(--ink)",
      )}
    </>
  ),
  dry: (
    <>
      {plant}
      <path
        d="M20 104 L28 116 M28 112 L38 118 M56 104 L52 118 M74 104 L82 116 M82 112 L94 118 M100 104 L98 114"
        stroke="var(--soil)"
        strokeWidth={2.5}
      />
    </>
  ),
  leaning: (
    <g transform="rotate(38 60 104)">
      {upright}
      {sound}
    </g>
  ),
  "past the edge": (
    <>
      <path d="M8 92 H112" stroke="var(--soil)" strokeWidth={3} />
      <path d="M66 80 V112" stroke="var(--ink)" strokeWidth={3} strokeDasharray="5 4" />
      <path d="M30 92 V54" stroke="var(--leaf)" strokeWidth={4} />
      {[leaf(18, 70, 24, "a", 14), leaf(43, 66, -24, "b", 14)]}
      <path d="M30 96 C50 108 76 108 92 94" fill="none" stroke="var(--soil)" strokeWidth={3} />
      <path d="M92 92 V74" stroke="var(--leaf)" strokeWidth={3} />
      {[leaf(84, 76, 30, "c", 9), leaf(100, 74, -30, "d", 9)]}
    </>
  ),
  "seedlings near": (
    <>
      {ground}
      <path d="M40 104 V40" stroke="var(--leaf)" strokeWidth={4} />
      {[leaf(26, 74, 24, "a", 16), leaf(54, 68, -24, "b", 16), leaf(40, 36, 90, "c", 10)]}
      {[74, 88, 102].map((x, i) => (
        <g key={x}>
          <path d={`M${x} 104 V${94 - (i % 2) * 4}`} stroke="var(--leaf)" strokeWidth={2} />
          <ellipse cx={x - 5} cy={92 - (i % 2) * 4} rx={5} ry={3} fill="var(--leaf)" />
          <ellipse cx={x + 5} cy={92 - (i % 2) * 4} rx={5} ry={3} fill="var(--leaf)" />
        </g>
      ))}
    </>
  ),
  gone: (
    <>
      {ground}
      <path d="M60 104 V26" stroke="var(--softInk)" strokeWidth={2.5} strokeDasharray="3 5" />
      {[
        [38, 74, 24],
        [82, 68, -24],
        [40, 48, 24],
        [79, 44, -24],
      ].map(([x, y, turn]) => (
        <ellipse
          key={`${x} ${y}`}
          cx={x}
          cy={y}
          rx={20}
          ry={9}
          transform={`rotate(${turn} ${x} ${y})`}
          fill="none"
          stroke="var(--softInk)"
          strokeWidth={2}
          strokeDasharray="3 4"
        />
      ))}
    </>
  ),
};

/** TroubleDrawing is a sign of trouble as a small drawing. */
export function TroubleDrawing({ mark, size = 120, label = "" }: Props) {
  return (
    <svg
      viewBox="0 0 120 120"
      width={size}
      height={size}
      style={{ flexShrink: 0 }}
      {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
    >
      {drawings[mark] ?? plant}
    </svg>
  );
}
