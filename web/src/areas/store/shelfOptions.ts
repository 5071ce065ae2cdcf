import type { Schemas } from "../../api/client";
import type { Options } from "../../parts/SelectField";

/** shelfOptions are the shelves to choose from, none among them. */
export const shelfOptions = (shelves: Schemas["StoreShelf"][]): Options => [
  ["0", "No shelf yet"],
  ...shelves.filter((one) => one.id > 0).map((one): [string, string] => [String(one.id), one.name]),
];
