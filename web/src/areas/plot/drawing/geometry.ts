/** Places are metres on the plan, as the server sends them: x to the right, y down. */
export interface Point {
  x: number;
  y: number;
}

export const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

export const turned = (p: Point, degrees: number): Point => {
  const turn = (degrees * Math.PI) / 180;
  return {
    x: p.x * Math.cos(turn) - p.y * Math.sin(turn),
    y: p.x * Math.sin(turn) + p.y * Math.cos(turn),
  };
};

export interface Bounds {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export function boundsOf(points: Point[]): Bounds {
  return {
    left: Math.min(...points.map((p) => p.x)),
    top: Math.min(...points.map((p) => p.y)),
    right: Math.max(...points.map((p) => p.x)),
    bottom: Math.max(...points.map((p) => p.y)),
  };
}

export const middleOf = (b: Bounds): Point => ({ x: (b.left + b.right) / 2, y: (b.top + b.bottom) / 2 });

/** typed writes metres as a grower would type them; the server reads any unit. */
export const typed = (metres: number) => `${Math.round(metres * 1000) / 1000} m`;
