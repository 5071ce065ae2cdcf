import type { Schemas } from "../../../api/client";
import type { Point } from "./geometry";

export type Plot = Schemas["PlotView"];
export type Bed = Schemas["BedView"];
export type Item = Schemas["ItemView"];
export type Planted = Schemas["PlantedView"];
export type Form = Schemas["BedInput"];
const shapes = ["rectangle", "polygon", "ring", "round", "line"] as const;
export type Shape = (typeof shapes)[number];

/** shapeOf is the shape of a name. */
export const shapeOf = (name: string): Shape => shapes.find((shape) => shape === name) ?? "rectangle";

export interface Thing {
  what: "bed" | "item";
  id: number;
  /** The version that the plan shows. */
  version?: string;
}

/** Selection is what is chosen on the plan: one planting, or one or several things. */
export interface Selection {
  planting?: number;
  things: Thing[];
}

export const nothing: Selection = { things: [] };

export const isChosen = (selection: Selection, thing: Thing) =>
  selection.things.some((t) => t.what === thing.what && t.id === thing.id);

/** Placed is what the plan knows alike of a bed and of any other thing. */
export interface Placed extends Thing {
  name: string;
  shape: Shape;
  at: Point;
  widthM: number;
  depthM: number;
  turn: number;
  inner?: string;
  areas: Point[][];
  /** The corners of a polygon or the bends of a line. */
  points: Point[];
}

const closed = (path: Point[], shape: string) => (shape === "line" ? path : path.slice(0, -1));

export const placedBed = (bed: Bed): Placed => ({
  what: "bed",
  id: bed.id,
  version: bed.version,
  name: bed.name,
  shape: shapeOf(bed.input.shape ?? ""),
  at: bed.at,
  widthM: bed.widthM,
  depthM: bed.depthM,
  turn: bed.input.turn ?? 0,
  inner: bed.input.inner,
  areas: bed.areas,
  points: bed.areas[0] ?? [],
});

export const placedItem = (item: Item): Placed => ({
  what: "item",
  id: item.id,
  version: item.version,
  name: item.name || item.kind,
  shape: shapeOf(item.input.shape ?? ""),
  at: item.at,
  widthM: item.widthM,
  depthM: item.depthM,
  turn: item.input.turn ?? 0,
  areas: item.areas,
  points: closed(item.path, item.input.shape ?? ""),
});

export const allPlaced = (plot: Plot): Placed[] => [
  ...plot.items.map(placedItem),
  ...plot.beds.map(placedBed),
];
