import { bud } from "./florets";
import { flowersOrFruits } from "./flowering";
import { card, green, grey, ink, straw, wood, type Stroke } from "./strokes";
import { leafShape } from "./leaves";
import { areas, circle, placed, traces, type Outline, type Spot } from "./outline";
import { ground, standOf, type Grown, type Likeness, type Stand } from "./stand";

const grownAt: Record<string, Grown> = {
  resting: { height: 0.4, leaf: 0 },
  shooting: { height: 0.24, leaf: 0.28 },
  leafing: { height: 0.6, leaf: 0.55 },
  "full leaf": { height: 0.9, leaf: 1 },
  "in bud": { height: 0.92, leaf: 1, head: 0.56 },
  "first flower": { height: 1, leaf: 1, head: 0.86 },
  "full flower": { height: 1, leaf: 1, head: 1 },
  "setting seed": { height: 1, leaf: 1, head: 1.04 },
  ripe: { height: 1, leaf: 0.5, head: 1.04 },
  "dying back": { height: 0.8, leaf: 0.6 },
};

const inFlower = new Set(["in bud", "first flower", "full flower"]);

/** drawn is a species at a stage as paths on a field of a hundred, those behind first. A fine one shows the leaf's teeth. */
export function drawn(l: Likeness, stage: string, fine = false): Stroke[] {
  const grown = { ...(grownAt[stage] ?? { height: 1, leaf: 1 }) };
  const bare = l.beforeLeaf && inFlower.has(stage);
  if (bare) grown.leaf = 0;
  const keepsLeaf = l.evergreen && (l.woody || stage === "ripe" || stage === "dying back");
  if (keepsLeaf) grown.leaf = 1;
  const soil: Stroke = {
    d: traces([
      [
        [10, ground],
        [90, ground],
      ],
    ]),
    line: "var(--softInk)",
    width: fine ? 1.2 : 2.4,
    faint: true,
  };
  if (stage === "resting") return [soil, ...resting(l, fine)];
  const stand = standing(l, stage, grown);
  if (bare) stand.leaves = [];
  if (stage === "shooting" && !keepsItsHeight(l)) return [soil, spears(l)];
  const strokes = [soil, ...body(l, stand, stage, fine)];
  if (grown.head) strokes.push(...flowersOrFruits(l, stand, stage, grown.head, fine));
  if (stage === "shooting") strokes.push(swelling(l, stand));
  if (stage === "leafing" && keepsItsHeight(l)) strokes.push(newLeaves(l, stand, fine));
  return strokes;
}

/** keepsItsHeight tells whether it stands as tall in winter as in summer. */
const keepsItsHeight = (l: Likeness) => l.woody || l.habit === "pads" || l.habit === "broom";

/** standing is how it stands at a stage: wood keeps its height, what dies back bends over. */
function standing(l: Likeness, stage: string, grown: Grown): Stand {
  const stand = standOf(l, keepsItsHeight(l) ? { ...grown, height: 1 } : grown);
  if (stage !== "dying back") return stand;
  if (l.woody) {
    const fallen = [20, 38, 64, 80].map((x): Spot => ({
      x,
      y: ground - 1,
      turn: x < 50 ? -84 : 84,
      size: 11,
    }));
    return { ...stand, leaves: [...stand.leaves.filter((_, i) => i % 2 === 0), ...fallen], crown: [] };
  }
  const bend = ([x, y]: readonly [number, number]): readonly [number, number] => {
    const rise = ground - y;
    return [x + (rise * rise) / 130, ground - rise * (1 - rise / 190)];
  };
  return {
    ...stand,
    stems: stand.stems.map((s) => curved(s).map(bend)),
    leaves: stand.leaves.map((leaf) => {
      const [x, y] = bend([leaf.x, leaf.y]);
      const droop = leaf.turn < 0 ? -142 : 142;
      const hangs = y + leaf.size * 0.8 > ground ? (leaf.turn < 0 ? -96 : 96) : droop;
      return { ...leaf, x, y, turn: hangs };
    }),
    tips: [],
  };
}

/** curved puts places between the ends of a straight stem, so that it can bend. */
const curved = (stem: Outline): Outline => {
  const [from, to] = [stem[0], stem[stem.length - 1]];
  if (!from || !to || stem.length > 2) return stem;
  return [0, 0.2, 0.4, 0.6, 0.8, 1].map(
    (t) => [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t] as const,
  );
};

function body(l: Likeness, stand: Stand, stage: string, fine: boolean): Stroke[] {
  const withered = stage === "dying back";
  const tint = withered ? straw : l.pale ? grey : green;
  const strokes: Stroke[] = [];
  if (stand.pole) strokes.push({ d: traces([stand.pole]), line: "var(--softInk)", width: 1.6, faint: true });
  strokes.push({
    d: traces(stand.stems),
    line: l.woody ? wood : ink,
    width: stand.thick * (withered ? 0.8 : 1) * (fine ? 0.62 : 1),
  });
  if (stand.crown.length > 0) strokes.push({ d: areas(stand.crown), fill: "var(--lichen)" });
  if (stand.pads.length > 0)
    strokes.push({ d: areas(stand.pads), fill: withered ? card : tint, line: ink, width: 1.6 });
  const shape = leafShape(l, fine);
  const blades = stand.leaves.flatMap((spot) => shape.areas.map((a) => placed(a, spot)));
  const stalks = stand.leaves.flatMap((spot) => shape.stalks.map((a) => placed(a, spot)));
  if (blades.length > 0)
    strokes.push({
      d: areas(blades),
      fill: tint,
      line: withered || fine || l.pale ? ink : overlaps.has(l.habit) && blades.length < 40 ? card : undefined,
      width: fine ? 0.7 : 1.3,
    });
  if (stalks.length > 0) strokes.push({ d: traces(stalks), line: fine ? ink : tint, width: fine ? 0.8 : 2 });
  return strokes;
}

/** Where leaves lie over each other, a pale line parts them. */
const overlaps = new Set<Likeness["habit"]>(["rosette", "blades", "upright"]);

function resting(l: Likeness, fine: boolean): Stroke[] {
  if (keepsItsHeight(l)) {
    const leaf = l.evergreen && l.habit !== "broom" ? 1 : 0;
    const stand = standOf(l, { height: 1, leaf });
    const shape = leafShape(l, fine);
    const outlines = l.evergreen
      ? stand.leaves.flatMap((spot) => shape.areas.map((a) => placed(a, spot)))
      : [];
    const needles =
      l.leaf === "needle" ? stand.leaves.flatMap((spot) => shape.stalks.map((a) => placed(a, spot))) : [];
    return [
      { d: traces(stand.stems), line: wood, width: stand.thick },
      ...(stand.crown.length > 0 ? [{ d: areas(stand.crown), fill: card, line: ink, width: 1.6 }] : []),
      ...(needles.length > 0 ? [{ d: traces(needles), line: ink, width: 1.1 }] : []),
      ...(stand.pads.length > 0 ? [{ d: areas(stand.pads), fill: card, line: ink, width: 1.8 }] : []),
      ...(outlines.length > 0 ? [{ d: areas(outlines), fill: card, line: ink, width: 1.2 }] : []),
    ];
  }
  if (l.annual) {
    const seeds = [28, 42, 57, 71].map((x, i) => circle(x, ground + 4.4, i % 2 === 0 ? 2.1 : 1.6, 6));
    return [{ d: areas(seeds), fill: ink }];
  }
  if (l.evergreen) {
    const stand = standOf({ ...l, leafSize: Math.min(l.leafSize, 3) }, { height: 0.5, leaf: 0.6 });
    const shape = leafShape(l, fine);
    return [
      { d: traces(stand.stems), line: ink, width: 2 },
      {
        d: areas(stand.leaves.flatMap((spot) => shape.areas.map((a) => placed(a, spot)))),
        fill: card,
        line: ink,
        width: 1.4,
      },
    ];
  }
  const mound: Outline = [-24, -19, -11, 0, 11, 19, 24].map(
    (x) => [50 + x, ground - 12 * Math.cos((x / 24) * (Math.PI / 2))] as const,
  );
  const noses = [-7, 0, 7].map((x) =>
    placed(bud, { x: 50 + x, y: ground - 13 + Math.abs(x) * 0.3, turn: x * 4, size: 4 }),
  );
  return [
    { d: areas([mound]), fill: "var(--softInk)", line: ink, width: 2.4 },
    { d: areas(noses), fill: card, line: ink, width: 1.6 },
  ];
}

/** endsOf are the ends of what grows on: of shoots, or of the uppermost pads. */
const endsOf = (stand: Stand) => [
  ...stand.stems.flatMap((s) => s.slice(-1)),
  ...stand.pads.slice(1).map((pad) => pad[0] ?? [50, 30]),
];

/** spears are the first shoots of a herb: many of what makes a mat, narrow ones of what makes blades. */
function spears(l: Likeness): Stroke {
  const low = l.habit === "mat" || l.habit === "rosette";
  const at = low ? [24, 38, 50, 63, 77] : l.habit === "blades" ? [38, 46, 54, 62] : [40, 50, 61];
  const shape = leafShape(
    { ...l, leaf: l.habit === "blades" ? "lance" : "egg", stalked: false },
    false,
  ).areas;
  const spots = at.map((x, i): Spot => ({
    x,
    y: ground,
    turn: (x - 50) * 0.9,
    size: (low ? 15 : 24) + (i % 2) * 6,
  }));
  return {
    d: areas(spots.flatMap((spot) => shape.map((a) => placed(a, spot)))),
    fill: l.pale ? grey : green,
    line: ink,
    width: 1.4,
  };
}

/** swelling are the buds on wood in spring. */
function swelling(l: Likeness, stand: Stand): Stroke {
  const buds = endsOf(stand).map(([x, y]) =>
    placed(bud, { x, y: y - 2, turn: (x - 50) * 1.2, size: l.habit === "pads" ? 11 : 7.6 }),
  );
  return { d: areas(buds), fill: card, line: ink, width: 1.4 };
}

const slender = new Set(["none", "scale", "needle", "line"]);

/** newLeaves are the pale young ones above the old of an evergreen. */
function newLeaves(l: Likeness, stand: Stand, fine: boolean): Stroke {
  const shape = leafShape({ ...l, leaf: slender.has(l.leaf) ? "lance" : l.leaf }, fine);
  const size = Math.max(l.habit === "tree" ? 19 : 14, 4 + l.leafSize * 4);
  const pairs = endsOf(stand).flatMap(([x, y]) =>
    [-34, 34].map((side) => ({ x, y, turn: (x - 50) * 0.8 + side, size })),
  );
  return {
    d: areas(pairs.flatMap((spot) => shape.areas.map((a) => placed(a, spot)))),
    fill: card,
    line: ink,
    width: 1.2,
  };
}
