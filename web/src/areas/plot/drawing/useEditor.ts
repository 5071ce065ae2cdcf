import { useCallback, useEffect, useRef, useState, type MouseEvent, type PointerEvent } from "react";

import { boundsOf, distance, minus, plus, type Point } from "./geometry";
import { cornersOf, dragged, drawnBetween, formOf, type LocalForm } from "./forms";
import { snapMove, snapPoint, type Guide } from "./snap";
import {
  allPlaced,
  isChosen,
  nothing,
  type Placed,
  type Plot,
  type Selection,
  type Shape,
  type Thing,
} from "./things";
import type { View } from "./useView";

/** Tool is what the pointer does: choose and move, or draw a shape of a kind. */
export interface Tool {
  kind: string;
  shape: Shape;
}

/** Draft is what is shown of a change before it is made. */
export interface Draft {
  moved: Thing[];
  by: Point;
  reshaped?: { thing: Thing; form: LocalForm };
  drawn?: LocalForm;
  marquee?: { from: Point; to: Point };
  guides: Guide[];
  pointer?: Point;
}

const still: Draft = { moved: [], by: { x: 0, y: 0 }, guides: [] };

type Gesture =
  | { kind: "pan"; last: Point }
  | { kind: "move"; from: Point; things: Placed[]; began: boolean }
  | { kind: "corner"; thing: Placed; corner: number }
  | { kind: "turn"; thing: Placed }
  | { kind: "draw"; from: Point; shape: Shape }
  | { kind: "marquee"; from: Point };

interface Options {
  plot: Plot;
  view: View;
  pan: (dx: number, dy: number) => void;
  zoom: (factor: number, about?: Point) => void;
  editing: boolean;
  tool?: Tool;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  onMove: (things: Thing[], by: Point) => Promise<unknown>;
  onReshape: (thing: Thing, form: LocalForm) => Promise<unknown>;
  onDrawn: (form: LocalForm) => void;
  /** onDrag is told where a single thing would stand while it is moved. */
  onDrag: (thing: Thing, at: Point) => void;
  onDragEnd: () => void;
}

const startPx = 4;
const turnStep = 5;

/** useEditor turns strokes of the pointer into moves, new shapes and new sizes. */
export function useEditor(options: Options) {
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });
  const [draft, setDraft] = useState<Draft>(still);
  const draftNow = useRef(draft);
  const gesture = useRef<Gesture | undefined>(undefined);
  const fingers = useRef(new Map<number, Point>());
  const points = useRef<Point[]>([]);
  // A stroke that moved is no click on what lies under its end.
  const stroked = useRef(false);

  const show = useCallback((next: Draft) => {
    draftNow.current = next;
    setDraft(next);
  }, []);

  const place = (event: PointerEvent): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  const others = (except: Thing[]) =>
    allPlaced(latest.current.plot).filter((t) => !except.some((e) => e.what === t.what && e.id === t.id));

  const drawnSoFar = (to?: Point): LocalForm => ({
    shape: latest.current.tool?.shape ?? "polygon",
    at: { x: 0, y: 0 },
    width: 1,
    depth: 0,
    inner: 0,
    turn: 0,
    points: to ? [...points.current, to] : points.current,
  });

  /** cancel gives up the stroke or the outline under way; it tells whether there was one. */
  const cancel = useCallback(() => {
    const had = gesture.current !== undefined || points.current.length > 0;
    gesture.current = undefined;
    points.current = [];
    show(still);
    return had;
  }, [show]);

  /** finish ends an outline or a line. */
  const finish = useCallback(() => {
    const { tool, onDrawn } = latest.current;
    const least = tool?.shape === "line" ? 2 : 3;
    const corners = points.current.filter(
      (p, i) => i === 0 || distance(p, points.current[i - 1] ?? p) > 0.01,
    );
    if (!tool || corners.length < least) return false;
    points.current = corners;
    onDrawn({ ...drawnSoFar(), width: tool.shape === "line" ? 0.3 : 0 });
    points.current = [];
    show(still);
    return true;
  }, [show]);

  const beginStroke = (event: PointerEvent, px: Point) => {
    const { view, tool, editing, selection } = latest.current;
    const at = view.metres(px);
    const hit = (event.target as Element).closest("[data-grip], [data-thing]");
    if (editing && tool) {
      const { to } = snapPoint(at, others([]), view.scale);
      if (tool.shape === "polygon" || tool.shape === "line") points.current.push(to);
      else gesture.current = { kind: "draw", from: to, shape: tool.shape };
      return;
    }
    if (editing && hit) {
      const thing = allPlaced(latest.current.plot).find(
        (t) => `${t.what}-${t.id}` === (hit as HTMLElement | SVGElement).dataset.thing,
      );
      const grip = (hit as HTMLElement | SVGElement).dataset.grip;
      if (thing && grip === "turn") gesture.current = { kind: "turn", thing };
      else if (thing && grip) gesture.current = { kind: "corner", thing, corner: Number(grip) };
      else if (thing && !event.shiftKey)
        gesture.current = {
          kind: "move",
          from: at,
          began: false,
          things: isChosen(selection, thing)
            ? allPlaced(latest.current.plot).filter((t) => isChosen(selection, t))
            : [thing],
        };
      if (gesture.current) return;
    }
    if (editing && event.shiftKey && !hit) gesture.current = { kind: "marquee", from: at };
    else if (!hit || !editing) gesture.current = { kind: "pan", last: px };
  };

  const onPointerDown = (event: PointerEvent) => {
    if (event.button !== 0) return;
    stroked.current = false;
    const px = place(event);
    fingers.current.set(event.pointerId, px);
    if (fingers.current.size > 1) {
      gesture.current = undefined;
      show(still);
      return;
    }
    beginStroke(event, px);
  };

  /** hold keeps the pointer's moves coming when it leaves the drawing. */
  const hold = (event: PointerEvent) => {
    if (stroked.current) return;
    stroked.current = true;
    event.currentTarget.setPointerCapture(event.pointerId);
  };

  const pinch = (id: number, px: Point) => {
    const before = [...fingers.current.values()];
    fingers.current.set(id, px);
    const after = [...fingers.current.values()];
    const [a, b] = before;
    const [c, d] = after;
    if (!a || !b || !c || !d) return;
    const middle = { x: (c.x + d.x) / 2, y: (c.y + d.y) / 2 };
    latest.current.zoom(distance(c, d) / Math.max(1, distance(a, b)), middle);
    latest.current.pan(middle.x - (a.x + b.x) / 2, middle.y - (a.y + b.y) / 2);
  };

  const moveThings = (g: Extract<Gesture, { kind: "move" }>, at: Point, free: boolean) => {
    const { view, onDrag } = latest.current;
    let by = minus(at, g.from);
    if (!g.began && Math.hypot(by.x, by.y) * view.scale < startPx) return;
    if (!g.began) latest.current.onSelect({ things: g.things.map(({ what, id }) => ({ what, id })) });
    g.began = true;
    let guides: Guide[] = [];
    if (!free) {
      const bounds = boundsOf(g.things.flatMap((t) => t.areas.flat()));
      ({ by, guides } = snapMove(by, bounds, others(g.things), view.scale));
    }
    show({ ...still, moved: g.things, by, guides });
    const [only] = g.things;
    if (only && g.things.length === 1) onDrag(only, plus(only.at, by));
  };

  const onPointerMove = (event: PointerEvent) => {
    const { view, pan, tool, editing } = latest.current;
    const px = place(event);
    if (fingers.current.size === 2 && fingers.current.has(event.pointerId)) {
      pinch(event.pointerId, px);
      return;
    }
    const at = view.metres(px);
    const free = event.altKey;
    const g = gesture.current;
    if (!g) {
      if (!editing || !tool) return;
      const snapped = snapPoint(at, others([]), view.scale);
      const to = free ? at : snapped.to;
      show({
        ...still,
        guides: free ? [] : snapped.guides,
        pointer: to,
        drawn: points.current.length > 0 ? drawnSoFar(to) : undefined,
      });
      return;
    }
    if (fingers.current.has(event.pointerId)) fingers.current.set(event.pointerId, px);
    switch (g.kind) {
      case "pan":
        if (!stroked.current && distance(px, g.last) < startPx) break;
        hold(event);
        pan(px.x - g.last.x, px.y - g.last.y);
        g.last = px;
        break;
      case "move":
        moveThings(g, at, free);
        if (g.began) hold(event);
        break;
      case "corner": {
        hold(event);
        const snapped = snapPoint(at, others([g.thing]), view.scale);
        const form = dragged(formOf(g.thing), g.corner, free ? at : snapped.to);
        show({ ...still, reshaped: { thing: g.thing, form }, guides: free ? [] : snapped.guides });
        break;
      }
      case "turn": {
        hold(event);
        const off = minus(at, g.thing.at);
        const turn = (Math.atan2(off.y, off.x) * 180) / Math.PI + 90;
        const kept = free ? Math.round(turn * 10) / 10 : Math.round(turn / turnStep) * turnStep;
        show({ ...still, reshaped: { thing: g.thing, form: { ...formOf(g.thing), turn: kept } } });
        break;
      }
      case "draw": {
        hold(event);
        const snapped = snapPoint(at, others([]), view.scale);
        show({
          ...still,
          drawn: drawnBetween(g.shape, g.from, free ? at : snapped.to),
          guides: snapped.guides,
        });
        break;
      }
      case "marquee":
        hold(event);
        show({ ...still, marquee: { from: g.from, to: at } });
        break;
    }
  };

  const onPointerUp = (event: PointerEvent) => {
    fingers.current.delete(event.pointerId);
    const g = gesture.current;
    gesture.current = undefined;
    const now = draftNow.current;
    const { onMove, onReshape, onDrawn, onSelect, onDragEnd, plot } = latest.current;
    if (!g) return;
    const settle = (change: Promise<unknown>) => void change.finally(() => show(still));
    if (g.kind === "move" && g.began) {
      onDragEnd();
      settle(onMove(now.moved, now.by));
    } else if (now.reshaped) {
      const { thing, form } = now.reshaped;
      settle(onReshape(thing, form));
    } else if (now.drawn) {
      if (now.drawn.width > 0.05) onDrawn(now.drawn);
      show(still);
    } else if (now.marquee) {
      const box = boundsOf([now.marquee.from, now.marquee.to]);
      onSelect({
        things: allPlaced(plot)
          .filter(
            (t) => t.at.x >= box.left && t.at.x <= box.right && t.at.y >= box.top && t.at.y <= box.bottom,
          )
          .map(({ what, id }) => ({ what, id })),
      });
      show(still);
    }
  };

  const onClickCapture = (event: MouseEvent) => {
    if (!stroked.current) return;
    stroked.current = false;
    event.stopPropagation();
  };

  /** choose answers a click or a key on a thing: with shift it joins the others. */
  const choose = (thing: Thing, more: boolean) => {
    const { selection, onSelect, tool } = latest.current;
    if (tool) return;
    if (!more) onSelect({ things: [thing] });
    else if (isChosen(selection, thing))
      onSelect({ things: selection.things.filter((t) => t.what !== thing.what || t.id !== thing.id) });
    else onSelect({ things: [...selection.things, thing] });
  };
  const chooseNothing = () => latest.current.onSelect(nothing);

  return {
    draft,
    cancel,
    finish,
    choose,
    chooseNothing,
    cornersOf,
    handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp, onClickCapture },
  };
}
