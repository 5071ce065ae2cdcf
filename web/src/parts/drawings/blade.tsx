import type { ReactNode } from "react";

import { Blade, earth, ink, leaf, Leaf, Line, named, pale, range, turned } from "./lines";

const cut = (d: string, fill = leaf) => (
  <path d={d} fill={fill} stroke={ink} strokeWidth={1.8} strokeLinejoin="round" />
);

const section: Record<string, ReactNode> = {
  flat: cut("M4 34 L68 34 L68 39 L4 39 Z"),
  keeled: cut("M6 18 L36 52 L66 18 L66 26 L36 60 L6 26 Z"),
  hollow: (
    <>
      <circle cx={36} cy={36} r={26} fill={leaf} stroke={ink} strokeWidth={1.8} />
      <circle cx={36} cy={36} r={18} fill="#fffcf6" stroke={ink} strokeWidth={1.4} />
    </>
  ),
  round: <circle cx={36} cy={36} r={22} fill={leaf} stroke={ink} strokeWidth={1.8} />,
  thick: cut("M6 30 C 20 20 52 20 66 30 C 68 36 68 42 66 46 C 52 54 20 54 6 46 C 4 42 4 36 6 30 Z"),
};

const lobes: Record<string, ReactNode> = {
  none: <Blade shape="round" />,
  shallow: cut(
    "M36 60 L16 58 L18 50 L6 46 L12 38 L6 26 L18 24 L22 12 L32 18 L36 8 L40 18 L50 12 L54 24 L66 26 L60 38 L66 46 L54 50 L56 58 Z",
  ),
  deep: cut(
    "M36 62 L28 46 L14 58 L22 40 L4 40 L24 32 L12 14 L30 28 L36 4 L42 28 L60 14 L48 32 L68 40 L50 40 L58 58 L44 46 Z",
  ),
  "whole-way": turned(5, 36, 44, <Leaf x={36} y={43} turn={0} size={34} wide={0.22} />, -120 + 24),
};

/** measured stands a thing of a width beside a ruler of four centimetres, its marks one apart. */
export const measured = (thing: ReactNode) => (
  <>
    {thing}
    <rect x={4} y={60} width={64} height={10} fill="#fffcf6" stroke={ink} strokeWidth={1.2} />
    {range(5).map((i) => (
      <Line key={i} d={`M${4 + i * 16} 60 L${4 + i * 16} 66`} strokeWidth={1.4} />
    ))}
  </>
);

/** wide is a leaf as wide as so many sixteenths of a centimetre, on its base. */
const wide = (width: number) =>
  measured(<Leaf x={4 + width / 2} y={58} turn={0} size={52} wide={width / 80} />);

const leaflet: Record<string, ReactNode> = {
  thread: measured(
    <Line d="M14 58 L18 6 M18 44 L32 26 M17 32 L6 14 M18 24 L28 8" strokeWidth={1.8} stroke={leaf} />,
  ),
  fine: wide(9),
  small: wide(24),
  broad: wide(52),
  large: measured(
    <path d="M-6 58 C -6 20 20 6 36 2 C 52 6 78 20 78 58 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />,
  ),
};

const lengthOf = (size: number) => measured(<Leaf x={4} y={34} turn={90} size={size} wide={0.3} />);

const length: Record<string, ReactNode> = {
  tiny: lengthOf(11),
  small: lengthOf(34),
  middling: measured(
    <>
      <Leaf x={4} y={34} turn={90} size={66} wide={0.28} />
      <Line d="M60 20 l8 0 m-4 -4 l4 4 l-4 4" />
    </>,
  ),
  long: (
    <>
      <Leaf x={36} y={68} turn={0} size={64} wide={0.22} />
      <rect x={52} y={44} width={12} height={22} fill={earth} stroke={ink} strokeWidth={1.3} />
      <Line d="M58 44 L58 38" />
    </>
  ),
  huge: (
    <>
      <Leaf x={30} y={70} turn={0} size={68} wide={0.36} />
      <circle cx={58} cy={50} r={4} fill={earth} stroke={ink} strokeWidth={1.2} />
      <Line d="M58 54 L58 64 M58 64 L54 70 M58 64 L62 70 M52 58 L64 58" />
    </>
  ),
};

const spotted = (fill: string, r: number, children?: ReactNode) => (
  <Blade shape="egg">
    {[
      [28, 44],
      [44, 42],
      [32, 30],
      [41, 28],
      [27, 54],
      [46, 53],
    ].map(([x, y]) => (
      <circle
        key={`${x} ${y}`}
        cx={x}
        cy={y}
        r={r}
        fill={fill}
        stroke={r > 3 ? "none" : ink}
        strokeWidth={0.7}
      />
    ))}
    {children}
  </Blade>
);

const midrib = (colour: string) => (
  <>
    <Blade shape="oval" />
    <path d="M36 68 L36 16" stroke={ink} strokeWidth={7} />
    <path d="M36 68 L36 16" stroke={colour} strokeWidth={5} />
  </>
);

const ribBelow = (hairs: ReactNode) => (
  <>
    <Blade shape="oval" fill={pale} />
    <rect x={33} y={16} width={6} height={52} fill={leaf} stroke={ink} strokeWidth={1.4} />
    {hairs}
  </>
);

const hair = (d: string, extra?: ReactNode) => (
  <>
    <rect x={4} y={56} width={64} height={12} fill={leaf} stroke={ink} strokeWidth={1.6} />
    {[16, 36, 56].map((x) => (
      <g key={x} transform={`translate(${x} 56)`}>
        <Line d={d} strokeWidth={1.8} />
        {extra}
      </g>
    ))}
    <circle cx={36} cy={36} r={33} fill="none" stroke={ink} strokeWidth={2.4} />
  </>
);

export const bladeDrawings: Record<string, Record<string, ReactNode>> = {
  "leaf-section": section,
  "lobe-depth": lobes,
  "leaflet-width": leaflet,
  "leaf-length": length,
  "leaf-dots": {
    none: <Blade shape="egg" fill={pale} />,
    clear: spotted("#ffffff", 2.2),
    dark: spotted("#2b2430", 2),
  },
  "leaf-spots": {
    none: <Blade shape="egg" />,
    dark: spotted("#5b4150", 4.6),
    white: spotted("#ffffff", 4.2),
  },
  "midrib-colour": { green: midrib("#8fae6a"), pale: midrib("#f7f5e6"), red: midrib(named.red ?? "") },
  "midrib-below": {
    smooth: ribBelow(null),
    hairs: ribBelow(
      range(6).map((i) => (
        <Line key={i} d={`M33 ${22 + i * 7} l-6 -3 M39 ${22 + i * 7} l6 -3`} strokeWidth={0.9} />
      )),
    ),
    prickles: ribBelow(
      range(4).map((i) => (
        <path
          key={i}
          d={`M33 ${24 + i * 10} l-9 -4 l9 -2 Z M39 ${24 + i * 10} l9 -4 l-9 -2 Z`}
          fill={earth}
          stroke={ink}
          strokeWidth={1}
        />
      )),
    ),
  },
  "hair-form": {
    none: hair(""),
    simple: hair("M0 0 C 2 -12 6 -22 12 -30"),
    branched: hair("M0 0 L0 -16 M0 -16 L-9 -28 M0 -16 L0 -32 M0 -16 L9 -28 M0 -16 L-10 -18 M0 -16 L10 -18"),
    glandular: hair("M0 0 L0 -22", <circle cy={-26} r={4} fill="#efc45a" stroke={ink} strokeWidth={1.2} />),
  },
};
