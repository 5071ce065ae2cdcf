import type { Schemas } from "../../api/client";
import { circle, turnedBy, type Outline, type Point, type Spot } from "./outline";

export type Likeness = Schemas["Likeness"];

/** A Stand is how a plant stands on a field of a hundred, its foot on the ground at ninety-two. */
export interface Stand {
  stems: Outline[];
  thick: number;
  leaves: Spot[];
  /** Tips are where flowers and fruits stand. */
  tips: Spot[];
  /** Twigs are wood that bears along its length, from foot to end. */
  twigs: (readonly [Point, Point])[];
  /** Behind the leaves: a crown, pads, a pole. */
  crown: Outline[];
  pads: Outline[];
  pole?: Outline;
}

/** Grown is how far the year has come: height, leaf and the head of flowers as shares of their most. */
export interface Grown {
  height: number;
  leaf: number;
  head?: number;
}

export const ground = 92;
const middle = 50;

/** along is a place on a line from a foot, at a share of its length. */
const along = (foot: Point, turn: number, length: number): Point => {
  const [s, c] = turnedBy(turn);
  return [foot[0] + s * length, foot[1] - c * length];
};

const lengths = [10, 14, 20, 26, 32];
const leafLength = (l: Likeness) => lengths[l.leafSize - 1] ?? 20;

const range = (n: number) => Array.from({ length: n }, (_, i) => i);

function upright(l: Likeness, grown: Grown): Stand {
  const height = 66 * grown.height;
  const top: Point = [middle, ground - height];
  const stems: Outline[] = [[[middle, ground], top]];
  const tips: Spot[] = [{ x: top[0], y: top[1], turn: 0, size: 1 }];
  if (grown.head) {
    for (const [share, turn] of [
      [0.52, -38],
      [0.62, 38],
    ] as const) {
      const foot: Point = [middle, ground - height * share];
      const end = along(foot, turn, height * 0.34);
      stems.push([foot, end]);
      tips.push({ x: end[0], y: end[1], turn: turn * 0.5, size: 0.72 });
    }
  }
  const step = { opposite: 4, whorled: 4, basal: 4, alternate: 7 }[l.order];
  // A single flower above whorled leaves stands above one ring of them.
  const ring = l.order === "whorled" && l.group === "one";
  const nodes = ring ? 1 : Math.max(1, Math.round(step * grown.leaf));
  const zone = grown.head && grown.leaf > 0.8 ? 0.72 : 0.9;
  const sides: Record<string, number[]> = {
    opposite: [-64, 64],
    whorled: [-78, -40, 40, 78],
    basal: [-70, 70],
  };
  const leaves = range(nodes).flatMap((i) => {
    const share = ring ? 0.6 : 0.1 + (zone * i) / step;
    const size = Math.max(12, leafLength(l) * (1 - 0.5 * share) * (0.55 + 0.45 * grown.height));
    const turns = sides[l.order] ?? [i % 2 === 0 ? -60 : 60];
    return turns.map((turn) => ({ x: middle, y: ground - height * share, turn, size }));
  });
  return { stems, thick: 3.2, leaves, tips, pads: [], crown: [], twigs: [] };
}

/** few are fewer places while a plant is young or has withered. */
const few = <T>(leaf: number, least: T, some: T, most: T): T =>
  leaf < 0.4 ? least : leaf < 0.7 ? some : most;

function rosette(l: Likeness, grown: Grown): Stand {
  const turns = few(grown.leaf, [-40, 8, 46], [-52, 4, 55], [-76, -52, -26, 4, 30, 55, 78]);
  const length = leafLength(l) * 1.95 * (0.12 + 0.88 * grown.height);
  const leaves = turns.map((turn) => ({
    x: middle,
    y: ground - 1,
    turn,
    size: length * (1 - Math.abs(turn) / 400),
  }));
  const scapes = !grown.head ? [] : l.group === "one" ? [-20, 0, 20] : [-14, 9];
  const ends = scapes.map((turn, i) => ({
    turn,
    end: along([middle, ground], turn, (i === 1 ? 64 : 50) * grown.height),
  }));
  return {
    stems: ends.map(({ end }) => [[middle, ground], end]),
    thick: 2.8,
    leaves,
    tips: ends.map(({ turn, end }) => ({ x: end[0], y: end[1], turn: turn * 0.4, size: 1 })),
    pads: [],
    crown: [],
    twigs: [],
  };
}

function blades(l: Likeness, grown: Grown): Stand {
  const turns = few(grown.leaf, [-18, 4, 22], [-40, -20, -3, 14, 36], [-54, -37, -22, -8, 6, 20, 35, 52]);
  const length = (l.leafSize >= 5 ? 74 : 54) * (0.25 + 0.75 * grown.height);
  const scapes = !grown.head ? [] : l.group === "one" ? [-20, 1, 21] : [-11, 12];
  const ends = scapes.map((turn) => ({ turn, end: along([middle, ground], turn, 66 * grown.height) }));
  return {
    stems: ends.map(({ end }) => [[middle, ground], end]),
    thick: 2.6,
    leaves: turns.map((turn, i) => ({
      x: middle + turn * 0.1,
      y: ground,
      turn,
      size: length * (i % 2 === 0 ? 0.88 : 1),
    })),
    tips: ends.map(({ turn, end }) => ({ x: end[0], y: end[1], turn: turn * 0.4, size: 0.95 })),
    pads: [],
    crown: [],
    twigs: [],
  };
}

function mat(l: Likeness, grown: Grown): Stand {
  const reach = 42 * (0.35 + 0.65 * grown.height);
  const creep: Outline = range(9).map((i): Point => {
    const t = i / 4 - 1;
    return [middle + t * reach, ground - 4 - 2.4 * Math.sin(i * 2.1)];
  });
  const feet = few(grown.leaf, [-0.3, 0.4], [-0.8, 0, 0.8], [-0.9, -0.45, 0, 0.45, 0.9]);
  const height = 24 * (0.4 + 0.6 * grown.height);
  const shoots = feet.map((f, i) => {
    const foot: Point = [middle + f * reach, ground - 5];
    return { foot, end: along(foot, f * 16, height * (i % 2 === 0 ? 1 : 1.35)) };
  });
  const size = Math.min(17, leafLength(l) * 0.8);
  // Flowers of low plants are carried above the leaf.
  const rise = grown.head ? 9 : 0;
  return {
    stems: [creep, ...shoots.map(({ foot, end }): Outline => [foot, end, [end[0], end[1] - rise]])],
    thick: 2.4,
    leaves: shoots.flatMap(({ foot, end }) =>
      [0.35, 0.85].flatMap((t, i) => {
        const at = { x: foot[0] + (end[0] - foot[0]) * t, y: foot[1] + (end[1] - foot[1]) * t };
        const turns = l.order === "alternate" ? [i === 0 ? -58 : 58] : [-62, 62];
        return turns.map((turn) => ({ ...at, turn, size: size * (1 - 0.25 * t) }));
      }),
    ),
    tips: shoots
      .filter((_, i) => i % 2 === 0 || shoots.length < 3)
      .map(({ end }) => ({ x: end[0], y: end[1] - rise, turn: 0, size: 0.85 })),
    pads: [],
    crown: [],
    twigs: [],
  };
}

function climber(l: Likeness, grown: Grown): Stand {
  const height = 82 * grown.height;
  const at = (t: number): Point => [middle + 8 * Math.sin(t * 11), ground - height * t];
  const stem = range(25).map((i) => at(i / 24));
  const nodes = [0.12, 0.28, 0.44, 0.6, 0.76, 0.92].slice(0, Math.max(1, Math.round(6 * grown.leaf)));
  const size = Math.max(17, Math.min(26, leafLength(l))) * (0.6 + 0.4 * grown.height);
  return {
    stems: [stem],
    thick: 2.8,
    pole: [
      [middle, ground],
      [middle, 6],
    ],
    leaves: nodes.flatMap((t, i) => {
      const [x, y] = at(t);
      const turns = l.order === "opposite" ? [-76, 76] : [i % 2 === 0 ? -74 : 74];
      return turns.map((turn) => ({ x, y, turn, size: size * (1 - 0.35 * t) }));
    }),
    tips: [0.36, 0.62, 0.86].map((t, i) => {
      const [x, y] = at(t);
      return { x: x + (i % 2 === 0 ? 13 : -13), y: y + 2, turn: i % 2 === 0 ? 40 : -40, size: 0.8 };
    }),
    pads: [],
    crown: [],
    twigs: [],
  };
}

function bush(l: Likeness, grown: Grown): Stand {
  const turns = [-42, -21, 2, 23, 43];
  const foot: Point = [middle, ground];
  const low = l.leafSize <= 2 && l.evergreen;
  const length = (turn: number) => (low ? 48 : 66) - Math.abs(turn) * 0.16;
  const size = Math.max(9, Math.min(20, leafLength(l) * 0.72));
  const count = Math.max(1, Math.round((low ? 6 : 5) * grown.leaf ** 1.3));
  return {
    stems: turns.map((turn): Outline => [foot, along(foot, turn, length(turn))]),
    thick: 3,
    leaves: turns.flatMap((turn) =>
      range(count).flatMap((i) => {
        const [x, y] = along(foot, turn, length(turn) * (0.4 + (0.58 * i) / Math.max(1, count - 1)));
        const around = l.order === "alternate" ? [i % 2 === 0 ? -52 : 52] : [-50, 50];
        return around.map((side) => ({ x, y, turn: turn + side, size: size * (0.48 + 0.52 * grown.leaf) }));
      }),
    ),
    tips: [-36, 2, 37].map((turn) => {
      const [x, y] = along(foot, turn, length(turn));
      return { x, y, turn: turn * 0.6, size: 0.86 };
    }),
    pads: [],
    crown: [],
    twigs: turns.map((turn) => [foot, along(foot, turn, length(turn))] as const),
  };
}

function tree(l: Likeness, grown: Grown): Stand {
  const fork: Point = [middle, 58];
  const boughs = [-62, -32, 0, 32, 62];
  const reach = (turn: number) => 44 - Math.abs(turn) * 0.12;
  const places = [
    [50, 12],
    [34, 18],
    [66, 18],
    [25, 30],
    [75, 30],
    [42, 28],
    [58, 28],
    [23, 45],
    [77, 45],
    [32, 42],
    [68, 42],
    [50, 42],
    [33, 55],
    [67, 55],
  ] as const;
  const size = Math.max(11, Math.min(20, leafLength(l) * 0.68));
  return {
    stems: [
      [[middle, ground], fork],
      ...boughs.map((turn): Outline => [fork, along(fork, turn, reach(turn))]),
    ],
    thick: 4.2,
    twigs: boughs.map((turn) => [fork, along(fork, turn, reach(turn))] as const),
    crown:
      grown.leaf > 0.5
        ? [
            circle(50, 20, 17),
            circle(29, 30, 17),
            circle(71, 30, 17),
            circle(21, 45, 13),
            circle(79, 45, 13),
            circle(50, 42, 22, 14, 0.8),
          ]
        : [],
    leaves: places.slice(0, Math.round(places.length * grown.leaf)).map(([x, y], i) => ({
      x,
      y: y + size * 0.4,
      turn: (x - middle) * 1.5 + (i % 2 === 0 ? 14 : -14),
      size: size * (0.6 + 0.4 * grown.leaf),
    })),
    tips: [
      [30, 38],
      [70, 38],
      [50, 24],
    ].map(([x = middle, y = 30]) => ({ x, y, turn: 0, size: 0.86 })),
    pads: [],
  };
}

function pads(): Stand {
  return {
    stems: [],
    thick: 2,
    leaves: [],
    tips: [
      { x: 28, y: 34, turn: -14, size: 0.7 },
      { x: 50, y: 16, turn: 0, size: 0.7 },
      { x: 76, y: 36, turn: 18, size: 0.7 },
    ],
    pads: [
      circle(50, 74, 14, 14, 1.3),
      circle(33, 48, 12, 14, 1.25),
      circle(68, 50, 12, 14, 1.25),
      circle(51, 32, 11, 14, 1.35),
    ],
    crown: [],
    twigs: [],
  };
}

function broom(_: Likeness, grown: Grown): Stand {
  const turns = [-44, -33, -22, -12, -3, 6, 15, 25, 36, 46];
  const foot: Point = [middle, ground];
  return {
    stems: turns
      .filter((_, i) => grown.leaf > 0.3 || i % 3 === 0)
      .map((turn, i): Outline => [foot, along(foot, turn, i % 2 === 0 ? 72 : 58)]),
    thick: 2,
    leaves: [],
    tips: [-33, -3, 25].map((turn) => {
      const [x, y] = along(foot, turn, 48);
      return { x, y, turn, size: 0.6 };
    }),
    pads: [],
    crown: [],
    twigs: [-44, -22, -3, 15, 36].map((turn) => [foot, along(foot, turn, 66)] as const),
  };
}

const habits: Record<Likeness["habit"], (l: Likeness, grown: Grown) => Stand> = {
  upright,
  rosette,
  blades,
  mat,
  climber,
  bush,
  tree,
  pads,
  broom,
};

/** standOf is how a plant stands when it has grown so far. */
export const standOf = (l: Likeness, grown: Grown): Stand =>
  habits[l.habit](l, { ...grown, height: grown.height * (l.woody ? 1 : tallness(l.height)) });

/** tallness is how much of the field a herb of a height in cm takes: two thirds for a hand, all for a man. */
const tallness = (cm: number) =>
  Math.max(0.66, Math.min(1, 0.66 + (0.34 * Math.log(cm / 10)) / Math.log(18)));
