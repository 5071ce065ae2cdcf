import type { Point } from "./geometry";
import type { View } from "./useView";

const at = (p: Point, view: View) => `${view.x(p.x).toFixed(1)} ${view.y(p.y).toFixed(1)}`;

/** pathOf draws closed outlines. */
export const pathOf = (areas: Point[][], view: View) =>
  areas
    .filter((area) => area.length > 0)
    .map((area) => `M${area.map((p) => at(p, view)).join("L")}Z`)
    .join("");

/** lineOf draws an open line. */
export const lineOf = (points: Point[], view: View) =>
  points.length > 0 ? `M${points.map((p) => at(p, view)).join("L")}` : "";
