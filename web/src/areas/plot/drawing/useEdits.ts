import { useCallback, useRef, useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import { useRefresh } from "../../../api/queries";
import { useUndo } from "../../../parts/Undo";

type Entry = Schemas["Entry"];

/** useEdits sends changes of the plan one at a time, and undoes and redoes them through the ledger. */
export function useEdits() {
  const { noted, say } = useUndo();
  const refresh = useRefresh();
  const done = useRef<number[]>([]);
  const undone = useRef<number[]>([]);
  const [counts, setCounts] = useState({ undo: 0, redo: 0 });
  const [busy, setBusy] = useState(false);
  const count = useCallback(() => setCounts({ undo: done.current.length, redo: undone.current.length }), []);

  /** keep remembers an entry that a dialog has made. */
  const keep = useCallback(
    (entry: Entry) => {
      noted(entry);
      done.current.push(entry.id);
      undone.current = [];
      count();
    },
    [noted, count],
  );

  /** edit sends a change and waits until the plan is read anew; it tells whether it was taken. */
  const edit = useCallback(
    async (change: () => Promise<Entry>): Promise<boolean> => {
      setBusy(true);
      try {
        keep(await change());
        await refresh();
        return true;
      } catch (reason) {
        say(reason instanceof Error ? reason.message : String(reason), "error");
        return false;
      } finally {
        setBusy(false);
      }
    },
    [keep, refresh, say],
  );

  const step = useCallback(
    async (from: number[], to: number[]) => {
      const id = from.pop();
      if (id === undefined) return;
      setBusy(true);
      try {
        const back = await answerOf(api.POST("/api/ledger/{id}/take-back", { params: { path: { id } } }));
        to.push(back.id);
        await refresh();
        say(back.summary);
      } catch (reason) {
        say(reason instanceof Error ? reason.message : String(reason), "error");
      } finally {
        setBusy(false);
        count();
      }
    },
    [refresh, say, count],
  );
  const undo = useCallback(() => step(done.current, undone.current), [step]);
  const redo = useCallback(() => step(undone.current, done.current), [step]);
  return { edit, keep, undo, redo, busy, undoable: counts.undo, redoable: counts.redo };
}
