import type { ReactNode } from "react";

import { earth, ink, leaf, Leaf, Line, pale, range, turned, wood } from "./lines";

const cut = (d: string) => <path d={d} fill={leaf} stroke={ink} strokeWidth={2} strokeLinejoin="round" />;

const section: Record<string, ReactNode> = {
  round: <circle cx={36} cy={36} r={24} fill={leaf} stroke={ink} strokeWidth={2} />,
  square: cut("M16 16 L56 16 L56 56 L16 56 Z"),
  ridged: cut(
    `M${range(48)
      .map((i) => {
        const a = (i / 48) * 2 * Math.PI;
        const r = i % 4 < 2 ? 26 : 21;
        return `${(36 + r * Math.cos(a)).toFixed(1)} ${(36 + r * Math.sin(a)).toFixed(1)}`;
      })
      .join(" L")} Z`,
  ),
  "three-sided": cut("M36 10 L62 56 L10 56 Z"),
  flat: <ellipse cx={36} cy={36} rx={30} ry={9} fill={leaf} stroke={ink} strokeWidth={2} />,
  winged: (
    <>
      {turned(4, 36, 36, <path d="M33 20 L36 4 L39 20 Z" fill={pale} stroke={ink} strokeWidth={1.6} />)}
      <circle cx={36} cy={36} r={17} fill={leaf} stroke={ink} strokeWidth={2} />
    </>
  ),
};

const stalk = (inside: ReactNode) => (
  <>
    <rect x={20} y={4} width={32} height={64} fill={leaf} stroke={ink} strokeWidth={2} />
    {inside}
  </>
);

const fill: Record<string, ReactNode> = {
  hollow: stalk(<rect x={28} y={4} width={16} height={64} fill="#fffcf6" stroke={ink} strokeWidth={1.4} />),
  solid: stalk(<Line d="M28 6 L28 66 M36 6 L36 66 M44 6 L44 66" strokeWidth={0.8} strokeDasharray="9 4" />),
  pith: stalk(
    <>
      <rect x={27} y={4} width={18} height={64} fill="#ffffff" stroke={ink} strokeWidth={1.2} />
      {range(24).map((i) => (
        <circle
          key={i}
          cx={31 + (i % 3) * 5}
          cy={8 + Math.floor(i / 3) * 8 + (i % 2) * 3}
          r={1.5}
          fill="#c9c2b2"
        />
      ))}
    </>,
  ),
  chambered: stalk(
    <>
      <rect x={28} y={4} width={16} height={64} fill="#fffcf6" stroke={ink} strokeWidth={1.4} />
      {range(5).map((i) => (
        <Line key={i} d={`M28 ${13 + i * 11} L44 ${13 + i * 11}`} strokeWidth={2.4} />
      ))}
    </>,
  ),
};

const pole = (marks: ReactNode, colour = leaf) => (
  <>
    <rect x={26} y={2} width={20} height={68} fill={colour} stroke={ink} strokeWidth={1.8} />
    {marks}
  </>
);

const mark: Record<string, ReactNode> = {
  plain: pole(null),
  "purple-spots": pole(
    [
      [31, 10],
      [40, 16],
      [33, 24],
      [42, 32],
      [30, 38],
      [38, 45],
      [32, 54],
      [41, 60],
    ].map(([x, y], i) => (
      <ellipse key={i} cx={x} cy={y} rx={i % 2 ? 3.6 : 2.4} ry={i % 2 ? 4.4 : 3} fill="#6d2b57" />
    )),
  ),
  "red-streaks": pole(
    [30, 34, 38, 42].map((x, i) => (
      <Line key={x} d={`M${x} ${6 + i * 3} L${x} ${60 + i * 2}`} stroke="#a33a44" strokeWidth={2} />
    )),
  ),
  "white-bloom": pole(
    <>
      <rect x={27} y={3} width={18} height={34} fill="#dfe7ea" />
      <path d="M27 37 C 34 30 38 44 45 36 L45 40 C 38 48 34 36 27 42 Z" fill="#dfe7ea" />
    </>,
    "#86a46f",
  ),
  woody: pole(
    <Line
      d="M31 4 C 29 20 33 34 30 68 M37 4 C 39 22 35 40 38 68 M42 4 C 41 24 44 44 42 68"
      strokeWidth={1.3}
    />,
    wood,
  ),
};

const sides = (draw: (y: number, side: 1 | -1) => ReactNode, n = 9) =>
  range(n).map((i) => (
    <g key={i}>
      {draw(8 + (i * 60) / n, 1)}
      {draw(11 + (i * 60) / n, -1)}
    </g>
  ));
const edge = (side: 1 | -1) => (side === 1 ? 46 : 26);

const surface: Record<string, ReactNode> = {
  smooth: pole(<path d="M31 6 L31 66" stroke="#ffffff" strokeWidth={3} opacity={0.8} />),
  downy: pole(sides((y, s) => <Line d={`M${edge(s)} ${y} q${s * 4} -1 ${s * 7} -4`} strokeWidth={1} />, 14)),
  bristly: pole(sides((y, s) => <Line d={`M${edge(s)} ${y} l${s * 14} -3`} strokeWidth={2} />)),
  clinging: pole(sides((y, s) => <Line d={`M${edge(s)} ${y} q${s * 11} -3 ${s * 7} 6`} strokeWidth={1.8} />)),
  prickly: pole(
    sides(
      (y, s) => (
        <path
          d={`M${edge(s)} ${y - 4} L${edge(s) + s * 15} ${y + 4} L${edge(s)} ${y + 5} Z`}
          fill={earth}
          stroke={ink}
          strokeWidth={1.4}
        />
      ),
      5,
    ),
  ),
  stinging: pole(
    sides(
      (y, s) => (
        <>
          <Line d={`M${edge(s)} ${y} l${s * 15} -2`} strokeWidth={1.3} />
          <circle cx={edge(s) + s * 3} cy={y} r={2.6} fill="#ffffff" stroke={ink} strokeWidth={1.1} />
        </>
      ),
      7,
    ),
  ),
  corky: pole(
    [
      [31, 10],
      [40, 14],
      [34, 24],
      [42, 34],
      [31, 40],
      [38, 50],
      [33, 60],
      [41, 62],
    ].map(([x, y], i) => (
      <ellipse key={i} cx={x} cy={y} rx={3.4} ry={2} fill={earth} stroke={ink} strokeWidth={1} />
    )),
    wood,
  ),
};

const joints: Record<string, ReactNode> = {
  plain: (
    <>
      <rect x={28} y={2} width={16} height={68} fill={leaf} stroke={ink} strokeWidth={1.8} />
      <Line d="M28 36 L44 36" strokeWidth={1.4} />
      <Leaf x={44} y={36} turn={62} size={24} />
    </>
  ),
  swollen: (
    <>
      <path
        d="M30 2 L30 26 C 18 32 18 44 30 50 L30 70 L42 70 L42 50 C 54 44 54 32 42 26 L42 2 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.8}
      />
      <Leaf x={44} y={28} turn={62} size={24} />
    </>
  ),
};

const climbing = (hold: ReactNode) => (
  <>
    <rect x={48} y={2} width={9} height={68} fill={wood} stroke={ink} strokeWidth={1.5} />
    {hold}
  </>
);

const tendrils: Record<string, ReactNode> = {
  none: climbing(
    <>
      <path
        d="M20 70 C 34 60 62 60 62 50 C 62 40 42 42 42 34 C 42 24 62 26 62 16 C 60 8 46 10 40 4"
        fill="none"
        stroke="#7d9a63"
        strokeWidth={3.4}
      />
      <Leaf x={42} y={36} turn={-70} size={22} wide={0.42} />
    </>,
  ),
  tendrils: climbing(
    <>
      <path d="M16 70 C 24 48 14 26 20 4" fill="none" stroke="#7d9a63" strokeWidth={3.4} />
      <Line d="M19 44 C 26 36 30 50 36 42 C 40 36 34 32 34 38 C 36 46 46 42 60 40 C 64 38 60 34 47 36" />
      <Line d="M18 20 C 26 14 30 26 36 18 C 40 12 34 10 34 15 C 38 22 46 18 60 16" />
      <Leaf x={19} y={50} turn={-60} size={18} wide={0.42} />
    </>,
  ),
};

export const stemDrawings: Record<string, Record<string, ReactNode>> = {
  "stem-section": section,
  "stem-fill": fill,
  "stem-mark": mark,
  "stem-surface": surface,
  "stem-joints": joints,
  tendrils,
};
