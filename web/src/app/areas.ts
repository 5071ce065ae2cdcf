import type { Area, Node } from "../parts/area";

/** Every area tells of itself by one value in its own folder: nothing else lists areas. */
const found = import.meta.glob<{ area: Area }>("../areas/*/area.ts", { eager: true });

export const areas: Area[] = Object.values(found).map((module) => module.area);

/** The nodes of the cane, in their order. */
export const nodes: Node[] = areas
  .flatMap((area) => (area.node ? [area.node] : []))
  .sort((a, b) => a.order - b.order);

/** All screens. */
export const screens = areas.flatMap((area) => area.screens);
