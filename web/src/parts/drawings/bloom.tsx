import type { ReactNode } from "react";

import { measured } from "./blade";
import { Dot, ink, leaf, Leaf, Line, pale, range, turned } from "./lines";

const petal = "#f1d3dd";

const flower = (size: number, x = 4 + size / 2) =>
  measured(
    <>
      {turned(
        5,
        x,
        30,
        <ellipse
          cx={x}
          cy={30 - size * 0.3}
          rx={size * 0.17}
          ry={size * 0.21}
          fill={petal}
          stroke={ink}
          strokeWidth={1}
        />,
      )}
      <circle cx={x} cy={30} r={Math.max(1.2, size * 0.09)} fill="#efc72f" stroke={ink} strokeWidth={0.8} />
    </>,
  );

const tip = (d: string) => (
  <>
    <path d={d} fill={petal} stroke={ink} strokeWidth={1.8} strokeLinejoin="round" />
    <Line d="M36 66 L36 34" strokeWidth={0.9} />
  </>
);

const stamens = (n: number) => (
  <>
    <circle cx={36} cy={36} r={31} fill={petal} stroke={ink} strokeWidth={1.6} />
    {turned(
      n,
      36,
      36,
      <>
        <Line d="M36 30 L36 14" strokeWidth={1.2} />
        <ellipse cx={36} cy={12} rx={2.6} ry={3.6} fill="#efc72f" stroke={ink} strokeWidth={1} />
      </>,
    )}
    <Dot cx={36} cy={36} r={4.5} />
  </>
);

const bell = (inner: ReactNode) => (
  <>
    {inner}
    <path
      d="M22 20 C 18 36 14 44 10 50 L62 50 C 58 44 54 36 50 20 C 46 8 26 8 22 20 Z"
      fill={petal}
      stroke={ink}
      strokeWidth={1.7}
    />
    <Line d="M36 10 L36 2" strokeWidth={2.4} />
  </>
);

const ribs = [-50, -25, 0, 25, 50];

const umbel = (below: ReactNode) => (
  <>
    <Line d="M36 70 L36 44" strokeWidth={3} />
    {ribs.map((turn) => (
      <g key={turn} transform={`rotate(${turn} 36 44)`}>
        <Line d="M36 44 L36 12" strokeWidth={1.4} />
        <Dot cx={36} cy={10} r={4.4} fill="#ffffff" />
      </g>
    ))}
    {below}
  </>
);

const umbellet = (below: ReactNode) => (
  <>
    <Line d="M24 70 C 30 60 34 52 36 40" strokeWidth={2.6} />
    {ribs.map((turn) => (
      <g key={turn} transform={`rotate(${turn} 36 40)`}>
        <Line d="M36 40 L36 16" strokeWidth={1.1} />
        {turned(5, 36, 12, <circle cx={36} cy={8} r={2.4} fill="#ffffff" stroke={ink} strokeWidth={0.9} />)}
      </g>
    ))}
    {below}
  </>
);

const small = (x: number, y: number, turn: number, size = 15) => (
  <Leaf key={turn} x={x} y={y} turn={turn} size={size} wide={0.18} />
);

const cupped = (sepals: ReactNode) => (
  <>
    <Line d="M36 70 L36 50" strokeWidth={3} />
    {turned(
      5,
      36,
      34,
      <ellipse cx={36} cy={20} rx={7} ry={11} fill={petal} stroke={ink} strokeWidth={1.2} />,
    )}
    {sepals}
  </>
);

const cup = (mouth: ReactNode) => (
  <>
    <path
      d="M14 22 L20 14 L28 22 L36 14 L44 22 L52 14 L58 22 L54 58 C 50 66 22 66 18 58 Z"
      fill={leaf}
      stroke={ink}
      strokeWidth={1.8}
    />
    <ellipse cx={36} cy={27} rx={19} ry={6} fill={pale} stroke={ink} strokeWidth={1.2} />
    {mouth}
  </>
);

export const bloomDrawings: Record<string, Record<string, ReactNode>> = {
  "flower-width": {
    tiny: flower(6),
    small: flower(15),
    middling: flower(34),
    large: flower(60, 36),
  },
  "petal-tip": {
    round: tip("M36 66 C 22 54 10 34 16 18 C 20 6 52 6 56 18 C 62 34 50 54 36 66 Z"),
    pointed: tip("M36 66 C 20 52 16 32 36 4 C 56 32 52 52 36 66 Z"),
    notched: tip("M36 66 C 22 54 8 34 14 16 C 18 6 32 6 36 18 C 40 6 54 6 58 16 C 64 34 50 54 36 66 Z"),
    split: tip("M36 66 C 24 56 6 30 16 6 C 26 10 34 30 36 52 C 38 30 46 10 56 6 C 66 30 48 56 36 66 Z"),
    fringed: tip(
      "M36 66 C 22 54 8 34 12 16 L18 22 L20 8 L27 18 L32 4 L36 16 L41 4 L45 18 L52 8 L54 22 L60 16 C 64 34 50 54 36 66 Z",
    ),
    none: (
      <>
        <Line d="M36 70 L36 44" strokeWidth={3} />
        <Dot cx={36} cy={34} r={12} />
      </>
    ),
  },
  sepals: {
    hugging: cupped(
      <path
        d="M20 30 L26 24 L30 34 L36 26 L42 34 L46 24 L52 30 C 50 46 44 54 36 54 C 28 54 22 46 20 30 Z"
        fill={leaf}
        stroke={ink}
        strokeWidth={1.5}
      />,
    ),
    spread: (
      <>
        {turned(5, 36, 36, <Leaf x={36} y={34} turn={36} size={34} wide={0.18} />)}
        {turned(
          5,
          36,
          36,
          <ellipse cx={36} cy={22} rx={7} ry={10} fill={petal} stroke={ink} strokeWidth={1.2} />,
        )}
        <Dot cx={36} cy={36} r={4} fill="#efc72f" />
      </>
    ),
    back: cupped(
      <>
        {small(34, 50, -150, 20)}
        {small(38, 50, 150, 20)}
        {small(36, 50, 180, 18)}
      </>,
    ),
    none: cupped(null),
  },
  "cup-throat": {
    open: cup(null),
    closed: cup(
      range(9).map((i) => (
        <Line key={i} d={`M${19 + i * 4.2} 30 L${30 + i * 1.5} 22`} stroke="#fffcf6" strokeWidth={1.8} />
      )),
    ),
  },
  stamens: {
    two: stamens(2),
    four: stamens(4),
    five: stamens(5),
    six: stamens(6),
    "eight-ten": stamens(9),
    many: stamens(22),
    hidden: (
      <>
        <circle cx={36} cy={36} r={31} fill={petal} stroke={ink} strokeWidth={1.6} />
        <circle cx={36} cy={36} r={9} fill="#6d5a64" stroke={ink} strokeWidth={1.2} />
      </>
    ),
  },
  "stamens-out": {
    out: bell(
      range(4).map((i) => (
        <g key={i}>
          <Line d={`M${27 + i * 6} 46 L${23 + i * 9} 64`} strokeWidth={1.3} />
          <circle cx={23 + i * 9} cy={66} r={2.8} fill="#efc72f" stroke={ink} strokeWidth={1} />
        </g>
      )),
    ),
    inside: bell(null),
  },
  "umbel-bracts": {
    none: umbel(null),
    few: umbel([small(36, 45, 100), small(36, 45, -100)]),
    many: umbel([-150, -120, -95, 95, 120, 150].map((turn) => small(36, 45, turn))),
    divided: umbel(
      [-115, 115].map((turn) => (
        <g key={turn} transform={`rotate(${turn} 36 45)`}>
          <Line d="M36 45 L36 22 M36 36 L29 28 M36 36 L43 28 M36 30 L31 23 M36 30 L41 23" strokeWidth={1.5} />
        </g>
      )),
    ),
  },
  "umbellet-bracts": {
    none: umbellet(null),
    "one-sided": umbellet([small(37, 41, 95, 11), small(37, 41, 125, 11), small(37, 41, 150, 11)]),
    hanging: umbellet([small(37, 41, 130, 30), small(37, 41, 155, 32), small(37, 41, 178, 30)]),
    many: umbellet([-150, -115, -85, 85, 115, 150].map((turn) => small(36, 41, turn, 13))),
  },
};
