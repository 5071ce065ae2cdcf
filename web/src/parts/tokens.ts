/** The looks of the application. All three come from the same roles. */
export type Look = "paper" | "dusk" | "sunlight";

export interface Tokens {
  paper: string;
  cane: string;
  card: string;
  rule: string;
  ink: string;
  softInk: string;
  bramble: string;
  onBramble: string;
  brambleWash: string;
  leaf: string;
  lichen: string;
  clay: string;
  straw: string;
  water: string;
  frost: string;
  forbid: string;
  soil: string;
  meadow: string;
  shadow: string;
  /** The ring round what has the focus: at least 3 to 1 on every ground of its look. */
  focus: string;
}

const paper: Tokens = {
  paper: "#F4EFE4",
  cane: "#EFE6D8",
  card: "#FFFCF6",
  rule: "#D9CFBD",
  ink: "#2A1F2D",
  softInk: "#655866",
  bramble: "#6E1E4B",
  onBramble: "#FFFCF6",
  brambleWash: "#F5E6EE",
  leaf: "#3F6B4A",
  lichen: "#9DB08B",
  clay: "#A44A24",
  straw: "#D9A441",
  water: "#3F6F86",
  frost: "#8FB3C7",
  forbid: "#9E2A2B",
  soil: "#CDB899",
  meadow: "#E8E3D0",
  shadow: "#2A1F2D",
  focus: "#245C7A",
};

const dusk: Tokens = {
  paper: "#1D171F",
  cane: "#241C26",
  card: "#2A212C",
  rule: "#4A3D4B",
  ink: "#F1E9DC",
  softInk: "#B9ABB6",
  bramble: "#E08DB5",
  onBramble: "#1D171F",
  brambleWash: "#3D2735",
  leaf: "#8CC098",
  lichen: "#6C7F5C",
  clay: "#E8966E",
  straw: "#E3B860",
  water: "#7FB3CC",
  frost: "#4F7185",
  forbid: "#F08A86",
  soil: "#4E4132",
  meadow: "#262A20",
  shadow: "#050306",
  focus: "#E3B860",
};

const sunlight: Tokens = {
  ...paper,
  paper: "#FFFFFF",
  cane: "#FFFFFF",
  card: "#FFFFFF",
  rule: "#000000",
  ink: "#000000",
  softInk: "#1F1A20",
  bramble: "#4E0F33",
  brambleWash: "#FFE9F3",
  leaf: "#1F4A2A",
  clay: "#7A2E0E",
  forbid: "#7A0F12",
  soil: "#E6D9C2",
  meadow: "#FFFFFF",
  shadow: "#000000",
  focus: "#00476B",
};

export const looks: Record<Look, Tokens> = { paper, dusk, sunlight };
