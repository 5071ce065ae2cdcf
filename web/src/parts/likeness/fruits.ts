import { circle, mirrored, placed, star, type Outline } from "./outline";

const drop = mirrored([
  [0, 0.7],
  [0.5, 0.4],
  [0.45, -0.2],
  [0, -0.9],
]);

const sickle: Outline = [
  [-0.1, -1],
  [0.25, -0.5],
  [0.35, 0.4],
  [0.1, 1.5],
  [-0.15, 1.55],
  [-0.05, 0.5],
  [-0.25, -0.4],
];

const urn = mirrored([
  [0, 0.8],
  [0.55, 0.5],
  [0.55, -0.3],
  [0.3, -0.6],
  [0.5, -0.95],
  [0, -0.8],
]);

const half = (side: 1 | -1): Outline =>
  [
    [0.06 * side, 0.9],
    [0.5 * side, 0.5],
    [0.5 * side, -0.5],
    [0.06 * side, -0.9],
  ] as const;

const parasol: Outline = [
  [0, 1],
  [-0.08, 0],
  [-1, -0.6],
  [-0.6, -0.75],
  [-0.3, -0.95],
  [0, -0.8],
  [0.3, -0.95],
  [0.6, -0.75],
  [1, -0.6],
  [0.08, 0],
];

const key: Outline = [
  [0, 0.9],
  [0.35, 0.5],
  [0.15, 0.15],
  [0.6, -0.5],
  [0.35, -1.1],
  [-0.1, -0.6],
  [-0.2, 0.3],
];

const beads = [
  circle(0, 0, 0.4, 7),
  ...[0, 72, 144, 216, 288].map((turn) => placed(circle(0, -0.55, 0.38, 7), { x: 0, y: 0, turn, size: 1 })),
];

/** seedHead is what a daisy is once its rays have gone. */
export const seedHead: Outline[] = [star(12, 0.95, 0.78), circle(0, 0, 0.4, 9)];

/** fruitShape is a fruit of radius one that hangs or stands at a place. */
export function fruitShape(fruit: string): Outline[] {
  switch (fruit) {
    case "berry":
      return [circle(0, 0, 0.85, 14)];
    case "stone":
      return [circle(0, 0, 0.95, 14, 1.1)];
    case "hip":
      return [
        mirrored([
          [0, 0.9],
          [0.6, 0.3],
          [0.5, -0.6],
          [0.15, -0.7],
          [0.35, -1.1],
          [0, -0.85],
        ]),
      ];
    case "compound":
      return beads;
    case "pod":
      return [sickle];
    case "capsule":
      return [urn];
    case "spiny-capsule":
      return [star(9, 1.15, 0.7)];
    case "nutlets":
      return [circle(-0.35, -0.1, 0.4, 6), circle(0.35, -0.1, 0.4, 6)];
    case "winged":
      return [key];
    case "parachute":
      return [parasol];
    case "bur":
      return [star(10, 1.1, 0.62)];
    case "twin-ribbed":
      return [half(1), half(-1)];
    case "twin-winged":
      return [circle(-0.45, 0, 0.6, 7, 1.4), circle(0.45, 0, 0.6, 7, 1.4)];
    case "cone":
      return [
        mirrored([
          [0, 1],
          [0.55, 0.6],
          [0.4, 0.3],
          [0.65, 0],
          [0.4, -0.3],
          [0.45, -0.6],
          [0, -1],
        ]),
      ];
    case "follicles":
      return [-40, 0, 40].map((turn) => placed(drop, { x: 0, y: 0.4, turn, size: 0.95 }));
  }
  return [drop];
}
