import { useCallback, useEffect, useRef, useState } from "react";

import type { Bounds, Point } from "./geometry";
import { nothing, type Selection, type Thing } from "./things";
import type { Tool, useEditor } from "./useEditor";

/** The plan's keys as its help lists them. */
export const planKeys: [string, string][] = [
  [
    "arrows",
    "Move what is chosen by 10 cm; with shift by 1 m, with alt by 1 cm. Nothing chosen: move the plan",
  ],
  ["r, shift r", "Turn it by 5° to the right, to the left"],
  ["+  −  0", "Larger, smaller, the beds"],
  ["Ctrl d", "Copy it"],
  ["Delete", "Take it off the plan"],
  ["Ctrl z, Ctrl y", "Undo, redo"],
  ["Enter", "End an outline or a line"],
  ["Esc", "Give up the stroke, then the tool, then the choice"],
];

interface Options {
  editing: boolean;
  tool?: Tool;
  onTool: (tool?: Tool) => void;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  onMove: (things: Thing[], by: Point) => Promise<unknown>;
  onTurn: (things: Thing[], degrees: number) => void;
  onCopy: (things: Thing[]) => void;
  onRemove: (things: Thing[]) => void;
  onUndo: () => void;
  onRedo: () => void;
  editor: ReturnType<typeof useEditor>;
  zoom: (factor: number) => void;
  pan: (dx: number, dy: number) => void;
  show: (what?: Bounds) => void;
}

const arrows: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

const settleMs = 550;
const panPx = 60;
const turnDeg = 5;
const goMs = 1500;

const elsewhere = (event: KeyboardEvent) => {
  const at = event.target;
  if (document.querySelector("[role=dialog], [role=listbox]")) return true;
  return (
    at instanceof HTMLElement &&
    (/^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) ||
      at.closest("[role=slider], [role=tablist], [role=combobox]") !== null)
  );
};

const onPlan = () => document.activeElement?.closest("[data-plan]") !== null;

/** usePlanKeys listens for the plan's keys. Steps of the arrows are gathered into one move, which it returns. */
export function usePlanKeys(options: Options): Point {
  const [nudged, setNudged] = useState<Point>({ x: 0, y: 0 });
  const latest = useRef(options);
  useEffect(() => {
    latest.current = options;
  });
  const wentAt = useRef(0);
  const waiting = useRef<{ by: Point; timer: number } | undefined>(undefined);

  const nudge = useCallback((step: Point) => {
    const before = waiting.current;
    if (before) window.clearTimeout(before.timer);
    const by = { x: (before?.by.x ?? 0) + step.x, y: (before?.by.y ?? 0) + step.y };
    const timer = window.setTimeout(() => {
      waiting.current = undefined;
      void latest.current
        .onMove(latest.current.selection.things, by)
        .finally(() => setNudged({ x: 0, y: 0 }));
    }, settleMs);
    waiting.current = { by, timer };
    setNudged(by);
  }, []);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const o = latest.current;
      if (elsewhere(event)) return;
      // A letter after g goes to an area.
      if (event.key === "g") wentAt.current = Date.now();
      else if (Date.now() - wentAt.current < goMs) return;
      const things = o.selection.things;
      const way = arrows[event.key];
      const done = () => {
        event.preventDefault();
        event.stopPropagation();
      };
      // The page keeps its arrow keys unless the plan has the keyboard or is drawn on.
      if (way && !o.editing && !onPlan()) return;
      if (way) {
        done();
        if (!o.editing || things.length === 0) o.pan(-way.x * panPx, -way.y * panPx);
        else {
          const step = event.shiftKey ? 1 : event.altKey ? 0.01 : 0.1;
          nudge({ x: way.x * step, y: way.y * step });
        }
        return;
      }
      if (event.key === "+" || event.key === "=") return o.zoom(1.25);
      if (event.key === "-") return o.zoom(1 / 1.25);
      if (event.key === "0") return o.show();
      if (!o.editing) return;
      const command = event.ctrlKey || event.metaKey;
      if (command && (event.key === "y" || (event.key.toLowerCase() === "z" && event.shiftKey))) {
        done();
        o.onRedo();
      } else if (command && event.key === "z") {
        done();
        o.onUndo();
      } else if (command && event.key === "d" && things.length > 0) {
        done();
        o.onCopy(things);
      } else if (command) return;
      else if (event.key.toLowerCase() === "r" && things.length > 0) {
        done();
        o.onTurn(things, event.shiftKey ? -turnDeg : turnDeg);
      } else if ((event.key === "Delete" || event.key === "Backspace") && things.length > 0) {
        done();
        o.onRemove(things);
      } else if (event.key === "Enter" && o.tool) {
        if (o.editor.finish()) done();
      } else if (event.key === "Escape") {
        if (o.editor.cancel()) return;
        if (o.tool) o.onTool(undefined);
        else o.onSelect(nothing);
      }
    };
    // In the capturing phase, so that "r" after a choice turns it rather than counting as a letter elsewhere.
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, [nudge]);
  return nudged;
}
