import { Box } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { weekday } from "../../parts/dates";

const coldest = -5;
const warmest = 32;
const mostRain = 25;
const tall = 30;

/** How high the rain's bar stands: what was read by its depth, what is to come by its chance. */
const rainShare = (day: Schemas["WeatherDay"]) =>
  day.kind === "read" ? Math.min(1, day.rainMm / mostRain) : day.wetChance;

const y = (celsius: number) =>
  tall - ((Math.min(warmest, Math.max(coldest, celsius)) - coldest) / (warmest - coldest)) * tall;

interface Props {
  days: Schemas["WeatherDay"][];
  source: string;
}

/**
 * Outlook is the days from the shown one on: a bar from the night's low to the day's high, and rain from the ground
 * up. What is to come is drawn with its doubt, and usual weather hollow, so that nobody takes it for more.
 */
export function Outlook({ days, source }: Props) {
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
        component={Link}
        to="/weather"
        sx={{
          color: "var(--ink)",
          textDecoration: "none",
          "&:hover": { textDecoration: "underline" },
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
        <Box key={day.day} sx={{ textAlign: "left", fontSize: 13, lineHeight: 1.2 }} title={day.words}>
          <Box sx={{ color: "text.secondary" }}>{weekday(day.day)}</Box>
          <Box sx={{ display: "flex", alignItems: "flex-end", gap: 0.4 }}>
            <svg width={18} height={tall} role="img" aria-label={day.words}>
              <rect
                x={0.75}
                width={7}
                y={tall - rainShare(day) * tall}
                height={rainShare(day) * tall}
                fill={day.kind === "read" ? "var(--water)" : "none"}
                stroke="var(--water)"
                strokeWidth={day.kind === "read" ? 0 : 1.5}
              />
              {day.spreadC > 0 && (
                <line
                  x1={14}
                  x2={14}
                  y1={y(day.highC + day.spreadC)}
                  y2={y(day.lowC - day.spreadC)}
                  stroke="var(--clay)"
                  strokeWidth={1.25}
                />
              )}
              <line
                x1={14}
                x2={14}
                y1={y(day.highC)}
                y2={y(day.lowC)}
                stroke="var(--clay)"
                strokeWidth={day.kind === "usual" ? 2 : 5}
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
