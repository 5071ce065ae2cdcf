/** The layers of the plan: what is shown of beds and plantings. */
export const layers = [
  { id: "stage", name: "Stage" },
  { id: "sun", name: "Sun" },
  { id: "fit", name: "Fit" },
  { id: "water", name: "Water" },
  { id: "warmth", name: "Warmth" },
  { id: "use", name: "Use" },
  { id: "ground", name: "Unsafe ground" },
] as const;

export type Layer = (typeof layers)[number]["id"];

/** Words under the plan that say how a layer is read. */
export const legends: Record<Layer, string> = {
  stage: "A filled circle is a plant at its size on the day; a green ring round it: something may be taken.",
  sun: "The lighter the ground, the more of the day it has the sun. Solar time: the sun stands highest at 12.",
  fit: "Three notches: does well; two: gets by; one: hardly lives; a cross: not here. The worst need decides.",
  water:
    "Drops are the water a planting wants; the bluer the bed, the more of its water is there on the day, or on far days usually.",
  warmth: "The redder a bed, the warmer it lies than the open plot; the bluer, the colder.",
  use: "Plantings grown for the chosen use.",
  ground: "Nothing within a red strip is for use. A dotted ring is as far as a tree poisons the ground.",
};

/** At so many pixels for a metre or fewer, names that would run into those of beds are left out. */
export const smallScale = 11;
