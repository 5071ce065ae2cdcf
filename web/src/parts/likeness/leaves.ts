import type { Likeness } from "./stand";
import { circle, mirrored, placed, type Outline, type Point, type Spot } from "./outline";

/** A LeafShape is a leaf of length one that grows upward: its areas and its stalks. */
export interface LeafShape {
  areas: Outline[];
  stalks: Outline[];
}

/** profiles are the half width of a whole leaf at a place of its length. */
const profiles: Record<string, (t: number) => number> = {
  line: (t) => 0.055 * Math.min(1, 9 * t, 5 * (1 - t)),
  lance: (t) => 0.16 * bulge(t, 0.36),
  oval: (t) => 0.25 * bulge(t, 0.5),
  egg: (t) => 0.3 * bulge(t, 0.32),
  spoon: (t) => 0.26 * bulge(t, 0.74) ** 1.3,
  triangle: (t) => 0.36 * Math.min(9 * t, 1 - t),
};

function bulge(t: number, peak: number) {
  return Math.sin((Math.PI / 2) * (t < peak ? t / peak : (1 - t) / (1 - peak)));
}

const saw = (x: number) => x - Math.floor(x);

/** edges push the outline out at a place of the length, as a share of the leaf's length. */
const edges: Record<string, (t: number) => number> = {
  wavy: (t) => 0.02 * Math.sin(t * Math.PI * 9),
  "fine-toothed": (t) => 0.035 * saw(t * 14),
  "coarse-toothed": (t) => 0.08 * saw(t * 6),
  scalloped: (t) => 0.045 * Math.abs(Math.sin(t * Math.PI * 6)),
  spiny: (t) => 0.11 * saw(t * 7) ** 4,
};

function whole(profile: (t: number) => number, edge: string, fine: boolean): Outline {
  const steps = fine ? 48 : 8;
  const push = fine ? edges[edge] : undefined;
  const right = Array.from({ length: steps + 1 }, (_, i): Point => {
    const t = i / steps;
    const width = profile(t);
    return [width + (push ? push(t) * Math.min(1, width * 12) : 0), -t];
  });
  return mirrored(right);
}

const heart = mirrored([
  [0, -0.2],
  [0.12, -0.05],
  [0.3, -0.06],
  [0.38, -0.24],
  [0.3, -0.5],
  [0.14, -0.78],
  [0, -1],
]);

const arrow = mirrored([
  [0, -0.2],
  [0.3, 0.06],
  [0.22, -0.36],
  [0.12, -0.7],
  [0, -1],
]);

const hand = mirrored([
  [0, -0.12],
  [0.4, -0.1],
  [0.25, -0.32],
  [0.52, -0.48],
  [0.26, -0.56],
  [0.36, -0.86],
  [0.12, -0.68],
  [0, -1],
]);

const comb = mirrored([
  [0.02, 0],
  [0.05, -0.1],
  [0.2, -0.12],
  [0.08, -0.24],
  [0.25, -0.3],
  [0.1, -0.43],
  [0.27, -0.5],
  [0.11, -0.6],
  [0.22, -0.7],
  [0.12, -0.8],
  [0, -1],
]);

const small = (name: "oval" | "lance" | "egg", spots: Spot[]) =>
  spots.map((spot) => placed(whole(profiles[name] ?? (() => 0.2), "smooth", false), spot));

const spread = (y: number, size: number, turns: number[]) => turns.map((turn) => ({ x: 0, y, turn, size }));

const pairs = (at: readonly (readonly [number, number])[], turn: number) =>
  at.flatMap(([y, size]) => [
    { x: 0, y: -y, turn, size },
    { x: 0, y: -y, turn: -turn, size },
  ]);

const stalk = (to: number): Outline => [
  [0, 0],
  [0, -to],
];

/** Drawn small, a divided leaf shows fewer and broader leaflets. */
const coarse: Record<string, () => LeafShape> = {
  feather: () => ({
    areas: small("egg", [
      ...pairs(
        [
          [0.3, 0.4],
          [0.62, 0.38],
        ],
        64,
      ),
      { x: 0, y: -0.66, turn: 0, size: 0.4 },
    ]),
    stalks: [stalk(0.7)],
  }),
  fern: () => ({
    areas: small("oval", [
      ...pairs(
        [
          [0.2, 0.6],
          [0.45, 0.46],
          [0.68, 0.3],
        ],
        52,
      ),
      { x: 0, y: -0.7, turn: 0, size: 0.32 },
    ]),
    stalks: [stalk(0.76)],
  }),
};

const divided: Record<string, () => LeafShape> = {
  round: () => ({ areas: [circle(0, -0.62, 0.36, 14, 0.9)], stalks: [stalk(0.4)] }),
  heart: () => ({ areas: [heart], stalks: [stalk(0.2)] }),
  arrow: () => ({ areas: [arrow], stalks: [stalk(0.2)] }),
  "fan-lobed": () => ({ areas: [hand], stalks: [stalk(0.2)] }),
  "side-lobed": () => ({ areas: [comb], stalks: [] }),
  three: () => ({ areas: small("egg", spread(-0.42, 0.56, [-78, 0, 78])), stalks: [stalk(0.42)] }),
  fan: () => ({ areas: small("lance", spread(-0.36, 0.62, [-104, -52, 0, 52, 104])), stalks: [stalk(0.36)] }),
  feather: () => ({
    areas: small("oval", [
      ...pairs(
        [
          [0.28, 0.3],
          [0.5, 0.3],
          [0.7, 0.26],
        ],
        66,
      ),
      { x: 0, y: -0.72, turn: 0, size: 0.3 },
    ]),
    stalks: [stalk(0.74)],
  }),
  fern: () => ({
    areas: small("lance", [
      ...pairs(
        [
          [0.2, 0.5],
          [0.38, 0.42],
          [0.54, 0.33],
          [0.68, 0.25],
          [0.8, 0.18],
        ],
        54,
      ),
      { x: 0, y: -0.8, turn: 0, size: 0.22 },
    ]),
    stalks: [stalk(0.84)],
  }),
  needle: () => ({ areas: [], stalks: [stalk(1)] }),
  none: () => ({ areas: [], stalks: [] }),
};

const stalkedAt = { x: 0, y: -0.3, turn: 0, size: 0.72 };

/** leafShape is the leaf of a species; a fine one shows its teeth and its midrib. */
export function leafShape({ leaf, edge, stalked }: Likeness, fine: boolean): LeafShape {
  const profile = profiles[leaf];
  if (profile && stalked)
    return { areas: [placed(whole(profile, edge, fine), stalkedAt)], stalks: [stalk(fine ? 0.85 : 0.34)] };
  if (profile) return { areas: [whole(profile, edge, fine)], stalks: fine ? [stalk(0.85)] : [] };
  return (
    (fine ? undefined : coarse[leaf]) ??
    divided[leaf] ??
    (() => ({ areas: [whole(profiles.egg ?? (() => 0.2), edge, fine)], stalks: [] }))
  )();
}
