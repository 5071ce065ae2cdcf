import type { ReactNode, SVGProps } from "react";

/** The colours of the drawings: plant green, wood, root, and what a state names. */
export const ink = "currentColor";
export const leaf = "#b9c9a6";
export const pale = "#dbe3cd";
export const wood = "#a58a68";
export const earth = "#cbb596";
export const paper = "#fffcf6";

/** named are the colours that a state can name, as they are meant to be recognised. */
export const named: Record<string, string> = {
  white: "#ffffff",
  cream: "#f6ecc4",
  yellow: "#efc72f",
  orange: "#e2892b",
  pink: "#e79bb5",
  red: "#b5302b",
  purple: "#7d4b8d",
  blue: "#4f74b8",
  green: "#8fae6a",
  brown: "#8a5a34",
  black: "#2b2430",
  grey: "#b3b3ad",
  rusty: "#a8622f",
};

export const Line = (props: SVGProps<SVGPathElement>) => (
  <path fill="none" stroke={ink} strokeWidth={1.6} strokeLinecap="round" strokeLinejoin="round" {...props} />
);

export const Dot = (props: SVGProps<SVGCircleElement>) => (
  <circle r={2.2} fill={leaf} stroke={ink} strokeWidth={1.2} {...props} />
);

export const range = (n: number) => Array.from({ length: n }, (_, i) => i);

/** turned repeats a drawing round a point, n times in a full turn. */
export function turned(n: number, x: number, y: number, part: ReactNode, from = 0) {
  return range(n).map((i) => (
    <g key={i} transform={`rotate(${from + (360 * i) / n} ${x} ${y})`}>
      {part}
    </g>
  ));
}

/** Leaf is a small leaf from a point, growing at an angle: 0 is up, 90 to the right. */
export function Leaf({
  x,
  y,
  turn,
  size = 18,
  wide = 0.34,
  fill = leaf,
}: {
  x: number;
  y: number;
  turn: number;
  size?: number;
  wide?: number;
  fill?: string;
}) {
  const w = size * wide;
  return (
    <g transform={`translate(${x} ${y}) rotate(${turn})`}>
      <path
        d={`M0 0 C ${w} ${-size * 0.3} ${w} ${-size * 0.75} 0 ${-size} C ${-w} ${-size * 0.75} ${-w} ${-size * 0.3} 0 0 Z`}
        fill={fill}
        stroke={ink}
        strokeWidth={1.3}
      />
      <path d={`M0 0 L0 ${-size * 0.8}`} stroke={ink} strokeWidth={0.8} />
    </g>
  );
}

type Point = [number, number];

const path = (points: Point[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join(" L")} Z`;

/** profiles are the half width of a leaf at a place t of its length, 0 at the base. */
const profiles: Record<string, (t: number) => number> = {
  line: (t) => 3.2 * Math.min(1, 12 * t, 6 * (1 - t)),
  sword: (t) => 6.5 * (1 - t) ** 0.8,
  lance: (t) => 9.5 * bulge(t, 0.33),
  oval: (t) => 13.5 * bulge(t, 0.5),
  egg: (t) => 17 * bulge(t, 0.3),
  spoon: (t) => 15 * bulge(t, 0.74) ** 1.25,
  triangle: (t) => 21 * Math.min(14 * t, 1 - t),
  diamond: (t) => 18 * (t < 0.5 ? t * 2 : 2 - 2 * t),
};

function bulge(t: number, peak: number) {
  const s = t < peak ? t / peak : (1 - t) / (1 - peak);
  return Math.sin((Math.PI / 2) * s);
}

/** edges push the outline out or in at a place of the length, in teeth of a kind. */
const edges: Record<string, (t: number) => number> = {
  smooth: () => 0,
  wavy: (t) => 1.9 * Math.sin(t * Math.PI * 9),
  "fine-toothed": (t) => 2.4 * saw(t * 15),
  "coarse-toothed": (t) => 6.5 * saw(t * 5.5),
  scalloped: (t) => 3 * Math.abs(Math.sin(t * Math.PI * 8)) - 1,
  spiny: (t) => 7.5 * saw(t * 8) ** 5,
};

const saw = (x: number) => x - Math.floor(x);

/** bladePath is the outline of a leaf blade of a shape and an edge, its base at the bottom. */
export function bladePath(shape: string, edge = "smooth"): string {
  const profile = profiles[shape];
  const steps = 160;
  const points: Point[] = [];
  if (profile) {
    const push = edges[edge] ?? edges["smooth"];
    for (let i = 0; i <= steps; i++) {
      const t = i / steps;
      points.push([36 + profile(t) + (push?.(t) ?? 0) * Math.min(1, profile(t) / 4), 60 - 50 * t]);
    }
    const other = points.map(([x, y]): Point => [72 - x, y]).reverse();
    return path([...points, ...other]);
  }
  return outlines[shape] ?? "";
}

const outlines: Record<string, string> = {
  heart: "M36 52 C 33 60 14 60 13 44 C 12 30 28 20 36 9 C 44 20 60 30 59 44 C 58 60 39 60 36 52 Z",
  kidney: "M36 42 C 30 56 8 54 8 36 C 8 18 22 14 36 14 C 50 14 64 18 64 36 C 64 54 42 56 36 42 Z",
  round: "M36 58 A 24 24 0 1 1 36.1 58 Z",
  arrow: "M36 46 L18 62 C 20 48 26 26 36 8 C 46 26 52 48 54 62 Z",
};

/** Blade is one leaf, large, with its midrib and a stalk. */
export function Blade({
  shape,
  edge,
  fill = leaf,
  children,
}: {
  shape: string;
  edge?: string;
  fill?: string;
  children?: ReactNode;
}) {
  return (
    <>
      <path d={bladePath(shape, edge)} fill={fill} stroke={ink} strokeWidth={1.5} strokeLinejoin="round" />
      <Line d={shape === "kidney" ? "M36 68 L36 20" : "M36 68 L36 16"} strokeWidth={1.2} />
      {children}
    </>
  );
}
