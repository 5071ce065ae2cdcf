import type { ReactNode } from "react";

import { Blade, earth, ink, leaf, Leaf, Line, named, pale, range, wood } from "./lines";

const cut = (d: string) => <path d={d} fill={leaf} stroke={ink} strokeWidth={2} strokeLinejoin="round" />;

const section: Record<string, ReactNode> = {
  round: <circle cx={36} cy={36} r={22} fill={leaf} stroke={ink} strokeWidth={2} />,
  tube: (
    <>
      <circle cx={36} cy={36} r={25} fill={leaf} stroke={ink} strokeWidth={2} />
      <circle cx={36} cy={36} r={16} fill="#fffcf6" stroke={ink} strokeWidth={1.5} />
    </>
  ),
  grooved: cut("M14 22 C 22 20 26 40 36 40 C 46 40 50 20 58 22 C 64 40 52 60 36 60 C 20 60 8 40 14 22 Z"),
  "three-sided": cut("M10 20 L62 20 L36 62 Z"),
  winged: cut("M2 28 L26 30 C 30 26 42 26 46 30 L70 28 L70 33 L48 38 C 46 50 26 50 24 38 L2 33 Z"),
  none: (
    <>
      <Line d="M36 70 L36 4" strokeWidth={3} />
      <Leaf x={36} y={40} turn={70} size={32} />
      <Leaf x={36} y={40} turn={-70} size={32} />
    </>
  ),
};

const pole = (hairs: ReactNode) => (
  <>
    <rect x={30} y={20} width={12} height={50} fill={leaf} stroke={ink} strokeWidth={1.7} />
    <path d="M14 20 C 20 4 52 4 58 20 Z" fill={leaf} stroke={ink} strokeWidth={1.7} />
    {hairs}
  </>
);

const along = (draw: (y: number, side: 1 | -1) => string, width: number) =>
  range(6).map((i) => (
    <Line key={i} d={`${draw(26 + i * 7.5, 1)} ${draw(26 + i * 7.5, -1)}`} strokeWidth={width} />
  ));

const edge = (side: 1 | -1) => (side > 0 ? 42 : 30);

const sheathed = (sheath: ReactNode) => (
  <>
    <rect x={31} y={2} width={10} height={68} fill={leaf} stroke={ink} strokeWidth={1.7} />
    {sheath}
  </>
);

const after = (then: string) => (
  <>
    <rect x={4} y={26} width={28} height={12} fill={leaf} stroke={ink} strokeWidth={1.5} />
    <circle cx={30} cy={32} r={6} fill="#f1f4ec" stroke={ink} strokeWidth={1.2} />
    <Line d="M20 50 a8 8 0 1 1 -0.1 0 M20 54 L20 58 L24 60" strokeWidth={1.3} />
    <rect x={38} y={26} width={26} height={12} fill={leaf} stroke={ink} strokeWidth={1.5} />
    <circle cx={62} cy={32} r={7.5} fill={then} stroke={ink} strokeWidth={1.4} />
  </>
);

const soil = <Line d="M4 62 L68 62" stroke={wood} strokeWidth={2.4} />;

const own = (x: number, turn: number) => (
  <g>
    <Line d={`M${x} 64 L${x} 42`} strokeWidth={2} />
    <Leaf x={x} y={43} turn={turn} size={36} wide={0.26} />
  </g>
);

export const stalkDrawings: Record<string, Record<string, ReactNode>> = {
  "stalk-section": section,
  "stalk-hairs": {
    none: pole(null),
    downy: pole(along((y, s) => `M${edge(s)} ${y} l${s * 5} -2`, 0.9)),
    bristly: pole(along((y, s) => `M${edge(s)} ${y} l${s * 11} -3`, 2)),
    stinging: pole(
      range(4).map((i) => (
        <g key={i}>
          <Line d={`M42 ${28 + i * 11} l12 -3 M30 ${28 + i * 11} l-12 -3`} strokeWidth={1.3} />
          <circle cx={44} cy={28 + i * 11} r={2.4} fill="#ffffff" stroke={ink} />
          <circle cx={28} cy={28 + i * 11} r={2.4} fill="#ffffff" stroke={ink} />
        </g>
      )),
    ),
    prickly: pole(
      range(4).map((i) => (
        <path
          key={i}
          d={`M42 ${26 + i * 11} l10 5 l-10 1 Z M30 ${26 + i * 11} l-10 5 l10 1 Z`}
          fill={earth}
          stroke={ink}
          strokeWidth={1}
        />
      )),
    ),
  },
  "stalk-place": {
    edge: <Blade shape="round" />,
    middle: (
      <>
        <circle cx={36} cy={28} r={24} fill={leaf} stroke={ink} strokeWidth={1.6} />
        {range(7).map((i) => (
          <Line
            key={i}
            d={`M36 28 L${36 + 22 * Math.sin((i * Math.PI * 2) / 7)} ${28 - 22 * Math.cos((i * Math.PI * 2) / 7)}`}
            strokeWidth={0.9}
          />
        ))}
        <path d="M36 28 C 38 46 44 58 54 70" fill="none" stroke={ink} strokeWidth={4} />
        <path d="M36 28 C 38 46 44 58 54 70" fill="none" stroke={leaf} strokeWidth={2} />
      </>
    ),
  },
  "leaf-rise": {
    "own-stalk": (
      <>
        {own(18, -16)}
        {own(36, 0)}
        {own(54, 16)}
        {soil}
      </>
    ),
    shared: (
      <>
        <Leaf x={36} y={60} turn={-22} size={54} wide={0.22} />
        <Leaf x={36} y={60} turn={22} size={54} wide={0.22} />
        <path d="M30 64 L32 40 C 34 36 38 36 40 40 L42 64 Z" fill={pale} stroke={ink} strokeWidth={1.6} />
        {soil}
      </>
    ),
    stem: (
      <>
        <Line d="M36 64 L36 8" strokeWidth={3} />
        <Leaf x={36} y={52} turn={60} size={26} />
        <Leaf x={36} y={40} turn={-60} size={26} />
        <Leaf x={36} y={26} turn={55} size={22} />
        <Leaf x={36} y={14} turn={-40} size={16} />
        {soil}
      </>
    ),
  },
  sheath: {
    none: sheathed(<Leaf x={41} y={44} turn={62} size={28} />),
    tube: sheathed(
      <>
        <path
          d="M28 58 L44 58 L44 34 L52 20 L46 18 L41 30 L28 34 Z"
          fill={pale}
          stroke={ink}
          strokeWidth={1.7}
        />
        <Leaf x={50} y={19} turn={50} size={20} />
      </>,
    ),
    bag: sheathed(
      <>
        <path
          d="M30 62 C 46 66 66 52 62 32 C 60 24 54 18 48 18 C 48 30 36 30 30 40 Z"
          fill={pale}
          stroke={ink}
          strokeWidth={1.7}
        />
        <Line d="M36 58 C 48 54 54 42 54 24 M33 52 C 42 48 48 38 50 24" strokeWidth={0.8} />
        <Leaf x={51} y={19} turn={28} size={17} />
      </>,
    ),
  },
  "sap-after": {
    same: after("#f1f4ec"),
    yellow: after("#e2a52b"),
    brown: after(named.brown ?? ""),
    black: after(named.black ?? ""),
    red: after(named.red ?? ""),
  },
};
