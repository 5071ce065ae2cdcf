import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { DayLine, place, SeasonAxis, type Axis } from "../../parts/SeasonAxis";
import { SprigShape } from "../../parts/Sprig";
import { useWidth } from "../../parts/useWidth";

const top = 22;
const sprigLane = 54;
const partLane = 24;
const names = 118;

/** The stages that are drawn first where there is not room for all: those that a plant is known by. */
const foremost = [
  "full flower",
  "ripe",
  "full leaf",
  "shooting",
  "dying back",
  "leafing",
  "in bud",
  "setting seed",
  "first flower",
  "resting",
];
const leastBetween = 23;

/** withRoom are the stages whose drawings do not lie over each other. */
function withRoom(stages: { stage: string; at: number }[]): Set<string> {
  const taken: number[] = [];
  const byRank = [...stages].sort((a, b) => foremost.indexOf(a.stage) - foremost.indexOf(b.stage));
  const drawn = byRank.filter(({ at }) => {
    const free = taken.every((other) => Math.abs(other - at) >= leastBetween);
    if (free) taken.push(at);
    return free;
  });
  return new Set(drawn.map((s) => s.stage));
}

interface Props {
  plant: Schemas["PlantView"];
  year: Schemas["PlantYear"];
}

/** PlantYearChart is a usual year: its stages as sprigs where they begin, and when its parts are taken. */
export function PlantYearChart({ plant, year }: Props) {
  const [box, width] = useWidth(640);
  const axis: Axis = {
    start: plant.seasonStart,
    end: plant.seasonEnd,
    left: names,
    width: Math.max(180, width - names - 12),
  };
  const stages = year.stages.filter((s) => s.dates.chance >= 0.5);
  const seen = withRoom(stages.map((s) => ({ stage: s.stage, at: place(axis, s.dates.p50) })));
  // A part that is taken at both ends of the year has one lane.
  const parts = [...new Set(year.windows.map((w) => w.part))];
  const height = top + sprigLane + parts.length * partLane + 8;
  return (
    <Box
      ref={box}
      sx={{
        background: "var(--card)",
        border: "1px solid var(--rule)",
        borderRadius: "3px",
        overflow: "hidden",
        mb: 1.2,
      }}
    >
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${year.title}: ${stages.map((s) => `${s.stage} ${s.dates.text}`).join("; ")}. ${year.windows.map((w) => w.words).join("; ")}`}
        style={{ display: "block" }}
      >
        <SeasonAxis axis={axis} height={height} />
        <text x={10} y={top + 30} fontSize={14} fontWeight={700} fill="var(--ink)">
          {year.title.replace(" and later", " on")}
        </text>
        {stages.map((stage) => {
          const from = place(axis, stage.dates.p10);
          const to = place(axis, stage.dates.p90);
          const at = place(axis, stage.dates.p50);
          return (
            <g key={stage.stage}>
              <path
                d={`M${from} ${top + 44} H${Math.max(to, from + 2)}`}
                stroke="var(--leaf)"
                strokeWidth={5}
                strokeLinecap="round"
              />
              {seen.has(stage.stage) && (
                <g transform={`translate(${at - 15} ${top + 4}) scale(0.75)`}>
                  <SprigShape species={plant.id} stage={stage.stage} />
                </g>
              )}
            </g>
          );
        })}
        {parts.map((part, i) => {
          const windows = year.windows.filter((w) => w.part === part);
          const y = top + sprigLane + i * partLane;
          return (
            <g key={part}>
              <text x={10} y={y + 15} fontSize={13.5} fill="var(--ink)">
                {windows[0]?.verb} {part}
              </text>
              {windows.map((w) => {
                const from = place(axis, w.first);
                const to = place(axis, w.last);
                return (
                  <rect
                    key={w.first}
                    x={from}
                    y={y + 3}
                    width={Math.max(3, to - from)}
                    height={14}
                    rx={2}
                    fill="var(--straw)"
                  />
                );
              })}
            </g>
          );
        })}
        <DayLine axis={axis} day={plant.today} height={height} top={top} />
      </svg>
      {year.windows
        .filter((w) => w.unproved)
        .map((w) => (
          <Box key={w.part + w.first} sx={{ fontSize: 14.5, color: "var(--clay)" }}>
            <b>{w.part}</b>: {w.unproved}
          </Box>
        ))}
    </Box>
  );
}
