import { turnedBy, type Outline, type Point, type Spot } from "./outline";
import type { Likeness, Stand } from "./stand";

/** A Head is the flowers or fruits of a plant: where each is, lowest first, and the stalks between. */
export interface Head {
  spots: Spot[];
  stalks: Outline[];
}

type Places = readonly (readonly [number, number])[];

const shapes: Record<
  string,
  { places: Places; from: (x: number, y: number) => Point | undefined; wide: number; axis?: true }
> = {
  few: {
    places: [
      [-10, 2],
      [10, 1],
      [0, -7],
    ],
    from: () => [0, 8],
    wide: 1.35,
  },
  spike: {
    places: [
      [-3, 10],
      [3, 5],
      [-3, 0],
      [3, -5],
      [-2.4, -10],
      [2, -15],
      [0, -20],
    ],
    from: () => undefined,
    axis: true,
    wide: 0.95,
  },
  raceme: {
    places: [
      [-8, 10],
      [8, 4],
      [-7, -3],
      [6.5, -9],
      [-4.5, -15],
      [0, -21],
    ],
    from: (_, y) => [0, y + 4],
    axis: true,
    wide: 0.95,
  },
  "one-sided": {
    places: [
      [8, 12],
      [9, 4],
      [9, -4],
      [8, -12],
      [5, -19],
    ],
    from: (_, y) => [0, y - 3],
    axis: true,
    wide: 1.05,
  },
  umbel: {
    places: [
      [-21, 0],
      [21, 0],
      [-14, -9],
      [14, -9],
      [-5, -13],
      [5, -13],
    ],
    from: () => [0, 6],
    wide: 0.95,
  },
  flat: {
    places: [
      [-18, -1],
      [18, -1],
      [-11, -5],
      [11, -5],
      [-4, -7],
      [4, -7],
      [-7, 1],
      [7, 1],
    ],
    from: (x) => [x * 0.2, 12],
    wide: 0.95,
  },
  ball: {
    places: [
      [-8, 1],
      [8, 1],
      [-6, -7],
      [6, -7],
      [0, 3],
      [0, -10],
      [0, -4],
    ],
    from: () => undefined,
    wide: 1,
  },
  rings: {
    places: [
      [-6.5, 16],
      [6.5, 16],
      [0, 15],
      [-6, 3],
      [6, 3],
      [0, 2],
      [-5, -10],
      [5, -10],
      [0, -11],
    ],
    from: () => undefined,
    axis: true,
    wide: 0.85,
  },
  plume: {
    places: [
      [-11, 6],
      [11, 6],
      [-4, 5],
      [5, 4],
      [-7, -3],
      [7, -3],
      [0, -4],
      [-3.5, -11],
      [3.5, -11],
      [0, -19],
    ],
    from: () => undefined,
    axis: true,
    wide: 0.8,
  },
};

const clustered = [3.5, 4.1, 5, 6.2];
const alone = [5, 7, 10, 13.5];
const sizeOf = (sizes: number[], l: Likeness) => 1.18 * (sizes[l.flowerSize - 1] ?? 5);

/** headOf is where the flowers of a plant stand, on its tips or in its leaf joints, when a head has opened so far. */
export function headOf(l: Likeness, stand: Stand, open: number): Head {
  if (l.group === "in-axils" && stand.leaves.length + stand.twigs.length > 0) return inAxils(l, stand);
  const shape = shapes[l.group];
  if (!shape || l.group === "one") {
    return {
      spots: stand.tips.map((t) => ({ ...t, size: sizeOf(alone, l) * (0.35 + 0.65 * t.size) })),
      stalks: [],
    };
  }
  const hanging = l.form === "catkin" || (l.form === "bell" && l.group !== "few");
  const heads = stand.tips.map((tip) => {
    const [s, c] = turnedBy(tip.turn);
    const at = ([x, y]: Point): Point => [
      tip.x + tip.size * open * (x * c - y * s),
      tip.y + tip.size * open * (x * s + y * c),
    ];
    const spots = shape.places.map(([x, y]): Spot => {
      const [px, py] = at([x, y]);
      const out = l.group === "umbel" || l.group === "few" || l.group === "ball" ? x * 2.2 : x * 4;
      return {
        x: px,
        y: py,
        turn: hanging ? 0 : tip.turn + out,
        size: sizeOf(clustered, l) * shape.wide * (0.4 + 0.6 * tip.size),
      };
    });
    const axis: Outline[] = shape.axis ? [[at([0, 10]), at([0, -17])]] : [];
    const stalks = shape.places.flatMap(([x, y]): Outline[] => {
      const from = shape.from(x, y);
      return from ? [[at(from), at([x, y])]] : [];
    });
    return { spots, stalks: [...axis, ...stalks] };
  });
  return { spots: heads.flatMap((h) => h.spots), stalks: heads.flatMap((h) => h.stalks) };
}

/** inAxils are flowers along the stems: of a herb in its upper leaf joints, of wood along its twigs. */
function inAxils(l: Likeness, stand: Stand): Head {
  const size = sizeOf(clustered, l) * (stand.twigs.length > 0 ? 1.5 : 1.2);
  const onTwigs = stand.twigs.flatMap(([foot, end], i) =>
    [0.62, 0.94].map((t): Spot => {
      const side = i % 2 === 0 ? -1 : 1;
      return {
        x: foot[0] + (end[0] - foot[0]) * t + side * 3,
        y: foot[1] + (end[1] - foot[1]) * t,
        turn: side * 24,
        size,
      };
    }),
  );
  if (onTwigs.length > 0) return { spots: onTwigs, stalks: [] };
  const upper = stand.leaves.slice(Math.floor(stand.leaves.length * 0.3));
  const places = new Map(
    upper.map((leaf) => [`${leaf.x.toFixed(0)},${leaf.y.toFixed(0)},${Math.sign(leaf.turn)}`, leaf]),
  );
  const spots = [...places.values()].slice(0, 9).map((leaf): Spot => {
    const side = Math.sign(leaf.turn) || 1;
    return { x: leaf.x + side * 5, y: leaf.y - 5, turn: side * 30, size };
  });
  return { spots, stalks: [] };
}
