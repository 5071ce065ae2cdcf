import type { ReactNode } from "react";

import { Blade, Dot, earth, ink, leaf, Leaf, Line, named, pale, range, turned, wood } from "./lines";

const stem = <Line d="M36 70 L36 6" strokeWidth={2.4} />;

const order: Record<string, ReactNode> = {
  alternate: (
    <>
      {stem}
      <Leaf x={36} y={60} turn={62} />
      <Leaf x={36} y={48} turn={-62} />
      <Leaf x={36} y={36} turn={62} />
      <Leaf x={36} y={24} turn={-62} />
      <Leaf x={36} y={10} turn={20} size={10} />
    </>
  ),
  opposite: (
    <>
      {stem}
      {[58, 40, 22].map((y) => (
        <g key={y}>
          <Leaf x={36} y={y} turn={64} />
          <Leaf x={36} y={y} turn={-64} />
        </g>
      ))}
    </>
  ),
  whorled: (
    <>
      {stem}
      {[54, 28].map((y) => (
        <g key={y}>
          {[-95, -62, -28, 28, 62, 95].map((turn) => (
            <Leaf key={turn} x={36} y={y} turn={turn} size={17} wide={0.2} />
          ))}
        </g>
      ))}
    </>
  ),
  basal: (
    <>
      <Line d="M6 64 L66 64" stroke={wood} />
      {[-72, -40, -12, 12, 40, 72].map((turn) => (
        <Leaf key={turn} x={36} y={62} turn={turn} size={32} wide={0.26} />
      ))}
      <Line d="M36 62 L36 8" strokeWidth={1.4} />
      <Dot cx={36} cy={8} r={4} />
    </>
  ),
  tufted: (
    <>
      <Line d="M8 46 L64 46" stroke={wood} strokeWidth={4} />
      {[20, 50].map((x) => (
        <g key={x}>
          <Line d={`M${x} 46 L${x} 40`} stroke={wood} strokeWidth={4} />
          {[-60, -25, 8, 40, 70].map((turn) => (
            <Leaf key={turn} x={x} y={38} turn={turn} size={19} wide={0.24} />
          ))}
        </g>
      ))}
    </>
  ),
  leafless: (
    <>
      {[-14, 0, 14].map((dx) => (
        <g key={dx}>
          <Line d={`M36 70 L${36 + dx} 40 L${36 + dx * 1.6} 8`} stroke="#7d9a63" strokeWidth={4} />
          <Line d={`M${33 + dx} 40 L${39 + dx} 40`} />
        </g>
      ))}
    </>
  ),
};

const count = (n: number) => (
  <>
    {turned(n, 36, 36, <Leaf x={36} y={33} turn={0} size={25} wide={0.2} />)}
    <Dot cx={36} cy={36} r={4} />
  </>
);

const whorl: Record<string, ReactNode> = {
  three: count(3),
  four: count(4),
  "five-six": count(6),
  "seven-more": count(8),
  "no-whorl": (
    <>
      <Leaf x={36} y={36} turn={90} size={26} />
      <Dot cx={36} cy={36} r={4} />
    </>
  ),
};

const feather = (x: number, y: number, length: number, pairs: number, size: number) => (
  <>
    <Line d={`M${x} ${y} L${x} ${y - length}`} strokeWidth={1.3} />
    {range(pairs).map((i) => {
      const at = y - (length * (i + 0.7)) / pairs;
      return (
        <g key={i}>
          <Leaf x={x} y={at} turn={62} size={size} />
          <Leaf x={x} y={at} turn={-62} size={size} />
        </g>
      );
    })}
    <Leaf x={x} y={y - length} turn={0} size={size} />
  </>
);

const build: Record<string, ReactNode> = {
  whole: <Blade shape="egg" />,
  "fan-lobed": (
    <>
      <path
        d="M36 54 C 26 58 16 54 10 48 L22 42 L8 30 L25 30 L22 14 L34 24 L36 6 L38 24 L50 14 L47 30 L64 30 L50 42 L62 48 C 56 54 46 58 36 54 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
        strokeLinejoin="round"
      />
      <Line d="M36 68 L36 52 M36 52 L36 16 M36 52 L14 32 M36 52 L58 32" strokeWidth={1.1} />
    </>
  ),
  "side-lobed": (
    <>
      <path
        d="M36 64 L31 56 L18 56 L29 48 L14 43 L29 37 L14 30 L30 26 L20 17 L33 17 L36 6 L39 17 L52 17 L42 26 L58 30 L43 37 L58 43 L43 48 L54 56 L41 56 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
        strokeLinejoin="round"
      />
      <Line d="M36 70 L36 14" strokeWidth={1.1} />
    </>
  ),
  three: (
    <>
      <Line d="M36 70 L36 44" />
      <Leaf x={36} y={44} turn={0} size={34} wide={0.4} />
      <Leaf x={36} y={44} turn={82} size={30} wide={0.4} />
      <Leaf x={36} y={44} turn={-82} size={30} wide={0.4} />
    </>
  ),
  "twice-three": (
    <>
      <Line d="M36 70 L36 40 M36 50 L16 42 M36 50 L56 42" />
      {[
        [36, 40, 0],
        [16, 42, -62],
        [56, 42, 62],
      ].map(([x = 0, y = 0, to = 0]) => (
        <g key={x}>
          {[-52, 0, 52].map((turn) => (
            <Leaf key={turn} x={x} y={y} turn={to + turn} size={18} wide={0.4} />
          ))}
        </g>
      ))}
    </>
  ),
  fan: (
    <>
      <Line d="M36 70 L36 46" />
      {[-84, -42, 0, 42, 84].map((turn) => (
        <Leaf key={turn} x={36} y={46} turn={turn} size={32} wide={0.26} />
      ))}
    </>
  ),
  feather: <>{feather(36, 68, 48, 4, 16)}</>,
  "twice-feather": (
    <>
      <Line d="M36 70 L36 8" strokeWidth={1.3} />
      {[58, 42, 28].map((y, i) => (
        <g key={y}>
          {[62, -62].map((turn) => (
            <g key={turn} transform={`translate(36 ${y}) rotate(${turn})`}>
              {feather(0, 0, 22 - 4 * i, 4, 6)}
            </g>
          ))}
        </g>
      ))}
      <g transform="translate(36 16)">{feather(0, 0, 8, 2, 5)}</g>
    </>
  ),
  needle: (
    <>
      {stem}
      {range(9).map((i) => (
        <Line
          key={i}
          d={`M36 ${64 - i * 6.4} l16 -8 M36 ${64 - i * 6.4} l-16 -8`}
          stroke="#5d7b4a"
          strokeWidth={2.2}
        />
      ))}
    </>
  ),
  scale: (
    <>
      <Line d="M36 70 L36 6" stroke="#7d9a63" strokeWidth={7} />
      {[54, 36, 18].map((y) => (
        <path key={y} d={`M31 ${y} L36 ${y - 7} L41 ${y} Z`} fill={earth} stroke={ink} strokeWidth={1.1} />
      ))}
    </>
  ),
  pad: (
    <>
      <ellipse cx={36} cy={50} rx={16} ry={19} fill={leaf} stroke={ink} strokeWidth={1.5} />
      <ellipse
        cx={24}
        cy={20}
        rx={11}
        ry={14}
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
        transform="rotate(-24 24 20)"
      />
      <ellipse
        cx={50}
        cy={22}
        rx={10}
        ry={13}
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
        transform="rotate(24 50 22)"
      />
      {[
        [36, 42],
        [29, 52],
        [43, 52],
        [36, 61],
        [23, 18],
        [51, 20],
      ].map(([x, y]) => (
        <Line key={`${x} ${y}`} d={`M${x} ${y} l-3 -3 M${x} ${y} l0 -4 M${x} ${y} l3 -3`} strokeWidth={1} />
      ))}
    </>
  ),
};

const shapes = [
  "line",
  "sword",
  "lance",
  "oval",
  "egg",
  "spoon",
  "heart",
  "kidney",
  "round",
  "arrow",
  "triangle",
  "diamond",
];
const margins = ["smooth", "wavy", "fine-toothed", "coarse-toothed", "scalloped", "spiny"];

const upright = <Line d="M14 70 L14 4" strokeWidth={5} stroke="#8aa372" />;
const foot = (d: string) => (
  <>
    {upright}
    <path d={d} fill={leaf} stroke={ink} strokeWidth={1.5} strokeLinejoin="round" />
  </>
);

const base: Record<string, ReactNode> = {
  "stalk-narrowed": foot(
    "M15 50 C 28 47 34 44 44 32 C 52 22 64 16 70 12 C 70 40 56 48 44 50 C 34 51 26 51 15 52 Z",
  ),
  "stalk-rounded": (
    <>
      {foot("M34 44 C 30 26 50 12 70 10 C 74 34 56 56 34 44 Z")}
      <Line d="M15 50 L36 40" strokeWidth={2.2} />
    </>
  ),
  "stalk-notched": (
    <>
      {foot("M38 40 C 24 40 28 20 42 16 C 54 10 64 8 70 8 L70 44 C 60 62 38 62 38 40 Z")}
      <Line d="M15 50 L38 40" strokeWidth={2.2} />
    </>
  ),
  stalkless: foot("M16 48 C 24 26 46 18 70 14 C 70 40 44 56 16 50 Z"),
  clasping: foot(
    "M16 42 C 4 34 6 26 16 30 C 34 20 54 18 70 18 L70 42 C 52 54 32 56 18 54 C 4 58 4 48 16 42 Z",
  ),
  "running-down": (
    <>
      <path d="M11 70 L8 40 L12 34 M17 70 L21 44" fill={leaf} stroke={ink} strokeWidth={1.5} />
      <path d="M12 68 L6 44 L14 40 L16 68 Z" fill={pale} stroke={ink} strokeWidth={1.2} />
      {foot("M16 46 C 28 26 48 18 70 14 C 70 40 46 54 22 56 L18 68 Z")}
    </>
  ),
  sheath: (
    <>
      {upright}
      <path
        d="M8 66 L8 34 C 10 28 20 26 24 30 C 40 20 56 14 70 12 C 62 30 44 38 24 42 L20 66 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />
    </>
  ),
  joined: (
    <>
      <Line d="M36 70 L36 4" strokeWidth={5} stroke="#8aa372" />
      <path d="M2 36 C 18 20 54 20 70 36 C 54 52 18 52 2 36 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      <Dot cx={36} cy={36} r={4} />
    </>
  ),
};

const joint: Record<string, ReactNode> = {
  bare: (
    <>
      <Line d="M30 70 L30 4" strokeWidth={6} stroke="#8aa372" />
      <Line d="M32 42 L62 18" strokeWidth={2.4} />
    </>
  ),
  "papery-sheath": (
    <>
      <Line d="M30 70 L30 4" strokeWidth={6} stroke="#8aa372" />
      <path
        d="M24 46 L24 26 L27 20 L30 25 L34 19 L36 26 L36 46 Z"
        fill="#ead9bd"
        stroke={ink}
        strokeWidth={1.3}
      />
      <Line d="M36 46 L64 26" strokeWidth={2.4} />
    </>
  ),
  "broad-sheath": (
    <>
      <Line d="M26 70 L26 4" strokeWidth={6} stroke="#8aa372" />
      <path d="M22 66 C 16 40 22 28 30 24 C 46 30 44 54 30 66 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      <Line d="M32 25 L66 8" strokeWidth={2.6} />
      <Line d="M28 60 C 26 46 28 36 32 28 M33 58 C 34 46 34 38 34 30" strokeWidth={0.9} />
    </>
  ),
  "leafy-wings": (
    <>
      <Line d="M30 70 L30 4" strokeWidth={6} stroke="#8aa372" />
      <Line d="M32 42 L64 18" strokeWidth={2.4} />
      <Leaf x={33} y={44} turn={100} size={17} wide={0.5} />
      <Leaf x={27} y={44} turn={-70} size={17} wide={0.5} />
    </>
  ),
  thorn: (
    <>
      <Line d="M30 70 L30 4" strokeWidth={6} stroke={wood} />
      <Line d="M32 44 L60 22" strokeWidth={2.2} />
      <path d="M32 50 L62 50 L32 44 Z" fill={earth} stroke={ink} strokeWidth={1.3} />
    </>
  ),
};

const tipOf = (d: string) => (
  <>
    <path d={d} fill={leaf} stroke={ink} strokeWidth={1.6} strokeLinejoin="round" />
    <Line d="M36 72 L36 22" strokeWidth={1.1} />
  </>
);

const tip: Record<string, ReactNode> = {
  pointed: tipOf("M10 72 C 12 44 24 26 36 10 C 48 26 60 44 62 72 Z"),
  "drawn-out": tipOf("M10 72 C 12 46 30 40 35 4 L37 4 C 42 40 60 46 62 72 Z"),
  blunt: tipOf("M10 72 C 8 36 22 16 36 16 C 50 16 64 36 62 72 Z"),
  notched: tipOf("M10 72 C 4 38 14 12 28 14 C 33 15 35 20 36 24 C 37 20 39 15 44 14 C 58 12 68 38 62 72 Z"),
  spine: (
    <>
      {tipOf("M18 72 C 22 46 32 28 36 20 C 40 28 50 46 54 72 Z")}
      <Line d="M36 20 L36 3" strokeWidth={3} />
    </>
  ),
};

const lens = (fill: string, marks: ReactNode) => (
  <>
    <circle cx={36} cy={36} r={29} fill={fill} stroke={ink} strokeWidth={1.6} />
    {marks}
  </>
);
const spread: [number, number][] = [
  [24, 24],
  [36, 20],
  [48, 24],
  [18, 36],
  [30, 34],
  [42, 36],
  [54, 38],
  [24, 48],
  [36, 50],
  [48, 50],
  [36, 60],
  [36, 42],
];

const surface: Record<string, ReactNode> = {
  bald: lens(leaf, <Line d="M36 62 L36 12" strokeWidth={1} />),
  glossy: lens(
    "#8fae78",
    <>
      <path d="M18 30 C 24 16 40 12 50 16 C 40 18 28 24 22 36 Z" fill="#ffffff" opacity={0.85} />
      <path d="M50 52 C 54 48 57 42 57 36 C 60 44 56 52 50 52 Z" fill="#ffffff" opacity={0.7} />
    </>,
  ),
  waxy: lens(
    "#c3d3d6",
    <>
      {spread.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={2.6} fill="#ffffff" opacity={0.9} />
      ))}
    </>,
  ),
  fleshy: (
    <>
      <path
        d="M6 44 C 6 26 28 20 48 22 C 66 24 70 36 66 46 C 60 60 10 62 6 44 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.8}
      />
      <path d="M6 44 C 14 52 56 52 66 44" fill="none" stroke={ink} strokeWidth={1.2} />
      <path
        d="M18 32 C 28 26 40 26 48 28"
        fill="none"
        stroke="#ffffff"
        strokeWidth={3}
        strokeLinecap="round"
      />
    </>
  ),
  downy: lens(
    leaf,
    spread.map(([x, y]) => <Line key={`${x} ${y}`} d={`M${x} ${y} q1 -4 3 -6`} strokeWidth={1} />),
  ),
  woolly: lens(
    "#eeeae0",
    range(9).map((i) => (
      <Line
        key={i}
        d={`M${10 + i * 3} ${16 + i * 5} q 8 -6 14 0 t 14 0 t 12 0`}
        strokeWidth={1}
        stroke="#8d8a80"
      />
    )),
  ),
  bristly: lens(
    leaf,
    spread.map(([x, y]) => <Line key={`${x} ${y}`} d={`M${x} ${y} l4 -9`} strokeWidth={1.9} />),
  ),
  stinging: lens(
    leaf,
    spread.map(([x, y]) => (
      <g key={`${x} ${y}`}>
        <Line d={`M${x} ${y} l3 -10`} strokeWidth={1.1} />
        <circle cx={x} cy={y} r={2} fill="#ffffff" stroke={ink} strokeWidth={1} />
      </g>
    )),
  ),
  sticky: lens(
    leaf,
    spread.map(([x, y]) => (
      <g key={`${x} ${y}`}>
        <Line d={`M${x} ${y} l2 -7`} strokeWidth={1} />
        <circle cx={x + 2} cy={y - 8} r={2.2} fill="#efc72f" stroke={ink} strokeWidth={0.9} />
      </g>
    )),
  ),
  wrinkled: lens(
    leaf,
    <>
      <Line
        d="M36 64 L36 8 M36 54 L14 40 M36 54 L58 40 M36 40 L12 26 M36 40 L60 26 M36 26 L20 14 M36 26 L52 14"
        strokeWidth={1.7}
      />
      <Line
        d="M24 47 L26 33 M48 47 L46 33 M24 33 L28 20 M48 33 L44 20 M19 44 L20 30 M53 44 L52 30 M30 50 L31 38 M42 50 L41 38"
        strokeWidth={1.1}
      />
    </>,
  ),
};

const under = (fill: string) => (
  <>
    <path d="M8 64 C 4 34 20 10 44 6 C 60 24 54 54 30 64 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
    <path
      d="M30 64 C 54 54 60 24 44 6 C 40 26 36 44 62 58 C 52 66 40 66 30 64 Z"
      fill={fill}
      stroke={ink}
      strokeWidth={1.5}
    />
    <Line d="M12 64 C 20 46 30 26 44 6" strokeWidth={1} />
  </>
);

const underside: Record<string, ReactNode> = {
  green: under("#a9bd92"),
  white: under("#ffffff"),
  grey: under(named.grey ?? ""),
  purple: under("#9a6ba6"),
  rusty: under(named.rusty ?? ""),
};

const hairs = (marks: ReactNode) => (
  <>
    <rect x={27} y={4} width={18} height={64} fill={leaf} stroke={ink} strokeWidth={1.6} />
    <Line d="M20 36 L52 36" strokeWidth={1} strokeDasharray="2 3" />
    {marks}
  </>
);
const row = (x: number, dx: number) =>
  range(10).map((i) => <Line key={`${x} ${i}`} d={`M${x} ${10 + i * 6} l${dx} -4`} strokeWidth={1.2} />);

const hairPlace: Record<string, ReactNode> = {
  none: hairs(null),
  "all-round": hairs(
    <>
      {row(27, -9)}
      {row(45, 9)}
      {row(33, 4)}
      {row(39, 4)}
    </>,
  ),
  "one-line": hairs(<>{row(36, 6)}</>),
  "two-lines": hairs(
    <>
      {row(27, -9)}
      {row(45, 9)}
    </>,
  ),
  edges: (
    <>
      <path
        d="M27 4 L33 8 L36 4 L39 8 L45 4 L45 68 L39 64 L36 68 L33 64 L27 68 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />
      <Line d="M33 8 L33 64 M39 8 L39 64" strokeWidth={1} />
      {row(27, -8)}
      {row(45, 8)}
    </>
  ),
};

const veined = (d: string) => (
  <>
    <Blade shape="oval" />
    <Line d={d} strokeWidth={1.1} />
  </>
);

const veins: Record<string, ReactNode> = {
  "side-by-side": veined(
    "M36 60 L36 12 M33 58 C 26 40 28 26 35 14 M39 58 C 46 40 44 26 37 14 M31 54 C 22 40 24 28 33 16 M41 54 C 50 40 48 28 39 16",
  ),
  feather: veined(
    "M36 54 L26 46 M36 54 L46 46 M36 46 L24 37 M36 46 L48 37 M36 38 L24 28 M36 38 L48 28 M36 30 L28 20 M36 30 L44 20",
  ),
  fan: (
    <>
      <path d="M36 58 A 24 24 0 1 1 36.1 58 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      <Line d="M36 70 L36 12 M36 56 L18 22 M36 56 L54 22 M36 56 L13 40 M36 56 L59 40" strokeWidth={1.2} />
    </>
  ),
  arched: veined("M36 60 L36 12 M36 56 C 22 44 26 22 35 14 M36 56 C 50 44 46 22 37 14"),
  hidden: (
    <path d="M36 62 C 16 46 22 18 36 10 C 50 18 56 46 36 62 Z" fill={leaf} stroke={ink} strokeWidth={1.6} />
  ),
};

const drop = (fill: string, marks?: ReactNode) => (
  <>
    <path d="M22 4 L22 40 L50 34 L50 4 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
    <ellipse
      cx={36}
      cy={37}
      rx={14}
      ry={5.5}
      fill={pale}
      stroke={ink}
      strokeWidth={1.4}
      transform="rotate(-12 36 37)"
    />
    {marks ?? (
      <path d="M36 42 C 46 54 46 66 36 67 C 26 66 26 54 36 42 Z" fill={fill} stroke={ink} strokeWidth={1.5} />
    )}
  </>
);

const sap: Record<string, ReactNode> = {
  clear: drop("#e9f2f5"),
  milky: drop(
    "#ffffff",
    <>
      <ellipse
        cx={36}
        cy={37}
        rx={12}
        ry={4.5}
        fill="#ffffff"
        stroke={ink}
        strokeWidth={1}
        transform="rotate(-12 36 37)"
      />
      <path
        d="M30 40 C 22 54 24 68 34 68 C 44 68 46 54 40 40 Z"
        fill="#ffffff"
        stroke={ink}
        strokeWidth={1.8}
      />
    </>,
  ),
  yellow: drop("#e2a52b"),
  red: drop(named.red ?? ""),
  slimy: drop(
    "#e9f2f5",
    <path
      d="M30 40 C 32 52 28 60 30 70 C 34 66 38 66 42 70 C 44 60 40 52 42 40 Z"
      fill="#dfeee6"
      stroke={ink}
      strokeWidth={1.3}
    />,
  ),
  foamy: drop(
    "#ffffff",
    <>
      {[
        [28, 50],
        [38, 48],
        [46, 54],
        [32, 60],
        [42, 62],
        [24, 62],
        [50, 64],
      ].map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={5.4} fill="#ffffff" stroke={ink} strokeWidth={1.2} />
      ))}
    </>,
  ),
};

const threads = (
  <Blade shape="sword">
    {range(5).map((i) => (
      <Line
        key={i}
        d={`M${42 - i * 0.6} ${54 - i * 8} c 8 -2 4 -10 12 -6 M${30 + i * 0.6} ${54 - i * 8} c -8 -2 -4 -10 -12 -6`}
        strokeWidth={1.1}
      />
    ))}
  </Blade>
);

export const leafDrawings: Record<string, Record<string, ReactNode>> = {
  "leaf-order": order,
  "whorl-count": whorl,
  "leaf-build": build,
  "leaf-shape": Object.fromEntries(shapes.map((shape) => [shape, <Blade key={shape} shape={shape} />])),
  "leaf-margin": Object.fromEntries([
    ...margins.map((edge) => [edge, <Blade key={edge} shape="egg" edge={edge} />] as const),
    ["threads", threads] as const,
  ]),
  "leaf-base": base,
  "leaf-joint": joint,
  "leaf-tip": tip,
  "leaf-surface": surface,
  "leaf-underside": underside,
  "hair-place": hairPlace,
  "leaf-veins": veins,
  sap,
};
