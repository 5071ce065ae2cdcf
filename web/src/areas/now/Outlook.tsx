import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { weekday } from "../../parts/dates";

const coldest = -5;
const warmest = 32;
const mostRain = 25;
const tall = 30;

const rainShare = (day: Schemas["WeatherDay"], usual: boolean) =>
  usual ? day.wetChance : Math.min(1, day.rainMm / mostRain);

function rainWords(day: Schemas["WeatherDay"], usual: boolean): string {
  if (usual) return `usually; wet in ${Math.round(day.wetChance * 10)} of 10`;
  return day.wet ? `${day.rainMm} mm of rain` : "dry";
}

const y = (celsius: number) =>
  tall - ((Math.min(warmest, Math.max(coldest, celsius)) - coldest) / (warmest - coldest)) * tall;

interface Props {
  days: Schemas["WeatherDay"][];
  source: string;
  /** What is usual in the climate: a chance of rain, and no rain of a day. */
  usual: boolean;
}

/**
 * Outlook is the days from the shown one on: a bar from the night's low to the day's high, and rain from the ground
 * up. Usual weather is drawn hollow, so that nobody takes it for a forecast.
 */
export function Outlook({ days, source, usual }: Props) {
  return (
    <Box
      sx={{
        display: "flex",
        columnGap: { xs: 0.9, md: 1.6 },
        rowGap: 0.5,
        alignItems: "center",
        flexWrap: { xs: "wrap", md: "nowrap" },
      }}
    >
      <Box
        sx={{
          border: "1px solid var(--rule)",
          background: "var(--card)",
          fontSize: 13,
          px: 1,
          borderRadius: "3px",
          flex: { xs: "1 0 100%", md: "none" },
        }}
      >
        {source}
      </Box>
      {days.map((day) => (
        <Box
          key={day.day}
          sx={{ textAlign: "left", fontSize: 13, lineHeight: 1.2 }}
          title={`${day.low} to ${day.high}, ${rainWords(day, usual)}`}
        >
          <Box sx={{ color: "text.secondary" }}>{weekday(day.day)}</Box>
          <Box sx={{ display: "flex", alignItems: "flex-end", gap: 0.4 }}>
            <svg
              width={18}
              height={tall}
              role="img"
              aria-label={`${day.low} to ${day.high}, ${rainWords(day, usual)}`}
            >
              <rect
                x={0.75}
                width={7}
                y={tall - rainShare(day, usual) * tall}
                height={rainShare(day, usual) * tall}
                fill={usual ? "none" : "var(--water)"}
                stroke="var(--water)"
                strokeWidth={usual ? 1.5 : 0}
              />
              <line
                x1={14}
                x2={14}
                y1={y(day.highC)}
                y2={y(day.lowC)}
                stroke="var(--clay)"
                strokeWidth={usual ? 2 : 5}
                strokeLinecap="round"
              />
            </svg>
            <span>{day.high.split(" ")[0]}°</span>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
