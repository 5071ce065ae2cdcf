import { named } from "../drawings/lines";
import { bud, floret } from "./florets";
import { fruitShape, seedHead } from "./fruits";
import { headOf } from "./groups";
import { areas, placed, star, traces, type Spot } from "./outline";
import type { Likeness, Stand } from "./stand";
import { card, green, ink, straw, wood, type Stroke } from "./strokes";

/** flowersOrFruits are the buds, flowers or fruits of a plant that stands so, at a stage. */
export function flowersOrFruits(
  l: Likeness,
  stand: Stand,
  stage: string,
  head: number,
  fine: boolean,
): Stroke[] {
  const { spots, stalks } = headOf(l, stand, head);
  const strokes: Stroke[] =
    stalks.length > 0 ? [{ d: traces(stalks), line: l.woody ? wood : ink, width: fine ? 1.1 : 1.7 }] : [];
  if (stage === "setting seed" || stage === "ripe")
    return [...strokes, fruits(l, spots, stage === "ripe", fine)];
  const open = spots.filter((_, i) => isOpen(l, stage, i, spots.length));
  const shut = spots.filter((spot) => !open.includes(spot));
  if (shut.length > 0) strokes.push(buds(l, shut, fine));
  if (open.length > 0) strokes.push(...flowers(l, open, stage === "first flower" && spots.length > 3, fine));
  return strokes;
}

/** isOpen tells whether the flower of a place is open: at first one in three, the lowest and outermost before. */
function isOpen(l: Likeness, stage: string, i: number, of: number) {
  if (stage === "full flower") return true;
  if (stage !== "first flower") return false;
  return of <= 3 ? i === Math.floor((of - 1) / 2) : i % 3 === (l.group === "plume" ? 2 : 0);
}

const fillOf = (l: Likeness) => named[l.colour] ?? green;

/** Among much leaf and wood a bud is drawn larger, to be seen. */
const leastBud: Partial<Record<Likeness["habit"], number>> = {
  tree: 9.6,
  bush: 9,
  climber: 7.6,
  pads: 11.5,
  broom: 7.6,
};

function buds(l: Likeness, spots: Spot[], fine: boolean): Stroke {
  const pale = l.colour === "white" || l.colour === "cream";
  const shapes = spots.map((spot) =>
    placed(bud, { ...spot, size: Math.max(fine ? 3 : (leastBud[l.habit] ?? 7.9), spot.size * 0.64) }),
  );
  return { d: areas(shapes), fill: card, line: pale ? ink : fillOf(l), width: pale ? 1.1 : 1.8 };
}

/** The size below which single petals run together: a flower is then drawn as a star. */
const single = 8.5;

function flowers(l: Likeness, spots: Spot[], first: boolean, fine: boolean): Stroke[] {
  const line = { line: ink, width: fine ? 0.6 : 0.9 };
  const dull = !fine && !l.woody && (l.form === "tiny" || l.form === "catkin");
  const grown = (first ? 1.45 : 1.15) * (dull ? 1.65 : 1);
  const at = spots.map((spot) => ({ ...spot, size: spot.size * grown }));
  const { petals, eye } = floret(l.form, l.petals);
  const small = !fine && petals.length > 1 && at.every((spot) => spot.size < single);
  const shapes = small ? [star(Math.max(5, petals.length), 1, 0.66)] : petals;
  const strokes: Stroke[] = [
    { d: areas(at.flatMap((spot) => shapes.map((p) => placed(p, spot)))), fill: fillOf(l), ...line },
  ];
  if (eye && (!small || l.form === "daisy")) {
    const yellow = l.colour === "yellow" || l.colour === "orange";
    strokes.push({ d: areas(at.map((spot) => placed(eye, spot))), fill: yellow ? wood : straw, ...line });
  }
  return strokes;
}

function fruits(l: Likeness, spots: Spot[], ripe: boolean, fine: boolean): Stroke {
  const alone = l.woody || l.group === "one" || spots.length < 5;
  const kept = alone ? spots : spots.filter((_, i) => i % 2 === 0);
  const daisy = l.fruit === "nut" && (l.form === "daisy" || l.form === "button");
  const shape = daisy ? seedHead : fruitShape(l.fruit);
  const outlines = kept.flatMap((spot) => {
    const size =
      Math.max(l.fruit === "pod" ? 6.8 : 5.2, Math.min(l.woody ? 7 : 9, spot.size)) *
      (ripe ? (fine ? 1.2 : kept.length > 12 ? 1.45 : 1.75) : 1.1);
    return shape.map((o) => placed(o, { ...spot, turn: hangs.has(l.fruit) ? 0 : spot.turn, size }));
  });
  const colour = named[l.fruitColour] ?? straw;
  return {
    d: areas(outlines),
    fill: ripe ? colour : card,
    line: ink,
    width: ripe ? (fine ? 0.6 : 0.9) : 1.5,
  };
}

/** These hang as they grew, however the stalk leans. */
const hangs = new Set(["pod", "hip", "compound", "berry", "stone"]);
