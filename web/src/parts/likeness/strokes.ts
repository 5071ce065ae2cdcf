/** A Stroke is one path of a drawing, with its colours. */
export interface Stroke {
  d: string;
  fill?: string;
  line?: string;
  width?: number;
  faint?: boolean;
}

/** The colours of the drawings, from the look that is worn. */
export const ink = "var(--ink)";
export const green = "var(--leaf)";
export const grey = "var(--lichen)";
export const straw = "var(--straw)";
export const card = "var(--card)";
export const wood = "color-mix(in srgb, var(--clay) 40%, var(--ink))";
