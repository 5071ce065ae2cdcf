import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { shortDay } from "../../parts/dates";
import { DayLine, place, SeasonAxis, type Axis } from "../../parts/SeasonAxis";
import { SprigShape } from "../../parts/Sprig";
import { useWidth } from "../../parts/useWidth";
import { WindowBar } from "../../parts/WindowBar";

const lane = 30;
const top = 22;
const names = 138;

/**
 * YearChart is one planting's year. Each stage has a lane: the bar runs over the days in which it is reached
 * (8 in 10), the sprig stands on the middle. Looks are diamonds. Below, the windows of its parts.
 */
export function YearChart({ planting }: { planting: Schemas["PlantingView"] }) {
  const [box, width] = useWidth(760);
  const axis: Axis = {
    start: planting.seasonStart,
    end: planting.seasonEnd,
    left: names,
    width: Math.max(200, width - names - 12),
  };
  const stages = planting.stages.filter((s) => s.dates.chance >= 0.5);
  const windowsTop = top + stages.length * lane + 14;
  const height = windowsTop + planting.windows.length * lane + 6;
  const ghosts = new Map((planting.moved?.stages ?? []).map((m) => [m.stage, m]));
  return (
    <Box
      ref={box}
      sx={{
        background: "var(--card)",
        border: "1px solid var(--rule)",
        borderRadius: "3px",
        overflow: "hidden",
      }}
    >
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`The year of ${planting.name}: ${stages.map((s) => `${s.stage} ${s.dates.text}`).join("; ")}`}
        style={{ display: "block" }}
      >
        <SeasonAxis axis={axis} height={height} />
        {stages.map((stage, i) => {
          const y = top + i * lane;
          const from = place(axis, stage.dates.p10);
          const to = place(axis, stage.dates.p90);
          const before = ghosts.get(stage.stage);
          return (
            <g key={`${stage.stage}${i}`}>
              <text
                x={36}
                y={y + 19}
                fontSize={14}
                fill="var(--ink)"
                fontWeight={stage.stage === planting.stage ? 700 : 400}
              >
                {stage.stage}
              </text>
              <path
                d={`M${names} ${y + lane - 1} H${axis.left + axis.width}`}
                stroke="var(--rule)"
                strokeWidth={0.6}
                strokeDasharray="2 3"
              />
              {before && (
                <path
                  d={`M${place(axis, before.before.p10)} ${y + 25} H${place(axis, before.before.p90)}`}
                  stroke="var(--softInk)"
                  strokeWidth={2}
                  strokeDasharray="3 2"
                />
              )}
              <rect
                x={from}
                y={y + 10}
                width={Math.max(3, to - from)}
                height={10}
                rx={5}
                fill={stage.past ? "var(--lichen)" : "var(--leaf)"}
                opacity={stage.past ? 0.8 : 0.9}
              />
              <path d={`M${place(axis, stage.dates.p50)} ${y + 8} v14`} stroke="var(--ink)" strokeWidth={2} />
              <g transform={`translate(4 ${y + 1}) scale(0.68)`}>
                <SprigShape species={planting.speciesId} stage={stage.stage} />
              </g>
            </g>
          );
        })}
        {planting.seen.map((look) => {
          const i = stages.findIndex((s) => s.stage === look.stage);
          if (i < 0) return null;
          const x = place(axis, look.day);
          const y = top + i * lane + 15;
          return (
            <path
              key={`${look.day}${look.stage}`}
              d={`M${x} ${y - 7} L${x + 6} ${y} L${x} ${y + 7} L${x - 6} ${y}Z`}
              fill="var(--bramble)"
              stroke="var(--card)"
              strokeWidth={1.5}
            >
              <title>{`Seen ${shortDay(look.day)}: ${look.stage}, ${look.share}`}</title>
            </path>
          );
        })}
        {planting.windows.map((w, i) => {
          const y = windowsTop + i * lane;
          return (
            <g key={`${w.part}${w.first}`}>
              <text x={8} y={y + 18} fontSize={14} fontWeight={700} fill="var(--ink)">
                {w.part}
              </text>
              <WindowBar axis={axis} window={w} y={y + 4} />
            </g>
          );
        })}
        <DayLine axis={axis} day={planting.today} height={height} />
        {planting.day !== planting.today && <DayLine axis={axis} day={planting.day} height={height} shown />}
      </svg>
    </Box>
  );
}
