import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from "react";

import type { Bounds, Point } from "./geometry";

/** View is the part of the plan that is shown. */
export interface View {
  width: number;
  height: number;
  /** Pixels for each metre. */
  scale: number;
  x: (metres: number) => number;
  y: (metres: number) => number;
  at: (p: Point) => Point;
  /** metres turns a place on the drawing into one on the plan. */
  metres: (p: Point) => Point;
}

interface Window {
  middle: Point;
  scale: number;
}

const mostScale = 400;
const leastScale = 0.5;

const fitted = (frame: Bounds, width: number, height: number): Window => ({
  middle: { x: (frame.left + frame.right) / 2, y: (frame.top + frame.bottom) / 2 },
  scale: Math.min(
    width / Math.max(0.5, frame.right - frame.left),
    height / Math.max(0.5, frame.bottom - frame.top),
  ),
});

/** useView keeps what of the plan is shown: it zooms and pans by wheel, pinch and call. */
export function useView(svg: RefObject<SVGSVGElement | null>, frame: Bounds, width: number, height: number) {
  const [moved, setMoved] = useState<Window>();
  const window = moved ?? fitted(frame, width, height);
  const latest = useRef({ window, width, height });
  useEffect(() => {
    latest.current = { window, width, height };
  });

  const view = useMemo<View>(() => {
    const x = (metres: number) => (metres - window.middle.x) * window.scale + width / 2;
    const y = (metres: number) => (metres - window.middle.y) * window.scale + height / 2;
    return {
      width,
      height,
      scale: window.scale,
      x,
      y,
      at: (p) => ({ x: x(p.x), y: y(p.y) }),
      metres: (p) => ({
        x: (p.x - width / 2) / window.scale + window.middle.x,
        y: (p.y - height / 2) / window.scale + window.middle.y,
      }),
    };
  }, [window.middle.x, window.middle.y, window.scale, width, height]);

  /** zoom keeps the place under a point of the drawing where it is. */
  const zoom = useCallback((factor: number, about?: Point) => {
    const { window: now, width: w, height: h } = latest.current;
    const scale = Math.min(mostScale, Math.max(leastScale, now.scale * factor));
    const p = about ?? { x: w / 2, y: h / 2 };
    const held = {
      x: (p.x - w / 2) / now.scale + now.middle.x,
      y: (p.y - h / 2) / now.scale + now.middle.y,
    };
    setMoved({ scale, middle: { x: held.x - (p.x - w / 2) / scale, y: held.y - (p.y - h / 2) / scale } });
  }, []);

  /** pan moves the drawing by pixels. */
  const pan = useCallback((dx: number, dy: number) => {
    const now = latest.current.window;
    setMoved({
      scale: now.scale,
      middle: { x: now.middle.x - dx / now.scale, y: now.middle.y - dy / now.scale },
    });
  }, []);

  const show = useCallback(
    (what?: Bounds) => setMoved(what ? fitted(what, latest.current.width, latest.current.height) : undefined),
    [],
  );

  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      zoom(Math.exp(-event.deltaY * 0.0015), { x: event.clientX - box.left, y: event.clientY - box.top });
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [svg, zoom]);

  return { view, zoom, pan, show };
}
