import type { Schemas } from "../../../api/client";
import { boundsOf, distance, middleOf, minus, plus, turned, typed, type Point } from "./geometry";
import type { Placed, Shape } from "./things";

/** LocalForm is a thing's place and shape while it is drawn or dragged; the server has the last word. */
export interface LocalForm {
  shape: Shape;
  at: Point;
  width: number;
  depth: number;
  inner: number;
  turn: number;
  points: Point[];
}

export type FormInput = Pick<
  Schemas["BedInput"],
  "shape" | "x" | "y" | "width" | "depth" | "inner" | "turn" | "points"
>;

/** typedForm is a form as its fields hold it. */
export const typedForm = (form: FormInput | undefined) => ({
  shape: form?.shape ?? "rectangle",
  x: form?.x ?? "",
  y: form?.y ?? "",
  width: form?.width ?? "",
  depth: form?.depth ?? "",
  inner: form?.inner ?? "",
  turn: String(form?.turn ?? 0),
  points: form?.points ?? [],
});

export const formOf = (thing: Placed): LocalForm => ({
  shape: thing.shape,
  at: thing.at,
  width: thing.widthM,
  depth: thing.depthM,
  inner: 0,
  turn: thing.turn,
  points: thing.points,
});

/** asInput writes a form as it would be typed. */
export function asInput(form: LocalForm): FormInput {
  if (form.shape === "polygon" || form.shape === "line")
    return {
      shape: form.shape,
      ...(form.shape === "line" && { width: typed(form.width) }),
      points: form.points.map((p) => ({ x: typed(p.x), y: typed(p.y) })),
    };
  return {
    shape: form.shape,
    x: typed(form.at.x),
    y: typed(form.at.y),
    width: typed(form.width),
    turn: form.turn,
    ...(form.shape === "rectangle" && { depth: typed(form.depth) }),
    ...(form.shape === "ring" && { inner: typed(form.inner) }),
  };
}

/** cornersOf are the corners that a form can be taken hold of by. */
export function cornersOf(form: LocalForm): Point[] {
  if (form.shape === "polygon" || form.shape === "line") return form.points;
  if (form.shape === "rectangle") {
    const x = form.width / 2;
    const y = form.depth / 2;
    return [
      { x: -x, y: -y },
      { x, y: -y },
      { x, y },
      { x: -x, y },
    ].map((p) => plus(turned(p, form.turn), form.at));
  }
  return [plus(form.at, { x: form.width / 2, y: 0 })];
}

const smallest = 0.05;

/** dragged is a form with one of its corners taken elsewhere; the corner across stays where it is. */
export function dragged(form: LocalForm, corner: number, to: Point): LocalForm {
  if (form.shape === "polygon" || form.shape === "line")
    return { ...form, points: form.points.map((p, i) => (i === corner ? to : p)) };
  if (form.shape !== "rectangle") {
    const width = Math.max(smallest, 2 * distance(form.at, to));
    return { ...form, width, depth: width, inner: form.inner * (width / form.width) };
  }
  const across = cornersOf(form)[(corner + 2) % 4];
  if (!across) return form;
  const diagonal = turned(minus(to, across), -form.turn);
  return {
    ...form,
    width: Math.max(smallest, Math.abs(diagonal.x)),
    depth: Math.max(smallest, Math.abs(diagonal.y)),
    at: { x: (to.x + across.x) / 2, y: (to.y + across.y) / 2 },
  };
}

/** drawnBetween is the form that a stroke from one place to another draws. */
export function drawnBetween(shape: Shape, from: Point, to: Point): LocalForm {
  const plain = { shape, turn: 0, inner: 0, points: [] };
  if (shape === "rectangle") {
    const b = boundsOf([from, to]);
    return { ...plain, at: middleOf(b), width: b.right - b.left, depth: b.bottom - b.top };
  }
  const width = Math.round(20 * distance(from, to)) / 10;
  return { ...plain, at: from, width, depth: width, inner: shape === "ring" ? width * 0.4 : 0 };
}

/** sizeText says the size of a form while it is dragged. */
export function sizeText(form: LocalForm, metresPerUnit: number, unit: string): string {
  const say = (metres: number) => `${(metres / metresPerUnit).toFixed(2)} ${unit}`;
  if (form.shape === "rectangle") return `${say(form.width)} × ${say(form.depth)}`;
  if (form.shape === "polygon" || form.shape === "line") {
    const last = form.points[form.points.length - 1];
    const before = form.points[form.points.length - 2];
    return last && before ? say(distance(last, before)) : "";
  }
  return `${say(form.width)} across`;
}
