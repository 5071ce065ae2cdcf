import type { ReactNode } from "react";

import { Dot, ink, leaf, Leaf, Line, named, pale, range, turned, wood } from "./lines";

const bloom = "#f4e3ea";
const petal = (d: string, fill = bloom) => (
  <path d={d} fill={fill} stroke={ink} strokeWidth={1.4} strokeLinejoin="round" />
);
const centre = (r = 5, fill = "#efc72f") => (
  <circle cx={36} cy={36} r={r} fill={fill} stroke={ink} strokeWidth={1.4} />
);

const roundPetals = (n: number, fill = bloom, long = 24) =>
  turned(
    n,
    36,
    36,
    petal(
      `M36 34 C ${36 + 70 / n} ${36 - long * 0.5} ${36 + 60 / n} ${36 - long} 36 ${36 - long} C ${36 - 60 / n} ${36 - long} ${36 - 70 / n} ${36 - long * 0.5} 36 34 Z`,
      fill,
    ),
  );

const form: Record<string, ReactNode> = {
  daisy: (
    <>
      {turned(14, 36, 36, petal("M34 28 L34 8 L36 5 L38 8 L38 28 Z", "#ffffff"))}
      {centre(10)}
      {[
        [32, 33],
        [39, 32],
        [36, 38],
        [33, 40],
        [41, 38],
      ].map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={1} fill={ink} />
      ))}
    </>
  ),
  rays: (
    <>
      {turned(18, 36, 36, petal("M34.5 34 L33.5 8 L35 6 L36 8 L37 6 L38.5 8 L37.5 34 Z", "#f3d662"))}
      {turned(10, 36, 36, petal("M35 35 L34.5 20 L37.5 20 L37 35 Z", "#f3d662"), 11)}
    </>
  ),
  button: (
    <>
      <path d="M22 40 C 20 56 28 64 36 64 C 44 64 52 56 50 40 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      {range(13).map((i) => (
        <Line
          key={i}
          d={`M${25 + i * 1.8} 42 L${16 + i * 3.4} ${14 + Math.abs(6 - i)}`}
          stroke="#8a4f8f"
          strokeWidth={2}
        />
      ))}
      <Line d="M22 42 L50 42" />
    </>
  ),
  cross: (
    <>
      {roundPetals(4)}
      {centre(4)}
    </>
  ),
  open: (
    <>
      {roundPetals(5)}
      {centre(6)}
      {turned(9, 36, 36, <Line d="M36 30 L36 24" strokeWidth={1} />)}
    </>
  ),
  star: (
    <>
      {turned(5, 36, 36, petal("M31 32 L36 8 L41 32 Z"))}
      <circle cx={36} cy={36} r={7} fill={bloom} stroke={ink} strokeWidth={1.3} />
      <path d="M33 40 L36 24 L39 40 Z" fill="#efc72f" stroke={ink} strokeWidth={1.1} />
    </>
  ),
  bell: (
    <>
      <Line d="M14 12 C 30 4 36 6 36 14" />
      {petal(
        "M28 16 C 26 34 22 44 16 54 L24 51 L30 57 L36 51 L42 57 L48 51 L56 54 C 50 44 46 34 44 16 C 40 12 32 12 28 16 Z",
      )}
      <Line d="M36 51 L36 62" strokeWidth={1.2} />
    </>
  ),
  trumpet: (
    <>
      {petal("M32 66 C 33 48 28 38 10 24 C 20 12 52 12 62 24 C 44 38 39 48 40 66 Z")}
      <ellipse cx={36} cy={22} rx={26} ry={8} fill="#fbf2f6" stroke={ink} strokeWidth={1.4} />
      <ellipse cx={36} cy={24} rx={8} ry={3} fill="#d9b8c8" />
    </>
  ),
  lipped: (
    <>
      {petal(
        "M14 44 C 22 38 28 34 34 22 C 40 8 54 10 56 22 C 48 24 44 28 44 34 C 52 34 60 42 58 52 C 50 54 42 48 38 44 C 32 50 24 52 16 52 Z",
      )}
      <Line d="M44 34 C 41 37 39 40 38 44" />
      <path d="M6 42 L16 40 L18 54 L6 54 Z" fill={leaf} stroke={ink} strokeWidth={1.4} />
    </>
  ),
  hooded: (
    <>
      {petal("M16 40 C 14 16 30 6 44 8 C 56 10 60 24 54 32 L40 34 C 32 34 24 40 16 40 Z", "#c9c6e3")}
      {petal("M22 40 C 24 54 34 58 40 54 C 44 46 42 38 38 36 Z", "#c9c6e3")}
      {petal("M40 36 C 48 36 54 42 50 52 C 44 52 40 46 40 36 Z", "#c9c6e3")}
      <Line d="M16 40 L6 50" />
    </>
  ),
  spurred: (
    <>
      {petal("M30 32 C 20 26 8 28 4 20 C 14 16 28 20 34 26 Z")}
      {turned(5, 42, 36, petal("M42 34 C 50 26 48 14 42 12 C 36 14 34 26 42 34 Z"))}
      <circle cx={42} cy={36} r={3.4} fill="#efc72f" stroke={ink} strokeWidth={1.2} />
    </>
  ),
  pea: (
    <>
      {petal("M36 38 C 20 30 18 10 36 8 C 54 10 52 30 36 38 Z")}
      {petal("M34 34 C 22 38 18 50 26 54 C 34 52 36 44 35 36 Z", "#e9cbd7")}
      {petal("M38 34 C 50 38 54 50 46 54 C 38 52 36 44 37 36 Z", "#e9cbd7")}
      {petal("M30 44 C 30 58 42 58 42 44 C 40 40 32 40 30 44 Z")}
      <path d="M32 62 L36 54 L40 62 Z" fill={leaf} stroke={ink} strokeWidth={1.2} />
    </>
  ),
  six: (
    <>
      {turned(6, 36, 36, petal("M36 34 C 44 26 42 12 36 6 C 30 12 28 26 36 34 Z"))}
      {turned(6, 36, 36, <Line d="M36 34 L36 24" strokeWidth={1.2} />, 30)}
      {centre(3.5)}
    </>
  ),
  "cup-glands": (
    <>
      <Line d="M36 70 L36 46" strokeWidth={2.4} />
      <path
        d="M8 30 C 18 14 54 14 64 30 C 54 46 18 46 8 30 Z"
        fill="#cbd98f"
        stroke={ink}
        strokeWidth={1.5}
      />
      <path d="M26 26 C 26 42 46 42 46 26 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      {[24, 32, 40, 48].map((x) => (
        <path
          key={x}
          d={`M${x - 3.4} 25 q3.4 6 6.8 0 q-3.4 2.4 -6.8 0 Z`}
          fill="#b5302b"
          stroke={ink}
          strokeWidth={0.8}
        />
      ))}
      <circle cx={36} cy={14} r={5} fill={leaf} stroke={ink} strokeWidth={1.3} />
      <Line d="M36 24 L36 19" />
    </>
  ),
  catkin: (
    <>
      <Line d="M8 10 L64 10" stroke={wood} strokeWidth={3.4} />
      {[22, 46].map((x) => (
        <g key={x}>
          <path
            d={`M${x - 7} 14 C ${x - 9} 40 ${x - 6} 58 ${x} 64 C ${x + 6} 58 ${x + 9} 40 ${x + 7} 14 Z`}
            fill="#d9c07a"
            stroke={ink}
            strokeWidth={1.4}
          />
          {range(6).map((i) => (
            <Line key={i} d={`M${x - 7} ${20 + i * 7} q7 5 14 0`} strokeWidth={1} />
          ))}
        </g>
      ))}
    </>
  ),
  tiny: (
    <>
      <Line d="M36 70 L36 8" strokeWidth={2} />
      {range(8).map((i) => (
        <g key={i}>
          <Dot cx={31 - (i % 2) * 3} cy={12 + i * 6} r={2.8} fill="#a9b98a" />
          <Dot cx={41 + (i % 2) * 3} cy={14 + i * 6} r={2.8} fill="#b79a6c" />
        </g>
      ))}
    </>
  ),
};

const count = (n: number) => (
  <>
    {roundPetals(n)}
    {centre(4)}
  </>
);

const parts: Record<string, ReactNode> = {
  three: count(3),
  four: count(4),
  five: count(5),
  six: count(6),
  many: (
    <>
      {turned(16, 36, 36, petal("M34.5 30 L34 10 L36 7 L38 10 L37.5 30 Z"))}
      {centre(7)}
    </>
  ),
  none: (
    <>
      <path d="M22 30 C 22 56 50 56 50 30 Z" fill={leaf} stroke={ink} strokeWidth={1.6} />
      {range(5).map((i) => (
        <g key={i}>
          <Line d={`M${26 + i * 5} 32 L${22 + i * 7} 16`} strokeWidth={1.3} />
          <Dot cx={22 + i * 7} cy={14} r={2.4} fill="#e3c86b" />
        </g>
      ))}
    </>
  ),
};

const coloured = (fill: string) => (
  <>
    {roundPetals(5, fill, 27)}
    {centre(5)}
  </>
);

const f = (x: number, y: number, r = 4) => <Dot key={`${x} ${y}`} cx={x} cy={y} r={r} fill="#e6b9ca" />;
const stalk = <Line d="M36 70 L36 12" strokeWidth={2} />;

const group: Record<string, ReactNode> = {
  one: (
    <>
      <Line d="M36 70 L36 20" strokeWidth={2} />
      {f(36, 14, 9)}
    </>
  ),
  few: (
    <>
      <Line d="M36 70 L36 30 M36 44 L18 24 M36 38 L54 20 M36 30 L36 14" />
      {f(18, 20, 6)}
      {f(54, 16, 6)}
      {f(36, 10, 6)}
    </>
  ),
  spike: (
    <>
      {stalk}
      {range(9).map((i) => (
        <g key={i}>
          {f(31, 8 + i * 5, 3.4)}
          {f(41, 10 + i * 5, 3.4)}
        </g>
      ))}
    </>
  ),
  raceme: (
    <>
      {stalk}
      {range(5).map((i) => (
        <g key={i}>
          <Line
            d={`M36 ${18 + i * 10} L22 ${12 + i * 10} M36 ${22 + i * 10} L50 ${16 + i * 10}`}
            strokeWidth={1.2}
          />
          {f(21, 11 + i * 10, 3.6)}
          {f(51, 15 + i * 10, 3.6)}
        </g>
      ))}
    </>
  ),
  "one-sided": (
    <>
      <Line d="M26 70 C 26 40 28 20 40 8" strokeWidth={2} />
      {range(6).map((i) => (
        <g key={i}>
          <Line d={`M${28 + (5 - i) * 1.6} ${16 + i * 8} l12 3`} strokeWidth={1.2} />
          {f(43 + (5 - i) * 1.6, 20 + i * 8, 4)}
        </g>
      ))}
    </>
  ),
  umbel: (
    <>
      <Line d="M36 70 L36 42" strokeWidth={2} />
      {[-56, -37, -18, 0, 18, 37, 56].map((a) => {
        const x = 36 + 31 * Math.sin((a * Math.PI) / 180);
        const y = 42 - 28 * Math.cos((a * Math.PI) / 180);
        return (
          <g key={a}>
            <Line d={`M36 42 L${x.toFixed(1)} ${y.toFixed(1)}`} strokeWidth={1.2} />
            {f(x, y - 2, 3.6)}
          </g>
        );
      })}
    </>
  ),
  flat: (
    <>
      <Line d="M36 70 L36 34" strokeWidth={2} />
      {[
        [8, 58],
        [20, 48],
        [30, 38],
        [42, 38],
        [52, 48],
        [64, 58],
      ].map(([x, from]) => (
        <g key={x}>
          <Line d={`M36 ${from} L${x} 20`} strokeWidth={1.2} />
          {f(x ?? 0, 17, 4.4)}
        </g>
      ))}
      {[14, 25, 36, 47, 58].map((x) => f(x, 13, 3.4))}
    </>
  ),
  ball: (
    <>
      <Line d="M36 70 L36 40" strokeWidth={2} />
      {turned(12, 36, 26, f(36, 10, 3.6))}
      {turned(8, 36, 26, f(36, 17, 3.6))}
      {f(36, 26, 4)}
    </>
  ),
  rings: (
    <>
      {stalk}
      {[18, 36, 54].map((y) => (
        <g key={y}>
          {[-14, -7, 7, 14].map((dx) => f(36 + dx, y, 3.6))}
          <Leaf x={36} y={y + 4} turn={100} size={22} wide={0.22} />
          <Leaf x={36} y={y + 4} turn={-100} size={22} wide={0.22} />
        </g>
      ))}
    </>
  ),
  plume: (
    <>
      {stalk}
      {range(6).map((i) => (
        <g key={i}>
          <Line
            d={`M36 ${20 + i * 8} L${30 - i * 4} ${12 + i * 7} M36 ${20 + i * 8} L${42 + i * 4} ${12 + i * 7}`}
            strokeWidth={1.1}
          />
          {f(30 - i * 4, 11 + i * 7, 2.8)}
          {f(42 + i * 4, 11 + i * 7, 2.8)}
          {f(33 - i * 2, 15 + i * 7, 2.4)}
          {f(39 + i * 2, 15 + i * 7, 2.4)}
        </g>
      ))}
      {f(36, 9, 3)}
    </>
  ),
  "in-axils": (
    <>
      {stalk}
      {[22, 40, 58].map((y, i) => (
        <g key={y}>
          <Leaf x={36} y={y} turn={i % 2 ? 75 : -75} size={24} />
          {f(i % 2 ? 43 : 29, y - 6, 4)}
        </g>
      ))}
    </>
  ),
};

const heads: Record<string, ReactNode> = {
  one: group.one,
  many: (
    <>
      <Line d="M36 70 L36 10 M36 52 L16 32 M36 44 L56 24 M36 30 L22 14" />
      {f(36, 9, 6)}
      {f(15, 29, 6)}
      {f(57, 21, 6)}
      {f(21, 12, 6)}
    </>
  ),
};

const umbelWith = (below: ReactNode) => (
  <>
    {group.umbel}
    {below}
  </>
);

const bract: Record<string, ReactNode> = {
  none: umbelWith(null),
  few: umbelWith(<Line d="M36 43 L22 50 M36 43 L52 50" strokeWidth={2.6} stroke="#5d7b4a" />),
  many: umbelWith(
    [-30, -20, -10, 10, 20, 30].map((dx) => (
      <Line
        key={dx}
        d={`M36 43 L${36 + dx * 0.8} ${54 - Math.abs(dx) * 0.28}`}
        strokeWidth={2.2}
        stroke="#5d7b4a"
      />
    )),
  ),
  hanging: umbelWith(<Line d="M52 22 L56 46 M56 20 L61 45 M60 19 L66 43" strokeWidth={2} stroke="#5d7b4a" />),
  divided: umbelWith(
    [-22, 0, 22].map((dx) => (
      <Line
        key={dx}
        d={`M36 43 L${36 + dx} 58 M${36 + dx * 0.6} 52 L${30 + dx} 60 M${36 + dx * 0.6} 52 L${42 + dx} 60`}
        strokeWidth={1.6}
        stroke="#5d7b4a"
      />
    )),
  ),
  leafy: (
    <>
      <Line d="M36 70 L36 38" strokeWidth={2} />
      <Leaf x={36} y={40} turn={70} size={28} />
      <Leaf x={36} y={40} turn={-70} size={28} />
      {f(36, 24, 12)}
    </>
  ),
  hooked: (
    <>
      <circle cx={36} cy={36} r={16} fill={leaf} stroke={ink} strokeWidth={1.5} />
      {turned(16, 36, 36, <Line d="M36 20 L36 8 q4 -3 5 2" strokeWidth={1.6} />)}
    </>
  ),
  "black-tipped": (
    <>
      <path d="M22 26 L25 58 L47 58 L50 26 Z" fill={leaf} stroke={ink} strokeWidth={1.5} />
      {range(5).map((i) => (
        <g key={i}>
          <Line d={`M${25 + i * 5.5} 28 L${27 + i * 4.6} 58`} strokeWidth={1} />
          <path d={`M${22.4 + i * 5.5} 32 L${25 + i * 5.5} 22 L${27.6 + i * 5.5} 32 Z`} fill="#2b2430" />
        </g>
      ))}
      {range(7).map((i) => (
        <Line key={i} d={`M${26 + i * 3.4} 22 L${24 + i * 4} 12`} stroke="#d6a91d" strokeWidth={2.2} />
      ))}
      <Line d="M36 58 L36 70" strokeWidth={2.2} />
    </>
  ),
  showy: (
    <>
      <path
        d="M24 64 C 10 30 34 6 40 4 C 58 24 54 48 38 64 Z"
        fill="#f3f1e3"
        stroke={ink}
        strokeWidth={1.6}
      />
      <path d="M34 62 L35 26 C 37 20 41 20 42 26 L40 60 Z" fill="#7b4f6c" stroke={ink} strokeWidth={1.4} />
    </>
  ),
};

const ground = <Line d="M4 62 L68 62" stroke={wood} />;

const leafAndFlower: Record<string, ReactNode> = {
  together: (
    <>
      {ground}
      <Leaf x={34} y={62} turn={-50} size={34} />
      <Leaf x={38} y={62} turn={50} size={34} />
      <Line d="M36 62 L36 20" />
      {f(36, 15, 8)}
    </>
  ),
  "flower-first": (
    <>
      {ground}
      <Line d="M36 62 L36 24" strokeWidth={2.4} />
      {[34, 42, 50].map((y) => (
        <path key={y} d={`M36 ${y} l5 -7 l0 8 Z`} fill={pale} stroke={ink} strokeWidth={1} />
      ))}
      {f(36, 16, 10)}
      <g opacity={0.45}>
        <Leaf x={52} y={62} turn={16} size={10} />
      </g>
    </>
  ),
  "flower-alone": (
    <>
      {ground}
      <path
        d="M32 62 L33 40 C 24 30 24 18 30 10 L36 20 L42 10 C 48 18 48 30 39 40 L40 62 Z"
        fill="#e0bfd6"
        stroke={ink}
        strokeWidth={1.6}
      />
      <path d="M12 24 q-4 8 2 14 M60 20 q5 8 -1 14" fill="none" stroke="#a8622f" strokeWidth={1.6} />
    </>
  ),
};

export const flowerDrawings: Record<string, Record<string, ReactNode>> = {
  "flower-form": form,
  "flower-parts": parts,
  "flower-colour": Object.fromEntries(
    ["white", "cream", "yellow", "orange", "pink", "red", "purple", "blue", "green", "brown"].map((c) => [
      c,
      coloured(named[c] ?? ""),
    ]),
  ),
  "flower-group": group,
  heads,
  bracts: bract,
  "leaf-and-flower": leafAndFlower,
};
