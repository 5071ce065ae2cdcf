import { boundsOf, type Bounds, type Point } from "./geometry";
import type { Placed } from "./things";

/** A line that something has snapped to, in metres. */
export interface Guide {
  vertical: boolean;
  at: number;
}

const grid = 0.1;
const reachPx = 7;

const toGrid = (value: number) => Math.round(value / grid) * grid;

const edges = (things: Placed[], vertical: boolean) =>
  things.flatMap((thing) => {
    const b = boundsOf(thing.areas.flat());
    return vertical ? [b.left, b.right, (b.left + b.right) / 2] : [b.top, b.bottom, (b.top + b.bottom) / 2];
  });

function nearest(values: number[], lines: number[], reach: number): { by: number; at: number } | undefined {
  let best: { by: number; at: number } | undefined;
  for (const value of values)
    for (const at of lines) {
      const by = at - value;
      if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, at };
    }
  return best;
}

/** snapPoint moves a place to the edges of other things or to the 10 cm grid. */
export function snapPoint(p: Point, others: Placed[], scale: number): { to: Point; guides: Guide[] } {
  const x = nearest([p.x], edges(others, true), reachPx / scale);
  const y = nearest([p.y], edges(others, false), reachPx / scale);
  return {
    to: { x: x ? x.at : toGrid(p.x), y: y ? y.at : toGrid(p.y) },
    guides: [...(x ? [{ vertical: true, at: x.at }] : []), ...(y ? [{ vertical: false, at: y.at }] : [])],
  };
}

/** snapMove rounds a move so that the moved bounds meet the edges of others, or the move the grid. */
export function snapMove(by: Point, moved: Bounds, others: Placed[], scale: number) {
  const x = nearest(
    [moved.left + by.x, moved.right + by.x, (moved.left + moved.right) / 2 + by.x],
    edges(others, true),
    reachPx / scale,
  );
  const y = nearest(
    [moved.top + by.y, moved.bottom + by.y, (moved.top + moved.bottom) / 2 + by.y],
    edges(others, false),
    reachPx / scale,
  );
  return {
    by: { x: x ? by.x + x.by : toGrid(by.x), y: y ? by.y + y.by : toGrid(by.y) },
    guides: [
      ...(x ? [{ vertical: true, at: x.at }] : []),
      ...(y ? [{ vertical: false, at: y.at }] : []),
    ] satisfies Guide[],
  };
}
