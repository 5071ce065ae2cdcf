import { useEffect, useRef } from "react";

import { nodes } from "./areas";
import { useActs } from "../parts/acts";
import { useUndo } from "../parts/Undo";
import { useGo, useShownDay } from "../parts/shownDay";

/** The keys as the help lists them. */
export const keyHelp: [string, string][] = [
  ...nodes.map((node): [string, string] => [`g ${node.key}`, node.name]),
  ["/", "Find any plant, bed, basket or page"],
  ["[  ]", "Show a week earlier, a week later"],
  ["Shift [  ]", "Show a day earlier, a day later"],
  ["t", "Back to today"],
  ["o", "Note a look at the selected planting"],
  ["k", "Note a picking from the selected planting"],
  ["u", "Undo what was noted last"],
  ["?", "These keys"],
  ["Esc", "Leave"],
];

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

const dialogOpen = () => document.querySelector("[role=dialog]") !== null;

/** How long the letter after g may take. */
const goMs = 1500;

/** useKeys listens for the keys that work everywhere. */
export function useKeys(open: { help: () => void; find: () => void }) {
  const go = useGo();
  const { move, show, today } = useShownDay();
  const { selected, observe, pick } = useActs();
  const { undoLast } = useUndo();
  const wentAt = useRef(0);
  useEffect(() => {
    const act: Record<string, () => void> = {
      "/": open.find,
      "?": open.help,
      "[": () => move(-7),
      "]": () => move(7),
      "{": () => move(-1),
      "}": () => move(1),
      t: () => today && show(today),
      o: () => selected !== undefined && observe(selected),
      k: () => selected !== undefined && pick(selected),
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (event.key === "u") return undoLast(); // in a dialog, too
      if (dialogOpen()) return;
      if (Date.now() - wentAt.current < goMs) {
        wentAt.current = 0;
        const area = nodes.find((node) => node.key === event.key);
        if (area) {
          event.preventDefault();
          void go(area.path);
        }
        return;
      }
      if (event.key === "g") {
        wentAt.current = Date.now();
        return;
      }
      const found = act[event.key];
      if (found) {
        event.preventDefault();
        found();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [go, move, show, today, selected, observe, pick, undoLast, open]);
}
