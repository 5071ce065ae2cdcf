import type { ReactNode } from "react";

import { measured } from "./blade";
import { earth, ink, leaf, Leaf, Line, named, pale, range, turned, wood } from "./lines";

const berry = (cx: number, cy: number, r = 6) => (
  <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={r} fill={named.red ?? ""} stroke={ink} strokeWidth={1.2} />
);

const long = (length: number) =>
  measured(
    <ellipse
      cx={4 + length / 2}
      cy={34}
      rx={length / 2}
      ry={Math.min(16, 3 + length / 3)}
      fill={earth}
      stroke={ink}
      strokeWidth={1.5}
    />,
  );

const shape = (d: string) => (
  <path d={d} fill={earth} stroke={ink} strokeWidth={1.8} strokeLinejoin="round" />
);

const held = (below: ReactNode, above?: ReactNode) => (
  <>
    {below}
    {berry(36, 36, 18)}
    {above}
  </>
);

const pod = (d: string, more?: ReactNode) => (
  <>
    <Line d="M36 70 L36 60" strokeWidth={3} />
    {shape(d)}
    {more}
  </>
);

const seeds = (spots: [number, number][]) =>
  spots.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={2.2} fill={named.black ?? ""} />);

export const ripeDrawings: Record<string, Record<string, ReactNode>> = {
  "fruit-set": {
    one: (
      <>
        <Line d="M8 8 L64 8 M36 8 L36 34" strokeWidth={2} />
        {berry(36, 42, 10)}
      </>
    ),
    pairs: (
      <>
        <Line d="M36 4 L36 30 M36 30 L26 40 M36 30 L46 40" strokeWidth={2} />
        {berry(24, 46, 9)}
        {berry(48, 46, 9)}
      </>
    ),
    few: (
      <>
        <Line d="M36 4 L36 24 M36 24 L18 40 M36 24 L36 44 M36 24 L54 38" strokeWidth={1.8} />
        {berry(16, 46)}
        {berry(36, 52)}
        {berry(56, 44)}
      </>
    ),
    cluster: (
      <>
        <Line d="M36 70 L36 40" strokeWidth={2.4} />
        {range(5).map((i) => (
          <Line key={i} d={`M36 46 L${12 + i * 12} 28`} strokeWidth={1.2} />
        ))}
        {range(5).map((i) => berry(12 + i * 12, 22 - (i % 2) * 6))}
        {range(4).map((i) => berry(18 + i * 12, 32))}
      </>
    ),
    spike: (
      <>
        <Line d="M36 70 L36 4" strokeWidth={2.4} />
        {range(5).map((i) => berry(28, 14 + i * 11, 5))}
        {range(5).map((i) => berry(44, 18 + i * 11, 5))}
      </>
    ),
    garland: (
      <>
        <path d="M4 14 C 20 40 30 4 44 30 C 52 44 60 30 68 56" fill="none" stroke={leaf} strokeWidth={3} />
        {[
          [14, 34],
          [22, 38],
          [40, 40],
          [48, 50],
          [62, 60],
        ].map(([x, y]) => berry(x ?? 0, y ?? 0, 4.6))}
        <Leaf x={30} y={18} turn={10} size={16} wide={0.4} />
      </>
    ),
  },
  "fruit-crown": {
    none: held(<Line d="M36 2 L36 18" strokeWidth={2.4} />),
    star: held(turned(5, 36, 36, <Leaf x={36} y={30} turn={0} size={30} wide={0.24} />)),
    crown: held(
      <Line d="M36 2 L36 18" strokeWidth={2.4} />,
      <path
        d="M28 52 L26 64 L32 58 L36 66 L40 58 L46 64 L44 52 Z"
        fill={wood}
        stroke={ink}
        strokeWidth={1.3}
      />,
    ),
    cup: (
      <>
        <path
          d="M14 26 C 14 54 26 66 36 66 C 46 66 58 54 58 26 C 50 34 22 34 14 26 Z"
          fill={named.red ?? ""}
          stroke={ink}
          strokeWidth={1.7}
        />
        <ellipse cx={36} cy={27} rx={22} ry={7} fill="#7c1f1b" stroke={ink} strokeWidth={1.3} />
        <ellipse cx={36} cy={26} rx={9} ry={5} fill={leaf} stroke={ink} strokeWidth={1.2} />
      </>
    ),
    horns: (
      <>
        <Line d="M36 70 L36 56" strokeWidth={2.4} />
        <path
          d="M22 56 C 18 40 20 26 26 24 L46 24 C 52 26 54 40 50 56 Z"
          fill={earth}
          stroke={ink}
          strokeWidth={1.7}
        />
        <Line d="M30 24 L26 4 M42 24 L46 4 M36 26 L36 54 M29 28 L28 54 M43 28 L44 54" strokeWidth={1.8} />
      </>
    ),
    husk: held(
      <path
        d="M36 4 C 10 12 4 44 36 70 C 68 44 62 12 36 4 Z"
        fill={pale}
        stroke={ink}
        strokeWidth={1.6}
        strokeDasharray="4 2"
      />,
    ),
  },
  "fruit-length": { tiny: long(6), small: long(13), middling: long(34), large: long(62) },
  "fruit-shape": {
    round: <circle cx={36} cy={36} r={22} fill={earth} stroke={ink} strokeWidth={1.8} />,
    oblong: <ellipse cx={36} cy={36} rx={13} ry={28} fill={earth} stroke={ink} strokeWidth={1.8} />,
    pear: shape("M36 6 C 44 6 44 24 54 38 C 64 56 48 66 36 66 C 24 66 8 56 18 38 C 28 24 28 6 36 6 Z"),
    flat: <ellipse cx={36} cy={40} rx={30} ry={7} fill={earth} stroke={ink} strokeWidth={1.8} />,
    angled: shape("M36 6 L58 20 L58 48 L36 66 L14 48 L14 20 Z M36 6 L36 66"),
  },
  "fruit-opens": {
    shut: pod("M24 60 C 18 40 20 18 36 6 C 52 18 54 40 48 60 Z"),
    splits: pod(
      "M24 60 C 10 40 8 22 18 6 C 24 26 32 34 36 60 C 40 34 48 26 54 6 C 64 22 62 40 48 60 Z",
      seeds([
        [34, 40],
        [38, 34],
        [36, 48],
      ]),
    ),
    lid: pod(
      "M20 60 L18 34 L54 34 L52 60 Z",
      <>
        <path d="M16 28 C 18 10 46 2 58 18 Z" fill={earth} stroke={ink} strokeWidth={1.8} />
        {seeds([
          [28, 38],
          [36, 40],
          [44, 38],
        ])}
      </>,
    ),
    parts: (
      <>
        {shape("M12 58 C 8 36 14 16 28 12 L30 58 Z")}
        {shape("M60 58 C 64 36 58 16 44 12 L42 58 Z")}
        <Line d="M36 70 L36 8" strokeWidth={1.6} />
      </>
    ),
  },
};
