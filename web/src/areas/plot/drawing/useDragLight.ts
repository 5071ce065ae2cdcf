import { useCallback, useRef, useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import type { Point } from "./geometry";
import type { Plot, Thing } from "./things";

/** useDragLight asks, while something that shades is dragged, what sun each bed would have: one question at a time. */
export function useDragLight(plot: Plot | undefined, day: string | undefined, hour: number) {
  const [dragged, setDragged] = useState<Schemas["DragView"]>();
  const asking = useRef(false);
  const next = useRef<Point | undefined>(undefined);
  const ended = useRef(true);

  const ask = useCallback(
    async (id: number, first: Point) => {
      asking.current = true;
      for (let at: Point | undefined = first; at && !ended.current; at = next.current) {
        next.current = undefined;
        try {
          const answer = await answerOf(
            api.POST("/api/plan/drag", { body: { itemId: id, xM: at.x, yM: at.y, on: day, hour } }),
          );
          if (!ended.current) setDragged(answer);
        } catch {
          break; // the drag itself goes on; the sun is told when it is let go
        }
      }
      asking.current = false;
    },
    [day, hour],
  );

  const onDrag = useCallback(
    (thing: Thing, at: Point) => {
      if (thing.what !== "item" || !plot?.items.find((i) => i.id === thing.id)?.shades) return;
      ended.current = false;
      if (asking.current) next.current = at;
      else void ask(thing.id, at);
    },
    [plot, ask],
  );
  const onDragEnd = useCallback(() => {
    ended.current = true;
    next.current = undefined;
    setDragged(undefined);
  }, []);
  return { dragged, onDrag, onDragEnd };
}
