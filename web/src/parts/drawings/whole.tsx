import type { ReactNode } from "react";

import { Dot, earth, ink, leaf, Leaf, Line, named, range, turned, wood } from "./lines";

const ground = <Line d="M4 64 L68 64" stroke={wood} strokeWidth={2} />;

const growth: Record<string, ReactNode> = {
  upright: (
    <>
      {ground}
      <Line d="M36 64 L36 8" strokeWidth={2.2} />
      {[54, 44, 34, 24].map((y, i) => (
        <Leaf key={y} x={36} y={y} turn={i % 2 ? 55 : -55} size={15} />
      ))}
    </>
  ),
  clump: (
    <>
      {ground}
      {[-50, -34, -18, -6, 6, 18, 34, 50].map((turn) => (
        <Leaf key={turn} x={36 + turn * 0.12} y={64} turn={turn} size={44} wide={0.12} />
      ))}
    </>
  ),
  rosette: (
    <>
      {turned(9, 36, 40, <Leaf x={36} y={38} turn={0} size={27} wide={0.26} />)}
      <Dot cx={36} cy={40} r={4} />
    </>
  ),
  mat: (
    <>
      {ground}
      <Line d="M6 60 C 20 54 34 62 66 56" />
      {[10, 22, 34, 46, 58].map((x) => (
        <g key={x}>
          <Leaf x={x} y={58} turn={-26} size={13} />
          <Leaf x={x} y={58} turn={26} size={13} />
          <Line d={`M${x} 60 L${x} 70`} strokeWidth={1} />
        </g>
      ))}
    </>
  ),
  sprawling: (
    <>
      {ground}
      <Line d="M10 64 C 22 36 44 36 64 60 M10 64 C 20 50 34 50 50 62" />
      {[
        [22, 46, -30],
        [34, 40, 10],
        [46, 44, 50],
        [58, 54, 80],
        [30, 54, 20],
      ].map(([x, y, turn]) => (
        <Leaf key={x} x={x ?? 0} y={y ?? 0} turn={turn ?? 0} size={13} />
      ))}
    </>
  ),
  twining: (
    <>
      {ground}
      <Line d="M36 68 L36 4" stroke={wood} strokeWidth={4} />
      <Line d="M26 64 C 26 52 46 54 46 44 C 46 36 26 38 26 28 C 26 20 46 22 46 12" strokeWidth={2} />
      {[
        [46, 46, 70],
        [26, 30, -70],
        [46, 14, 60],
        [27, 58, -80],
      ].map(([x, y, turn]) => (
        <Leaf key={y} x={x ?? 0} y={y ?? 0} turn={turn ?? 0} size={15} />
      ))}
    </>
  ),
  bush: (
    <>
      {ground}
      <path
        d="M10 48 C 2 30 18 12 36 14 C 54 12 70 30 62 48 C 50 58 22 58 10 48 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />
      <Line d="M30 64 L26 40 M36 64 L36 34 M42 64 L46 40" stroke={wood} strokeWidth={2.6} />
    </>
  ),
  tree: (
    <>
      {ground}
      <path d="M33 64 L34 34 L38 34 L39 64 Z" fill={wood} stroke={ink} strokeWidth={1.4} />
      <path
        d="M36 4 C 56 4 66 20 58 34 C 50 44 22 44 14 34 C 6 20 16 4 36 4 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />
    </>
  ),
  pads: (
    <>
      {ground}
      <ellipse cx={36} cy={50} rx={12} ry={14} fill={leaf} stroke={ink} strokeWidth={1.5} />
      <ellipse cx={22} cy={28} rx={10} ry={12} fill={leaf} stroke={ink} strokeWidth={1.5} />
      <ellipse cx={50} cy={26} rx={10} ry={12} fill={leaf} stroke={ink} strokeWidth={1.5} />
      <ellipse cx={36} cy={12} rx={7} ry={9} fill={leaf} stroke={ink} strokeWidth={1.5} />
    </>
  ),
};

const flakes = [
  [12, 12],
  [30, 8],
  [50, 14],
  [62, 8],
  [20, 26],
  [58, 28],
].map(([x, y]) => (
  <Line
    key={`${x} ${y}`}
    d={`M${x} ${(y ?? 0) - 3} l0 6 M${(x ?? 0) - 3} ${y} l6 0`}
    strokeWidth={1}
    stroke={named.blue}
  />
));

const winter: Record<string, ReactNode> = {
  gone: (
    <>
      {flakes}
      {ground}
      <path d="M30 66 L36 70 L42 66 Z" fill={earth} stroke={ink} strokeWidth={1.2} />
    </>
  ),
  rosette: (
    <>
      {flakes}
      {ground}
      {[-76, -48, -20, 20, 48, 76].map((turn) => (
        <Leaf key={turn} x={36} y={63} turn={turn} size={22} />
      ))}
    </>
  ),
  green: (
    <>
      {flakes}
      {ground}
      <path d="M14 58 C 8 42 22 26 36 28 C 50 26 64 42 58 58 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
    </>
  ),
  bare: (
    <>
      {flakes}
      {ground}
      <Line
        d="M36 64 L36 26 M36 50 L22 34 M36 44 L50 28 M36 34 L28 22 M36 34 L44 20 M22 34 L16 32 M50 28 L56 26"
        stroke={wood}
        strokeWidth={2.2}
      />
    </>
  ),
  dead: (
    <>
      {flakes}
      {ground}
      <Line d="M36 64 L34 40 L42 30 M34 40 L24 34" stroke={earth} strokeWidth={2.4} />
      <Line d="M50 46 L62 58 M62 46 L50 58" strokeWidth={2} />
    </>
  ),
};

const water = "#9fbccb";

const habitat: Record<string, ReactNode> = {
  wet: (
    <>
      <Line d="M4 46 q8 -5 16 0 t16 0 t16 0 t16 0" stroke={water} strokeWidth={3} />
      <Line d="M4 58 q8 -5 16 0 t16 0 t16 0 t16 0" stroke={water} strokeWidth={3} />
      <Line d="M24 44 L22 12 M32 44 L34 8 M42 44 L44 16" strokeWidth={2} stroke="#6d8b57" />
    </>
  ),
  meadow: (
    <>
      {range(12).map((i) => (
        <Line
          key={i}
          d={`M${6 + i * 5.4} 66 q${i % 2 ? 3 : -3} -18 ${i % 3 ? 2 : -2} -${28 + (i % 4) * 5}`}
          stroke="#6d8b57"
        />
      ))}
      <Dot cx={22} cy={26} r={4} fill="#efc72f" />
      <Dot cx={48} cy={22} r={4} fill="#e6b9ca" />
    </>
  ),
  wood: (
    <>
      <g transform="translate(-14 0) scale(0.8)">{growth.tree}</g>
      <g transform="translate(24 4) scale(0.72)">{growth.tree}</g>
      <Line d="M4 64 L68 64" stroke={wood} strokeWidth={2} />
    </>
  ),
  dry: (
    <>
      {ground}
      {[
        [14, 58, 8],
        [32, 60, 6],
        [48, 57, 9],
        [62, 61, 5],
      ].map(([x, y, r]) => (
        <ellipse
          key={x}
          cx={x}
          cy={y}
          rx={r}
          ry={(r ?? 0) * 0.7}
          fill="#d4cbbd"
          stroke={ink}
          strokeWidth={1.3}
        />
      ))}
      <circle cx={52} cy={18} r={9} fill="#f0cf5a" stroke={ink} strokeWidth={1.3} />
      <Leaf x={28} y={56} turn={-10} size={16} />
    </>
  ),
  disturbed: (
    <>
      <path
        d="M4 60 L14 50 L24 58 L34 48 L46 58 L58 50 L68 60 L68 70 L4 70 Z"
        fill={earth}
        stroke={ink}
        strokeWidth={1.4}
      />
      <Line d="M50 50 L34 8 M28 10 L40 6" stroke={wood} strokeWidth={3} />
      <path d="M46 44 L56 42 L58 58 L50 60 Z" fill="#b7b7bb" stroke={ink} strokeWidth={1.3} />
    </>
  ),
  desert: (
    <>
      <circle cx={54} cy={16} r={10} fill="#f0cf5a" stroke={ink} strokeWidth={1.3} />
      <Line d="M4 60 C 20 48 34 62 68 52" stroke={earth} strokeWidth={3} />
      <path
        d="M24 60 L24 22 C 24 16 32 16 32 22 L32 60 Z M24 42 L16 40 L16 30 M32 38 L40 36 L40 28"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.6}
      />
    </>
  ),
  mountain: (
    <>
      <path
        d="M2 64 L24 18 L36 40 L48 10 L70 64 Z"
        fill="#d8d3cb"
        stroke={ink}
        strokeWidth={1.5}
        strokeLinejoin="round"
      />
      <path
        d="M42 26 L48 10 L55 26 L49 22 Z M18 30 L24 18 L30 30 L24 26 Z"
        fill="#ffffff"
        stroke={ink}
        strokeWidth={1.1}
      />
    </>
  ),
  coast: (
    <>
      <path d="M4 36 L26 36 L32 66 L4 66 Z" fill={earth} stroke={ink} strokeWidth={1.4} />
      <Line d="M34 48 q6 -8 12 0 t12 0 t12 0 M34 60 q6 -8 12 0 t12 0 t12 0" stroke={water} strokeWidth={3} />
      <Leaf x={14} y={36} turn={-16} size={16} />
      <Leaf x={16} y={36} turn={24} size={16} />
    </>
  ),
  garden: (
    <>
      {ground}
      {[10, 24, 38, 52, 64].map((x) => (
        <path
          key={x}
          d={`M${x - 4} 64 L${x - 4} 36 L${x} 30 L${x + 4} 36 L${x + 4} 64 Z`}
          fill="#ecdfc4"
          stroke={ink}
          strokeWidth={1.2}
        />
      ))}
      <Line d="M4 44 L70 44" />
      <Dot cx={17} cy={22} r={6} fill="#e6b9ca" />
      <Line d="M17 28 L17 40" />
    </>
  ),
};

const air = <Line d="M12 20 q6 -6 0 -12 M24 16 q6 -6 0 -12" strokeWidth={1.4} stroke="#8d8a80" />;

const smell: Record<string, ReactNode> = {
  none: (
    <>
      <Leaf x={30} y={62} turn={16} size={48} />
      <Line d="M54 16 L66 28 M66 16 L54 28" strokeWidth={2} />
    </>
  ),
  mint: (
    <>
      {air}
      <Leaf x={36} y={66} turn={-32} size={36} wide={0.44} />
      <Leaf x={36} y={66} turn={32} size={36} wide={0.44} />
      <Leaf x={36} y={40} turn={0} size={26} wide={0.44} />
    </>
  ),
  lemon: (
    <>
      {air}
      <path
        d="M12 46 C 8 44 8 40 13 40 C 24 20 52 22 60 38 C 66 40 66 46 61 47 C 50 66 22 64 12 46 Z"
        fill="#f3d94c"
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line d="M24 38 q8 -8 18 -6" stroke="#ffffff" strokeWidth={2.4} />
    </>
  ),
  aniseed: (
    <>
      {air}
      {turned(
        8,
        40,
        42,
        <path
          d="M40 40 C 46 34 45 24 40 16 C 35 24 34 34 40 40 Z"
          fill="#b98455"
          stroke={ink}
          strokeWidth={1.2}
        />,
      )}
      <Dot cx={40} cy={42} r={4} fill="#8a5a34" />
    </>
  ),
  garlic: (
    <>
      {air}
      <path
        d="M36 14 C 38 26 62 32 58 52 C 54 66 18 66 14 52 C 10 32 34 26 36 14 Z"
        fill="#faf5ee"
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line d="M36 20 C 26 34 24 50 30 62 M36 20 C 46 34 48 50 42 62" strokeWidth={1.2} />
    </>
  ),
  mouse: (
    <>
      <path
        d="M12 56 C 10 36 26 28 42 34 C 54 36 62 46 64 54 C 50 60 30 62 12 56 Z"
        fill="#b3aca6"
        stroke={ink}
        strokeWidth={1.6}
      />
      <circle cx={46} cy={32} r={8} fill="#cfc6c0" stroke={ink} strokeWidth={1.5} />
      <circle cx={55} cy={48} r={1.8} fill={ink} />
      <Line d="M12 54 C 2 52 4 38 14 34" />
    </>
  ),
  celery: (
    <>
      {air}
      {[-10, 0, 10].map((dx) => (
        <path
          key={dx}
          d={`M${32 + dx} 68 L${34 + dx} 34 L${40 + dx} 34 L${40 + dx} 68 Z`}
          fill="#bcd39a"
          stroke={ink}
          strokeWidth={1.3}
        />
      ))}
      {[-50, -22, 8, 36].map((turn) => (
        <Leaf key={turn} x={37} y={36} turn={turn} size={25} wide={0.42} />
      ))}
    </>
  ),
  carrot: (
    <>
      {air}
      <path
        d="M28 30 C 36 26 46 28 50 34 C 46 50 36 62 22 70 C 20 56 20 42 28 30 Z"
        fill="#e2892b"
        stroke={ink}
        strokeWidth={1.6}
      />
      {[10, 34, 58].map((turn) => (
        <Leaf key={turn} x={40} y={28} turn={turn} size={22} wide={0.2} />
      ))}
    </>
  ),
  rank: (
    <>
      {range(4).map((i) => (
        <Line key={i} d={`M${12 + i * 15} 62 q9 -9 0 -18 t0 -18 t0 -18`} strokeWidth={2.2} stroke="#7f7a3a" />
      ))}
    </>
  ),
  hay: (
    <>
      {air}
      {range(9).map((i) => (
        <Line
          key={i}
          d={`M${30 + i} 40 L${10 + i * 6.6} ${12 + (i % 3) * 2} M${30 + i} 40 L${14 + i * 6} 68`}
          stroke="#b6953f"
          strokeWidth={2}
        />
      ))}
      <Line d="M24 40 L44 40" stroke="#8a5a34" strokeWidth={4} />
    </>
  ),
  cucumber: (
    <>
      {air}
      <circle cx={38} cy={42} r={24} fill="#7fa25c" stroke={ink} strokeWidth={1.6} />
      <circle cx={38} cy={42} r={19} fill="#dfeac4" stroke={ink} strokeWidth={1} />
      {turned(
        9,
        38,
        42,
        <ellipse cx={38} cy={32} rx={1.8} ry={4} fill="#fffcf6" stroke={ink} strokeWidth={0.9} />,
      )}
    </>
  ),
  camphor: (
    <>
      {air}
      <path
        d="M24 66 C 14 44 24 22 44 12 C 58 30 54 54 34 66 Z"
        fill="#bccbb9"
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line
        d="M28 66 C 32 48 36 30 44 14 M31 50 L20 44 M35 38 L24 30 M33 46 L46 46 M38 32 L50 34"
        strokeWidth={1.2}
      />
    </>
  ),
  mustard: (
    <>
      <path
        d="M36 6 C 44 20 56 26 54 44 C 52 60 42 66 36 66 C 30 66 18 60 18 44 C 18 34 26 32 28 22 C 32 28 33 32 33 36 C 38 28 38 16 36 6 Z"
        fill="#e9a23c"
        stroke={ink}
        strokeWidth={1.6}
      />
      <path
        d="M36 36 C 42 44 44 52 36 62 C 28 54 30 46 36 36 Z"
        fill="#f7e09a"
        stroke={ink}
        strokeWidth={1.2}
      />
    </>
  ),
  apple: (
    <>
      {air}
      <path
        d="M38 28 C 50 18 66 28 62 46 C 58 64 44 68 38 64 C 32 68 18 64 14 46 C 10 28 26 18 38 28 Z"
        fill="#cf6d5b"
        stroke={ink}
        strokeWidth={1.6}
      />
      <Line d="M38 28 C 38 20 42 14 46 12" strokeWidth={2} />
      <Leaf x={42} y={18} turn={80} size={15} />
    </>
  ),
  honey: (
    <>
      {[
        [22, 24],
        [44, 24],
        [33, 43],
        [55, 43],
        [22, 62],
        [44, 62],
      ].map(([x, y]) => (
        <path
          key={`${x} ${y}`}
          d={`M${x} ${(y ?? 0) - 12} l10.4 6 l0 12 l-10.4 6 l-10.4 -6 l0 -12 Z`}
          fill="#efc45a"
          stroke={ink}
          strokeWidth={1.3}
        />
      ))}
    </>
  ),
  resin: (
    <>
      <rect x={8} y={4} width={22} height={64} fill={wood} stroke={ink} strokeWidth={1.5} />
      <path
        d="M30 18 C 44 22 36 40 46 52 C 50 62 36 66 34 54 C 34 44 32 38 30 36 Z"
        fill="#e0a83c"
        stroke={ink}
        strokeWidth={1.5}
      />
    </>
  ),
  wintergreen: (
    <>
      {air}
      <rect x={26} y={24} width={22} height={42} rx={4} fill="#dfeee6" stroke={ink} strokeWidth={1.6} />
      <rect x={30} y={14} width={14} height={10} fill="#8fae6a" stroke={ink} strokeWidth={1.5} />
      <Leaf x={37} y={58} turn={0} size={24} wide={0.4} />
    </>
  ),
  thyme: (
    <>
      {air}
      <Line d="M38 68 L38 14" strokeWidth={2} />
      {[22, 32, 42, 52, 62].map((y) => (
        <g key={y}>
          <Leaf x={38} y={y} turn={66} size={12} wide={0.3} />
          <Leaf x={38} y={y} turn={-66} size={12} wide={0.3} />
        </g>
      ))}
      <Dot cx={38} cy={12} r={4} fill="#d3a6c0" />
    </>
  ),
};

export const wholeDrawings: Record<string, Record<string, ReactNode>> = {
  growth,
  "winter-leaf": winter,
  habitat,
  smell,
};
