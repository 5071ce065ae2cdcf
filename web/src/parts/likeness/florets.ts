import { circle, mirrored, placed, star, type Outline } from "./outline";

/** A Floret is a flower of radius one that looks upward: its petals, and its eye where it has one. */
export interface Floret {
  petals: Outline[];
  eye?: Outline;
}

const petal = mirrored([
  [0.06, -0.1],
  [0.34, -0.45],
  [0.36, -0.8],
  [0.16, -1],
  [0, -1.02],
]);

const narrow = mirrored([
  [0.05, -0.2],
  [0.15, -0.6],
  [0.12, -0.95],
  [0, -1.05],
]);

const pointed = mirrored([
  [0.06, -0.1],
  [0.3, -0.42],
  [0.2, -0.75],
  [0, -1.08],
]);

const about = (outline: Outline, count: number, from = 0) =>
  Array.from({ length: count }, (_, i) =>
    placed(outline, { x: 0, y: 0, turn: from + (360 * i) / count, size: 1 }),
  );

const eye = circle(0, 0, 0.3, 8);

const bell = mirrored([
  [0, -0.9],
  [0.36, -0.75],
  [0.5, -0.2],
  [0.52, 0.35],
  [0.8, 0.75],
  [0.35, 0.6],
  [0, 0.8],
]);

const trumpet = mirrored([
  [0.1, 1],
  [0.2, 0.1],
  [0.9, -0.75],
  [0.4, -0.6],
  [0, -0.85],
]);

const lips: Outline = [
  [-0.1, 0.9],
  [-0.4, -0.1],
  [-0.2, -0.9],
  [0.5, -1],
  [0.25, -0.4],
  [0.15, -0.1],
  [0.85, 0],
  [0.7, 0.5],
  [0.15, 0.45],
  [0.15, 0.9],
];

const hood: Outline = [
  [-0.5, 0.8],
  [-0.75, -0.1],
  [-0.35, -0.9],
  [0.35, -0.85],
  [0.9, -0.2],
  [0.25, -0.1],
  [0.55, 0.5],
  [0.1, 0.9],
];

const spurred: Outline = [
  [0, -0.9],
  [0.7, -0.5],
  [0.5, 0.1],
  [0.2, 0.8],
  [0, 0.3],
  [-0.35, 0.15],
  [-1, -0.3],
  [-0.55, -0.45],
];

const banner: Outline = [
  [-0.7, -0.3],
  [-0.35, -0.95],
  [0.35, -0.95],
  [0.7, -0.3],
  [0.2, -0.05],
  [0.4, 0.5],
  [0, 0.95],
  [-0.4, 0.5],
  [-0.2, -0.05],
];

const cup = mirrored([
  [0, 0.7],
  [0.5, 0.35],
  [0.75, -0.45],
  [0.3, -0.15],
  [0, -0.25],
]);

const catkin = mirrored([
  [0, -0.4],
  [0.3, -0.1],
  [0.36, 1.1],
  [0.24, 2],
  [0, 2.3],
]);

/** floret is a flower of a form with so many petals. */
export function floret(form: string, petals: number): Floret {
  const count = Math.min(9, Math.max(3, petals || 5));
  switch (form) {
    case "daisy":
      return { petals: about(narrow, 11), eye: circle(0, 0, 0.4, 9) };
    case "rays":
      return { petals: [star(13, 1.05, 0.72)] };
    case "button":
      return { petals: [star(11, 0.92, 0.74)] };
    case "cross":
      return { petals: about(petal, 4, 45) };
    case "star":
      return { petals: about(pointed, count), eye: circle(0, 0, 0.2, 6) };
    case "six":
      return { petals: about(pointed, 6), eye };
    case "bell":
      return { petals: [bell] };
    case "trumpet":
      return { petals: [trumpet] };
    case "lipped":
      return { petals: [lips] };
    case "hooded":
      return { petals: [hood] };
    case "spurred":
      return { petals: [spurred] };
    case "pea":
      return { petals: [banner] };
    case "cup-glands":
      return { petals: [cup] };
    case "catkin":
      return { petals: [catkin] };
    case "tiny":
      return { petals: [circle(0, 0, 0.62, 7)] };
  }
  return { petals: about(petal, count), eye };
}

/** bud is a closed flower. */
export const bud: Outline = mirrored([
  [0, 0.6],
  [0.5, 0.25],
  [0.45, -0.35],
  [0, -1],
]);
