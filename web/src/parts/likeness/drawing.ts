import { named } from "../drawings/lines";
import { bud, floret } from "./florets";
import { fruitShape } from "./fruits";
import { headOf } from "./groups";
import { leafShape } from "./leaves";
import { areas, circle, placed, traces, type Outline, type Spot } from "./outline";
import { ground, standOf, type Grown, type Likeness, type Stand } from "./stand";

/** A Stroke is one path of a drawing, with its colours. */
export interface Stroke {
  d: string;
  fill?: string;
  line?: string;
  width?: number;
  faint?: boolean;
}

const ink = "var(--ink)";
const green = "var(--leaf)";
const grey = "var(--lichen)";
const straw = "var(--straw)";
const card = "var(--card)";
const wood = "var(--clay)";

const grownAt: Record<string, Grown> = {
  resting: { height: 0.4, leaf: 0, flowering: false },
  shooting: { height: 0.3, leaf: 0.28, flowering: false },
  leafing: { height: 0.62, leaf: 0.6, flowering: false },
  "full leaf": { height: 0.92, leaf: 1, flowering: false },
  "in bud": { height: 1, leaf: 1, flowering: true },
  "first flower": { height: 1, leaf: 1, flowering: true },
  "full flower": { height: 1, leaf: 1, flowering: true },
  "setting seed": { height: 1, leaf: 1, flowering: true },
  ripe: { height: 1, leaf: 0.55, flowering: true },
  "dying back": { height: 0.8, leaf: 0.6, flowering: false },
};

const inFlower = new Set(["in bud", "first flower", "full flower"]);

/** drawn is a species at a stage as paths on a field of a hundred, those behind first. A fine one shows the leaf's teeth. */
export function drawn(l: Likeness, stage: string, fine = false): Stroke[] {
  const grown = { ...(grownAt[stage] ?? { height: 1, leaf: 1, flowering: false }) };
  const bare = l.beforeLeaf && inFlower.has(stage);
  if (bare) grown.leaf = 0;
  if (l.evergreen && (stage === "ripe" || stage === "dying back")) grown.leaf = 1;
  const soil: Stroke = {
    d: traces([
      [
        [10, ground],
        [90, ground],
      ],
    ]),
    line: "var(--softInk)",
    width: 2.4,
    faint: true,
  };
  if (stage === "resting") return [soil, ...resting(l, fine)];
  const stand = standing(l, stage, grown);
  if (bare) stand.leaves = [];
  const strokes = [soil, ...body(l, stand, stage, fine)];
  if (grown.flowering) strokes.push(...flowersOrFruits(l, stand, stage, fine));
  if (stage === "shooting" && l.woody) strokes.push(swelling(stand));
  return strokes;
}

/** standing is how it stands at a stage: wood keeps its height, what dies back bends over. */
function standing(l: Likeness, stage: string, grown: Grown): Stand {
  const stand = standOf(l, l.woody ? { ...grown, height: 1 } : grown);
  if (stage !== "dying back") return stand;
  if (l.woody) {
    const fallen = [20, 38, 64, 80].map((x): Spot => ({
      x,
      y: ground - 1,
      turn: x < 50 ? -84 : 84,
      size: 11,
    }));
    return { ...stand, leaves: [...stand.leaves.filter((_, i) => i % 2 === 0), ...fallen], crown: undefined };
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
  if (stand.crown) strokes.push({ d: areas([stand.crown]), fill: tint, faint: true });
  strokes.push({
    d: traces(stand.stems),
    line: l.woody ? wood : ink,
    width: stand.thick * (withered ? 0.8 : 1),
  });
  if (stand.pads.length > 0)
    strokes.push({ d: areas(stand.pads), fill: withered ? card : tint, line: ink, width: 1.6 });
  const shape = leafShape(l.leaf, l.edge, fine);
  const blades = stand.leaves.flatMap((spot) => shape.areas.map((a) => placed(a, spot)));
  const stalks = stand.leaves.flatMap((spot) => shape.stalks.map((a) => placed(a, spot)));
  if (blades.length > 0)
    strokes.push({
      d: areas(blades),
      fill: tint,
      line: withered || fine ? ink : undefined,
      width: fine ? 0.7 : 1,
    });
  if (stalks.length > 0) strokes.push({ d: traces(stalks), line: fine ? ink : tint, width: fine ? 0.8 : 2 });
  return strokes;
}

function resting(l: Likeness, fine: boolean): Stroke[] {
  if (l.woody || l.habit === "pads" || l.habit === "broom") {
    const leaf = l.evergreen ? 1 : 0;
    const stand = standOf(l, { height: 1, leaf, flowering: false });
    const shape = leafShape(l.leaf, l.edge, fine);
    const outlines = l.evergreen
      ? stand.leaves.flatMap((spot) => shape.areas.map((a) => placed(a, spot)))
      : [];
    return [
      { d: traces(stand.stems), line: wood, width: stand.thick },
      ...(stand.pads.length > 0 ? [{ d: areas(stand.pads), fill: card, line: ink, width: 1.8 }] : []),
      ...(outlines.length > 0 ? [{ d: areas(outlines), fill: card, line: ink, width: 1.2 }] : []),
    ];
  }
  if (l.annual) {
    const seeds = [28, 42, 57, 71].map((x, i) => circle(x, ground + 4.4, i % 2 === 0 ? 2.1 : 1.6, 6));
    return [{ d: areas(seeds), fill: ink }];
  }
  if (l.evergreen) {
    const stand = standOf(
      { ...l, leafSize: Math.min(l.leafSize, 3) },
      { height: 0.5, leaf: 0.6, flowering: false },
    );
    const shape = leafShape(l.leaf, l.edge, fine);
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
  const mound: Outline = [-18, -14, -8, 0, 8, 14, 18].map(
    (x) => [50 + x, ground - 12 * Math.cos((x / 18) * (Math.PI / 2))] as const,
  );
  const noses = [-7, 0, 7].map((x) =>
    placed(bud, { x: 50 + x, y: ground - 13 + Math.abs(x) * 0.3, turn: x * 4, size: 4 }),
  );
  return [
    { d: traces([mound]), line: ink, width: 3 },
    { d: areas(noses), fill: card, line: ink, width: 1.6 },
  ];
}

/** swelling are the buds on bare wood in spring. */
function swelling(stand: Stand): Stroke {
  const ends = stand.stems.flatMap((s) => s.slice(-1));
  return {
    d: areas(ends.map(([x, y]) => placed(bud, { x, y: y - 1, turn: (x - 50) * 1.2, size: 4.4 }))),
    fill: green,
    line: ink,
    width: 1,
  };
}

function flowersOrFruits(l: Likeness, stand: Stand, stage: string, fine: boolean): Stroke[] {
  const { spots, stalks } = headOf(l, stand);
  const strokes: Stroke[] =
    stalks.length > 0 ? [{ d: traces(stalks), line: l.woody ? wood : ink, width: 1.7 }] : [];
  const colour = named[l.colour] ?? named.green ?? green;
  const edge = fine ? 0.7 : 1.2;
  if (stage === "setting seed" || stage === "ripe") {
    const shape = fruitShape(l.fruit);
    const kept =
      l.fruitSet === "one" || l.group === "one"
        ? spots
        : spots.filter((_, i) => i % 3 !== 2 || spots.length < 5);
    const size = stage === "ripe" ? 1.25 : 1.02;
    const fruits = kept.flatMap((spot) =>
      shape.map((o) =>
        placed(o, {
          ...spot,
          turn: hangs(l.fruit) ? 0 : spot.turn,
          size: Math.max(3.4, Math.min(9, spot.size)) * size,
        }),
      ),
    );
    const ripe = named[l.fruitColour] ?? straw;
    strokes.push({
      d: areas(fruits),
      fill: stage === "ripe" ? ripe : card,
      line: ink,
      width: stage === "ripe" ? edge : 1.7,
    });
    return strokes;
  }
  const open =
    stage === "full flower"
      ? spots
      : stage === "first flower"
        ? spots.filter((_, i) => i === firstOpen(l, spots.length))
        : [];
  const shut = spots.filter((spot) => !open.includes(spot));
  if (shut.length > 0) {
    const buds = shut.map((spot) => placed(bud, { ...spot, size: Math.max(2.6, spot.size * 0.66) }));
    strokes.push({
      d: areas(buds),
      fill: card,
      line: l.colour === "white" || l.colour === "cream" ? ink : colour,
      width: 2,
    });
  }
  const one = floret(l.form, l.petals);
  if (open.length > 0) {
    const grow = stage === "first flower" ? 1.35 : 1.12;
    const at = open.map((spot) => ({ ...spot, size: spot.size * grow }));
    strokes.push({
      d: areas(at.flatMap((spot) => one.petals.map((p) => placed(p, spot)))),
      fill: colour,
      line: ink,
      width: edge,
    });
    if (one.eye) {
      const { eye } = one;
      strokes.push({
        d: areas(at.map((spot) => placed(eye, spot))),
        fill: l.colour === "yellow" ? wood : straw,
        line: ink,
        width: edge * 0.7,
      });
    }
  }
  return strokes;
}

/** A pod, an urn or a bunch hangs as it grew; what is round has no way up. */
const hangs = (fruit: string) => ["pod", "hip", "compound", "berry", "stone"].includes(fruit);

/** Spikes open from the foot, flat heads and umbels from the rim, single ones at once. */
const firstOpen = (l: Likeness, count: number) => (l.group === "plume" ? count - 1 : 0);
