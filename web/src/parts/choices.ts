import type { Schemas } from "../api/client";
import type { Options } from "./SelectField";

/** bedChoices offers the beds of the plan, and none. */
export const bedChoices = (beds: { id: number; name: string }[], none: string): Options => [
  ["0", none],
  ...beds.map((bed) => [String(bed.id), bed.name] as const),
];

/** placeChoices offers the places of the bench. */
export const placeChoices = (shelves: Schemas["ShelfView"][], none?: string): Options => [
  ...(none ? [["0", none] as const] : []),
  ...shelves.map((shelf) => [String(shelf.id), shelf.name] as const),
];

/** plantingChoices offers what stands on the plot, as mothers. */
export const plantingChoices = (beds: Schemas["BedView"][], none: string): Options => [
  ["0", none],
  ...beds.flatMap((bed) => bed.plantings.map((p) => [String(p.id), `${p.name}, ${bed.name}`] as const)),
];
