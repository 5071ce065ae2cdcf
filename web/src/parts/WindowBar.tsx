import type { Schemas } from "../api/client";
import { place, type Axis } from "./SeasonAxis";

/**
 * WindowBar is a window over the season: full where it is open nine times in ten, fading at both ends over
 * the days in which it may open or close. Not for use: an empty outline.
 */
export function WindowBar({ axis, window: w, y }: { axis: Axis; window: Schemas["WindowView"]; y: number }) {
  const height = 16;
  const opens = [place(axis, w.opens.p10), place(axis, w.opens.p90)] as const;
  const closes =
    w.closes.chance >= 0.5 && w.closes.p10 >= w.first
      ? ([place(axis, w.closes.p10), place(axis, w.closes.p90)] as const)
      : ([place(axis, w.last), place(axis, w.last)] as const);
  const fills: Record<string, string> = {
    closing: "var(--clay)",
    open: "var(--leaf)",
    coming: "var(--straw)",
    later: "var(--straw)",
    over: "var(--lichen)",
  };
  const fill = fills[w.state] ?? "var(--lichen)";
  const sureTo = Math.max(opens[1], closes[0]);
  if (w.refused) {
    return (
      <rect
        x={opens[0]}
        y={y}
        width={Math.max(4, closes[1] - opens[0])}
        height={height}
        rx={3}
        fill="none"
        stroke="var(--forbid)"
        strokeWidth={1.3}
        strokeDasharray="4 3"
      />
    );
  }
  return (
    <g>
      <rect
        x={opens[0]}
        y={y}
        width={Math.max(3, closes[1] - opens[0])}
        height={height}
        rx={3}
        fill={fill}
        opacity={0.32}
      />
      <rect
        x={Math.min(opens[1], sureTo)}
        y={y}
        width={Math.max(3, sureTo - opens[1])}
        height={height}
        rx={3}
        fill={fill}
      />
      {w.peak && (
        <path d={`M${place(axis, w.peak.p50)} ${y - 1} v${height + 2}`} stroke="var(--ink)" strokeWidth={2} />
      )}
    </g>
  );
}
