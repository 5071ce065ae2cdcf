import { boundsOf, middleOf, type Bounds, type Point } from "./geometry";
import { smallScale, type Layer } from "./layers";
import type { Bed, Item, Planted, Plot } from "./things";
import type { View } from "./useView";

/** How a bed's label is written: on one line, on two, or by its name alone. */
export type Lines = "one" | "two" | "name";

export interface BedLabel {
  lines: Lines;
  /** Where its first line begins, on its foot. */
  at: Point;
}

/** Labels is where the words of the plan stand so that none lies over another: what finds no room is left out. */
export interface Labels {
  beds: Map<number, BedLabel>;
  /** The middle of what a layer says of a planting. */
  chips: Map<number, Point>;
  /** The plantings whose name has room, with its middle. */
  names: Map<number, Point>;
}

const nameLetter = 7.6;
const wordLetter = 6.4;
const smallLetter = 6.1;
const nameHeight = 15;
const lineHeight = 15;
const leastForTwoLines = 60;

const meet = (a: Bounds, b: Bounds) =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

const boxAt = (at: Point, width: number, height: number): Bounds => ({
  left: at.x,
  top: at.y - height + 3,
  right: at.x + width,
  bottom: at.y + 3,
});

const around = (middle: Point, width: number, height: number): Bounds => ({
  left: middle.x - width / 2,
  top: middle.y - height / 2,
  right: middle.x + width / 2,
  bottom: middle.y + height / 2,
});

const namedKinds = ["building", "pond", "tree", "unsafe ground"];

/** itemNameAt is where the name of a thing stands, in its middle; nowhere if it has no room. */
export function itemNameAt(
  item: Item,
  name: string,
  view: View,
): { at: Point; upright: boolean } | undefined {
  if (!namedKinds.includes(item.kind) && !item.name) return undefined;
  const points = item.input.shape === "line" ? item.path : item.areas.flat();
  const box = boundsOf(points.map(view.at));
  if (view.scale <= smallScale && item.kind === "tree") return undefined;
  const length = name.length * smallLetter;
  const wide = box.right - box.left > length;
  const tall = box.bottom - box.top > length;
  if (!wide && !tall && item.kind !== "tree") return undefined;
  const at = item.kind === "tree" ? { x: middleOf(box).x, y: box.bottom - 11 } : middleOf(box);
  const upright = !wide && tall;
  return view.scale <= smallScale && upright ? undefined : { at, upright };
}

const overlap = (a: Bounds, b: Bounds) =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

/** bedChoices are the ways to write a bed's label, the best first. */
function bedChoices(name: string, words: string, box: Bounds, view: View, selected: boolean) {
  const nameWidth = name.length * nameLetter;
  const oneLine = nameWidth + 7 + words.length * wordLetter;
  const twoLines = Math.max(nameWidth, words.length * wordLetter);
  const large = view.scale > smallScale;
  const choices: { lines: Lines; at: Point; box: Bounds }[] = [];
  const add = (lines: Lines, x: number, y: number, width: number, height: number) => {
    const left = Math.max(2, Math.min(x, view.width - width - 2));
    const foot = { x: left, y };
    choices.push({
      lines,
      at: foot,
      box: { ...boxAt(foot, width, nameHeight), bottom: y + 3 + height - nameHeight },
    });
  };
  if (large && box.right - box.left > oneLine) add("one", box.left, box.top - 6, oneLine, nameHeight);
  if ((large && box.right - box.left > leastForTwoLines) || selected)
    add("two", box.left, box.top - 21, twoLines, nameHeight + lineHeight);
  const middle = (box.left + box.right - nameWidth) / 2;
  for (const y of [box.top - 6, box.bottom + 15, box.top - 6 - nameHeight])
    for (const x of [box.left, box.right - nameWidth, middle, box.right, box.left - nameWidth])
      add("name", x, y, nameWidth, nameHeight);
  add("name", box.left + 5, box.top + 16, nameWidth, nameHeight);
  return choices;
}

const chipWidths: Partial<Record<Layer, number>> = { fit: 36, water: 40, ground: 82 };
const chipHeight = 23;
const says = (planted: Planted, layer: Layer) => layer !== "ground" || planted.ground.length > 0;

interface Asked {
  plot: Plot;
  view: View;
  layer: Layer;
  /** What stands after a bed's name. */
  about: (bed: Bed) => string;
  /** The bed that is chosen goes before all others. */
  chosen?: number;
  /** True where the plan shows no plantings. */
  bare: boolean;
}

/** labelsOf finds room for the words of the plan, the most wanted first. */
export function labelsOf({ plot, view, layer, about, chosen, bare }: Asked): Labels {
  const taken: Bounds[] = [];
  const free = (box: Bounds) => !taken.some((other) => meet(box, other));
  const labels: Labels = { beds: new Map(), chips: new Map(), names: new Map() };
  const chip = bare ? undefined : chipWidths[layer];
  const standing = bare ? [] : plot.beds.flatMap((bed) => bed.plantings);
  if (chip) {
    for (const planted of standing.filter((one) => says(one, layer))) {
      const middle = view.at(planted.middle);
      const steps = [0, 1, -1, 2, -2, 3, -3];
      const places = steps.flatMap((dy) =>
        [0, 1, -1].map((dx) => ({ x: middle.x + dx * (chip + 3), y: middle.y + dy * (chipHeight + 2) })),
      );
      const far = (p: Point) => Math.hypot(p.x - middle.x, p.y - middle.y);
      const at = places.sort((a, b) => far(a) - far(b)).find((p) => free(around(p, chip, chipHeight)));
      if (!at) continue;
      taken.push(around(at, chip, chipHeight));
      labels.chips.set(planted.id, at);
    }
  }
  for (const item of plot.items) {
    const name = item.name || item.kind;
    const place = itemNameAt(item, name, view);
    if (place && !place.upright) taken.push(around(place.at, name.length * smallLetter, nameHeight));
  }
  const boxes = plot.beds.map((bed) => ({ bed, box: boundsOf(bed.areas.flat().map(view.at)) }));
  const first = ({ bed }: { bed: Bed }) => (bed.id === chosen ? 0 : 1);
  const size = ({ box }: { box: Bounds }) => (box.right - box.left) * (box.bottom - box.top);
  for (const { bed, box } of boxes.sort((a, b) => first(a) - first(b) || size(b) - size(a))) {
    const choices = bedChoices(bed.name, about(bed), box, view, bed.id === chosen);
    // Of those that have room the one that covers least of other beds; the chosen bed is always named.
    const others = boxes.filter((other) => other.bed.id !== bed.id);
    const covers = (label: Bounds) => others.reduce((sum, other) => sum + overlap(label, other.box), 0);
    const label =
      choices.filter((one) => free(one.box)).sort((a, b) => covers(a.box) - covers(b.box))[0] ??
      (bed.id === chosen ? choices[0] : undefined);
    if (!label) continue;
    taken.push(label.box);
    labels.beds.set(bed.id, { lines: label.lines, at: label.at });
  }
  for (const planted of view.scale > smallScale ? standing : []) {
    const width = planted.name.length * smallLetter;
    if (width >= planted.widthM * view.scale) continue;
    const middle = view.at(planted.middle);
    const depth = planted.depthM * view.scale;
    const at = { x: middle.x, y: middle.y + (planted.outline.length === 4 ? depth / 2 - 4 : 24) };
    const box = boxAt({ x: at.x - width / 2, y: at.y }, width, 13);
    if (!free(box)) continue;
    taken.push(box);
    labels.names.set(planted.id, at);
  }
  return labels;
}
