import { createContext, useContext } from "react";

import type { Schemas } from "../../../api/client";
import { keyOf, read, type Path, type Sheet } from "./sheet";

interface Filling {
  sheet: Sheet;
  words: Schemas["PlantWords"];
  /** What was wrong, by key. */
  faults: Record<string, string>;
  put: (path: Path, value: unknown) => void;
}

export const FillingContext = createContext<Filling | null>(null);

/** useFilling is the sheet that is being filled in. */
export function useFilling() {
  const filling = useContext(FillingContext);
  if (!filling) throw new Error("there is no sheet to fill in");
  return filling;
}

/** useField is one field of the sheet: what stands there, how to put it, and what is wrong with it. */
export function useField(path: Path, help?: string) {
  const { sheet, put, faults } = useFilling();
  const fault = faults[keyOf(path)];
  return {
    value: read(sheet, path),
    set: (value: unknown) => put(path, value),
    told: { error: fault !== undefined, helperText: fault ?? help },
  };
}
