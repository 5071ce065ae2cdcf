import type { ReactNode } from "react";

import { ink, leaf, Leaf, Line, named, range, wood } from "./lines";

const root = (skin: string) => (
  <>
    <path
      d="M26 4 L46 4 C 50 26 44 52 36 70 C 28 52 22 26 26 4 Z"
      fill={skin}
      stroke={ink}
      strokeWidth={1.8}
    />
    <Line d="M28 22 l-12 8 M44 30 l12 8 M32 44 l-10 8" strokeWidth={1.3} />
  </>
);

const bulb = (skin: string, net?: ReactNode) => (
  <>
    <path
      d="M36 8 C 38 22 60 30 56 50 C 54 62 18 62 16 50 C 12 30 34 22 36 8 Z"
      fill={skin}
      stroke={ink}
      strokeWidth={1.8}
    />
    <Line d="M28 60 l-4 10 M36 61 l0 9 M44 60 l4 10" strokeWidth={1.2} />
    {net}
  </>
);

const soil = <Line d="M4 60 L68 60" stroke={wood} strokeWidth={2.4} />;

const seedling = (pair: ReactNode) => (
  <>
    <Line d="M36 60 L36 34" strokeWidth={2} />
    {pair}
    <Line d="M36 60 C 35 64 37 68 36 71" strokeWidth={1.2} />
    {soil}
  </>
);

const two = (wide: number, size = 26) => (
  <>
    <Leaf x={36} y={34} turn={68} size={size} wide={wide} />
    <Leaf x={36} y={34} turn={-68} size={size} wide={wide} />
  </>
);

const notched = (turn: number) => (
  <g transform={`translate(36 34) rotate(${turn})`}>
    <path
      d="M0 0 C 12 -6 14 -22 6 -24 C 2 -25 0 -20 0 -18 C 0 -20 -2 -25 -6 -24 C -14 -22 -12 -6 0 0 Z"
      fill={leaf}
      stroke={ink}
      strokeWidth={1.4}
    />
  </g>
);

const first = (above: ReactNode) =>
  seedling(
    <>
      <g opacity={0.55}>{two(0.26, 16)}</g>
      <Line d="M36 34 L36 22" strokeWidth={1.6} />
      {above}
    </>,
  );

export const groundDrawings: Record<string, Record<string, ReactNode>> = {
  "root-skin": {
    white: root("#fdf8ea"),
    yellow: root("#e6d08a"),
    brown: root("#a87b4d"),
    black: root(named.black ?? ""),
    red: root("#c4717b"),
  },
  "bulb-coat": {
    none: root("#e6d3b0"),
    clear: bulb("#fbfaf2"),
    papery: bulb(
      "#c08d56",
      <Line d="M28 26 C 22 38 22 50 26 58 M44 26 C 50 38 50 50 46 58 M36 20 L36 60" strokeWidth={1} />,
    ),
    dark: bulb("#4b372c"),
    net: bulb(
      "#e6d3b0",
      range(4).map((i) => (
        <Line
          key={i}
          d={`M${18 + i * 9} 52 L${30 + i * 6} 24 M${54 - i * 9} 52 L${42 - i * 6} 24`}
          strokeWidth={1}
        />
      )),
    ),
  },
  "seed-leaves": {
    narrow: seedling(two(0.1, 34)),
    oval: seedling(two(0.3)),
    round: seedling(two(0.56, 22)),
    notched: seedling(
      <>
        {notched(66)}
        {notched(-66)}
      </>,
    ),
    single: (
      <>
        <Line d="M36 60 C 34 40 38 20 46 6" strokeWidth={3} stroke="#7d9a63" />
        <Line d="M36 60 L36 71" strokeWidth={1.2} />
        {soil}
      </>
    ),
    underground: (
      <>
        <Line d="M36 66 L36 30" strokeWidth={2} />
        <Leaf x={36} y={32} turn={0} size={26} />
        <ellipse cx={36} cy={67} rx={7} ry={4} fill={leaf} stroke={ink} strokeWidth={1.2} />
        {soil}
      </>
    ),
  },
  "first-leaves": {
    whole: first(<Leaf x={36} y={24} turn={0} size={22} />),
    toothed: first(
      <path
        d="M36 24 L28 20 L29 16 L26 13 L30 10 L29 6 L36 0 L43 6 L42 10 L46 13 L43 16 L44 20 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.3}
      />,
    ),
    lobed: first(
      <path
        d="M36 24 C 22 24 22 14 30 14 C 24 6 34 2 36 0 C 38 2 48 6 42 14 C 50 14 50 24 36 24 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.3}
      />,
    ),
    three: first([-52, 0, 52].map((turn) => <Leaf key={turn} x={36} y={22} turn={turn} size={18} />)),
    feather: first(
      <>
        <Line d="M36 22 L36 4" />
        {[18, 11].map((y) => (
          <g key={y}>
            <Leaf x={36} y={y} turn={62} size={12} />
            <Leaf x={36} y={y} turn={-62} size={12} />
          </g>
        ))}
        <Leaf x={36} y={6} turn={0} size={10} />
      </>,
    ),
    ferny: first(
      <Line
        d="M36 22 L36 2 M36 18 L24 10 M36 18 L48 10 M36 12 L27 4 M36 12 L45 4 M30 14 L29 8 M42 14 L43 8 M30 14 L25 15 M42 14 L47 15"
        strokeWidth={1.5}
      />,
    ),
    blade: first(<Leaf x={36} y={24} turn={0} size={26} wide={0.08} />),
  },
};
