import type { ReactNode } from "react";

import { Dot, earth, ink, leaf, Leaf, Line, named, range, turned, wood } from "./lines";

const red = "#c56a5c";
const dry = "#cdb083";

const kinds: Record<string, ReactNode> = {
  berry: (
    <>
      <Line d="M36 6 L36 22 M36 14 L20 28 M36 14 L54 28" />
      {[
        [36, 36],
        [18, 42],
        [54, 42],
      ].map(([x, y]) => (
        <g key={x}>
          <circle cx={x} cy={y} r={13} fill={red} stroke={ink} strokeWidth={1.5} />
          <path
            d={`M${(x ?? 0) - 6} ${(y ?? 0) - 6} q3 -4 7 -3`}
            fill="none"
            stroke="#ffffff"
            strokeWidth={2}
            strokeLinecap="round"
          />
        </g>
      ))}
    </>
  ),
  stone: (
    <>
      <circle cx={36} cy={38} r={24} fill={red} stroke={ink} strokeWidth={1.6} />
      <ellipse cx={36} cy={38} rx={11} ry={13} fill={dry} stroke={ink} strokeWidth={1.5} />
      <Line d="M36 14 L40 4" />
    </>
  ),
  hip: (
    <>
      <path
        d="M36 66 C 12 58 14 26 28 20 L44 20 C 58 26 60 58 36 66 Z"
        fill={red}
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line d="M28 20 L22 8 M36 20 L36 6 M44 20 L50 8 M32 20 L30 10 M40 20 L42 10" strokeWidth={1.8} />
    </>
  ),
  compound: (
    <>
      {[
        [26, 26],
        [36, 23],
        [46, 26],
        [22, 36],
        [32, 34],
        [42, 34],
        [51, 36],
        [27, 45],
        [37, 44],
        [46, 45],
        [32, 54],
        [41, 54],
        [36, 61],
      ].map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={6.4} fill={red} stroke={ink} strokeWidth={1.2} />
      ))}
      {[-60, -20, 20, 60].map((turn) => (
        <Leaf key={turn} x={36} y={20} turn={turn} size={13} />
      ))}
    </>
  ),
  pod: (
    <>
      <path d="M10 16 C 20 8 60 44 64 62 C 48 66 12 36 10 16 Z" fill={dry} stroke={ink} strokeWidth={1.6} />
      {[
        [22, 24],
        [32, 33],
        [42, 43],
        [52, 53],
      ].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={4.4} fill={leaf} stroke={ink} strokeWidth={1.2} />
      ))}
    </>
  ),
  capsule: (
    <>
      <path
        d="M22 24 C 12 44 20 62 36 64 C 52 62 60 44 50 24 L44 14 L40 22 L36 12 L32 22 L28 14 Z"
        fill={dry}
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line d="M30 24 C 26 40 28 54 34 63 M42 24 C 46 40 44 54 38 63" strokeWidth={1} />
      {[
        [16, 12],
        [58, 14],
        [62, 24],
      ].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={1.8} fill={ink} />
      ))}
    </>
  ),
  nutlets: (
    <>
      <path
        d="M12 30 C 14 58 58 58 60 30 L52 38 L44 28 L36 38 L28 28 L20 38 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />
      {[
        [29, 42],
        [43, 42],
        [29, 52],
        [43, 52],
      ].map(([x, y]) => (
        <ellipse key={`${x} ${y}`} cx={x} cy={y} rx={6} ry={5} fill={dry} stroke={ink} strokeWidth={1.4} />
      ))}
    </>
  ),
  nut: (
    <>
      {[
        [24, 30, -20],
        [46, 26, 24],
        [36, 50, 6],
      ].map(([x, y, turn]) => (
        <g key={x} transform={`rotate(${turn} ${x} ${y})`}>
          <path
            d={`M${x} ${(y ?? 0) - 14} C ${(x ?? 0) + 11} ${(y ?? 0) - 4} ${(x ?? 0) + 8} ${(y ?? 0) + 12} ${x} ${(y ?? 0) + 13} C ${(x ?? 0) - 8} ${(y ?? 0) + 12} ${(x ?? 0) - 11} ${(y ?? 0) - 4} ${x} ${(y ?? 0) - 14} Z`}
            fill={dry}
            stroke={ink}
            strokeWidth={1.5}
          />
        </g>
      ))}
    </>
  ),
  winged: (
    <>
      <path d="M36 6 C 66 14 66 58 36 66 C 6 58 6 14 36 6 Z" fill="#ecdfc4" stroke={ink} strokeWidth={1.5} />
      <ellipse cx={36} cy={36} rx={9} ry={16} fill={dry} stroke={ink} strokeWidth={1.5} />
    </>
  ),
  parachute: (
    <>
      <path d="M33 52 L36 66 L39 52 Z" fill={dry} stroke={ink} strokeWidth={1.4} />
      <Line d="M36 52 L36 28" />
      {range(11).map((i) => (
        <Line key={i} d={`M36 28 L${6 + i * 6} ${14 - 6 * Math.sin((i * Math.PI) / 10)}`} strokeWidth={1.1} />
      ))}
    </>
  ),
  bur: (
    <>
      <circle cx={36} cy={36} r={17} fill={dry} stroke={ink} strokeWidth={1.5} />
      {turned(18, 36, 36, <Line d="M36 19 L36 7 q4 -3 5 3" strokeWidth={1.5} />)}
    </>
  ),
  "twin-winged": (
    <>
      {[21, 51].map((x) => (
        <g key={x}>
          <ellipse cx={x} cy={36} rx={14} ry={28} fill="#f6ecd6" stroke={ink} strokeWidth={1.4} />
          <ellipse cx={x} cy={36} rx={6} ry={24} fill={dry} stroke={ink} strokeWidth={1.4} />
          <Line d={`M${x} 14 L${x} 58`} strokeWidth={1.2} />
        </g>
      ))}
    </>
  ),
  "twin-ribbed": (
    <>
      {[25, 47].map((x) => (
        <g key={x}>
          <path
            d={`M${x} 10 C ${x + 14} 22 ${x + 13} 52 ${x} 64 C ${x - 13} 52 ${x - 14} 22 ${x} 10 Z`}
            fill={dry}
            stroke={ink}
            strokeWidth={1.5}
          />
          <Line
            d={`M${x - 4} 14 C ${x - 8} 30 ${x - 8} 46 ${x - 4} 60 M${x} 11 L${x} 63 M${x + 4} 14 C ${x + 8} 30 ${x + 8} 46 ${x + 4} 60`}
            strokeWidth={1.4}
          />
        </g>
      ))}
    </>
  ),
  cone: (
    <>
      {range(6).map((i) => (
        <g key={i}>
          {range(3).map((j) => (
            <path
              key={j}
              d={`M${20 + j * 11 + (i % 2) * 5} ${16 + i * 8} q5.5 12 11 0 Z`}
              fill={i % 2 ? leaf : "#c9d6b2"}
              stroke={ink}
              strokeWidth={1.2}
            />
          ))}
        </g>
      ))}
      <Line d="M36 4 L36 16" />
    </>
  ),
  follicles: (
    <>
      <Line d="M36 70 L36 56" strokeWidth={2.2} />
      {[-30, 0, 30].map((turn) => (
        <g key={turn} transform={`rotate(${turn} 36 56)`}>
          <path
            d="M36 56 C 26 42 28 22 36 10 C 44 22 46 42 36 56 Z"
            fill={dry}
            stroke={ink}
            strokeWidth={1.5}
          />
          <Line d="M36 52 L36 14" strokeWidth={1} />
        </g>
      ))}
    </>
  ),
  "spiny-capsule": (
    <>
      <path d="M36 10 C 58 14 58 58 36 64 C 14 58 14 14 36 10 Z" fill={leaf} stroke={ink} strokeWidth={1.6} />
      {turned(14, 36, 37, <path d="M34 14 L36 3 L38 14 Z" fill={leaf} stroke={ink} strokeWidth={1.2} />)}
      {[
        [30, 28],
        [42, 30],
        [36, 42],
        [28, 46],
        [45, 48],
      ].map(([x, y]) => (
        <Line key={`${x} ${y}`} d={`M${x} ${y} l3 -6`} strokeWidth={1.6} />
      ))}
    </>
  ),
};

const coloured = (fill: string) => (
  <>
    <Line d="M36 4 L36 18 M36 10 L18 26 M36 10 L56 26" />
    {[
      [36, 32],
      [17, 40],
      [56, 40],
    ].map(([x, y]) => (
      <circle key={x} cx={x} cy={y} r={14} fill={fill} stroke={ink} strokeWidth={1.6} />
    ))}
  </>
);

const soil = <Line d="M4 18 L68 18" stroke={wood} strokeWidth={2} />;
const shoots = (
  <>
    <Leaf x={35} y={18} turn={-24} size={14} />
    <Leaf x={37} y={18} turn={24} size={14} />
  </>
);

const roots: Record<string, ReactNode> = {
  tap: (
    <>
      {soil}
      {shoots}
      <path
        d="M28 18 C 30 40 34 58 36 70 C 38 58 42 40 44 18 Z"
        fill={earth}
        stroke={ink}
        strokeWidth={1.5}
      />
      <Line d="M31 34 L20 40 M41 44 L52 50 M34 56 L26 62" strokeWidth={1.1} />
    </>
  ),
  fibres: (
    <>
      {soil}
      {shoots}
      {[-26, -18, -10, -3, 4, 11, 19, 27].map((dx) => (
        <Line
          key={dx}
          d={`M36 18 C ${36 + dx * 0.3} 36 ${36 + dx} 42 ${36 + dx * 1.1} ${64 - Math.abs(dx) * 0.5}`}
          strokeWidth={1.3}
        />
      ))}
    </>
  ),
  rhizome: (
    <>
      {soil}
      <path
        d="M6 34 C 22 28 50 28 66 36 L64 46 C 48 40 24 40 8 46 Z"
        fill={earth}
        stroke={ink}
        strokeWidth={1.5}
      />
      {[18, 36, 54].map((x) => (
        <g key={x}>
          <Line d={`M${x} 32 L${x} 18`} />
          <Leaf x={x} y={18} turn={0} size={14} />
          <Line d={`M${x} 42 L${x - 4} 60 M${x} 42 L${x + 4} 58`} strokeWidth={1} />
        </g>
      ))}
    </>
  ),
  runners: (
    <>
      {soil}
      <Line d="M8 30 C 24 26 44 34 66 28" strokeWidth={2.4} />
      {[10, 36, 62].map((x) => (
        <g key={x}>
          <Line d={`M${x} 29 L${x} 18`} />
          <Leaf x={x} y={18} turn={-18} size={12} />
          <Leaf x={x} y={18} turn={18} size={12} />
          <Line d={`M${x} 30 L${x - 5} 48 M${x} 30 L${x} 52 M${x} 30 L${x + 5} 47`} strokeWidth={1} />
        </g>
      ))}
    </>
  ),
  tubers: (
    <>
      {soil}
      {shoots}
      {[-48, -20, 8, 38].map((turn) => (
        <g key={turn} transform={`rotate(${turn} 36 18)`}>
          <path
            d="M34 20 C 28 34 27 50 36 64 C 45 50 44 34 38 20 Z"
            fill="#efe6d2"
            stroke={ink}
            strokeWidth={1.5}
          />
        </g>
      ))}
    </>
  ),
  bulb: (
    <>
      {soil}
      {shoots}
      <path
        d="M36 18 C 44 28 58 34 54 50 C 50 60 22 60 18 50 C 14 34 28 28 36 18 Z"
        fill="#efe6d2"
        stroke={ink}
        strokeWidth={1.5}
      />
      <Line d="M36 20 C 30 34 28 46 30 57 M36 20 C 42 34 44 46 42 57" strokeWidth={1.1} />
      <Line d="M30 58 L28 68 M36 58 L36 69 M42 58 L44 68" strokeWidth={1.1} />
    </>
  ),
  corm: (
    <>
      {soil}
      <Line d="M36 18 L36 30" strokeWidth={3} />
      {shoots}
      <path
        d="M16 38 C 20 30 52 30 56 38 C 60 54 48 60 36 60 C 24 60 12 54 16 38 Z"
        fill="#8a6a45"
        stroke={ink}
        strokeWidth={1.5}
      />
      <path
        d="M24 40 C 28 36 44 36 48 40 C 50 50 44 54 36 54 C 28 54 22 50 24 40 Z"
        fill="#fbf5e6"
        stroke={ink}
        strokeWidth={1.2}
      />
      <Line d="M30 60 L28 68 M42 60 L44 68" strokeWidth={1.1} />
    </>
  ),
  fingers: (
    <>
      {soil}
      {shoots}
      <path
        d="M34 18 C 24 26 8 24 8 34 C 8 42 20 42 26 38 C 18 46 10 54 18 59 C 26 63 32 52 36 46 C 40 56 50 66 57 59 C 64 52 54 44 47 40 C 56 42 66 42 65 33 C 64 25 48 27 38 18 Z"
        fill="#e3cf9a"
        stroke={ink}
        strokeWidth={1.5}
        strokeLinejoin="round"
      />
      <Line d="M20 27 L18 40 M24 44 L28 51 M50 28 L52 40 M43 46 L40 53" strokeWidth={1} />
    </>
  ),
  woody: (
    <>
      {soil}
      <path
        d="M30 4 L30 18 C 26 30 14 36 8 52 L12 54 C 20 44 28 42 32 36 L34 62 L38 62 L40 36 C 46 42 54 46 60 56 L64 53 C 56 36 46 30 42 18 L42 4 Z"
        fill={wood}
        stroke={ink}
        strokeWidth={1.5}
      />
    </>
  ),
};

const slice = (fill: string, marks?: ReactNode) => (
  <>
    <circle cx={36} cy={36} r={27} fill="#8a6a45" stroke={ink} strokeWidth={1.6} />
    <circle cx={36} cy={36} r={22} fill={fill} stroke={ink} strokeWidth={1.2} />
    {marks ?? <Dot cx={36} cy={36} r={4} fill={fill} />}
  </>
);

const inside: Record<string, ReactNode> = {
  white: slice("#fdf8ea"),
  yellow: slice("#e8c545"),
  orange: slice(named.orange ?? ""),
  brown: slice("#a87b4d"),
  red: slice("#a8434a"),
  chambered: (
    <>
      <path
        d="M24 4 L48 4 C 60 30 56 56 36 68 C 16 56 12 30 24 4 Z"
        fill="#efe6d2"
        stroke={ink}
        strokeWidth={1.6}
      />
      {range(5).map((i) => (
        <rect
          key={i}
          x={26 + i * 0.8}
          y={10 + i * 10}
          width={20 - i * 1.6}
          height={6.4}
          fill="#6d5a44"
          stroke={ink}
          strokeWidth={1}
        />
      ))}
    </>
  ),
};

export const fruitDrawings: Record<string, Record<string, ReactNode>> = {
  fruit: kinds,
  "fruit-colour": Object.fromEntries(
    ["black", "blue", "red", "orange", "white", "brown", "green"].map((c) => [c, coloured(named[c] ?? "")]),
  ),
  "root-form": roots,
  "root-inside": inside,
};
