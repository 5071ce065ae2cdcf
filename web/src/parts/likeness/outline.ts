/** A place on a drawing: right and down. */
export type Point = readonly [number, number];

/** An outline is a closed line of places, a trace an open one. */
export type Outline = readonly Point[];

const round = (n: number) => Math.round(n * 10) / 10;

const walk = (points: Outline) => points.map(([x, y]) => `${round(x)} ${round(y)}`).join("L");

/** areas joins closed outlines to one path. */
export const areas = (outlines: readonly Outline[]) => outlines.map((o) => `M${walk(o)}Z`).join("");

/** traces joins open lines to one path. */
export const traces = (lines: readonly Outline[]) => lines.map((o) => `M${walk(o)}`).join("");

/** A Spot is a place with a direction, 0 up and 90 to the right, and a size. */
export interface Spot {
  x: number;
  y: number;
  turn: number;
  size: number;
}

/** turnedBy is a direction as sine and cosine. */
export const turnedBy = (degrees: number): Point => {
  const a = (degrees * Math.PI) / 180;
  return [Math.sin(a), Math.cos(a)];
};

/** placed moves an outline of size one, that grows upward from nothing, to a spot. */
export function placed(outline: Outline, { x, y, turn, size }: Spot): Outline {
  const [s, c] = turnedBy(turn);
  return outline.map(([u, v]): Point => [x + size * (u * c - v * s), y + size * (u * s + v * c)]);
}

/** circle is a round outline of so many corners about a place. */
export function circle(x: number, y: number, r: number, corners = 10, tall = 1): Outline {
  return Array.from({ length: corners }, (_, i): Point => {
    const [s, c] = turnedBy((360 * i) / corners);
    return [x + r * s, y - r * tall * c];
  });
}

/** star is an outline that goes out and in by turns. */
export function star(points: number, out: number, inside: number, from = 0): Outline {
  return Array.from({ length: points * 2 }, (_, i): Point => {
    const [s, c] = turnedBy(from + (180 * i) / points);
    const r = i % 2 === 0 ? out : inside;
    return [r * s, -r * c];
  });
}

/** mirrored closes a right edge, told from the base to the tip, with the same to the left. */
export function mirrored(right: Outline): Outline {
  const left = right.map(([x, y]): Point => [-x, y]).reverse();
  return [...right, ...left];
}
