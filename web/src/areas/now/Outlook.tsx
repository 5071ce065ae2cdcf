import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { weekday } from "../../parts/dates";

const coldest = -5;
const warmest = 32;
const mostRain = 25;
const tall = 30;

const y = (celsius: number) =>
  tall - ((Math.min(warmest, Math.max(coldest, celsius)) - coldest) / (warmest - coldest)) * tall;

/** Outlook is the station's next days: a bar from the night's low to the day's high, and rain from the ground up. */
export function Outlook({ days, source }: { days: Schemas["WeatherDay"][]; source: string }) {
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
          title={`${day.low} to ${day.high}, ${day.rainMm} mm of rain`}
        >
          <Box sx={{ color: "text.secondary" }}>{weekday(day.day)}</Box>
          <Box sx={{ display: "flex", alignItems: "flex-end", gap: 0.4 }}>
            <svg
              width={18}
              height={tall}
              role="img"
              aria-label={`${day.low} to ${day.high}, ${day.wet ? `${day.rainMm} mm of rain` : "dry"}`}
            >
              <rect
                x={0}
                width={8}
                y={tall - Math.min(1, day.rainMm / mostRain) * tall}
                height={Math.min(1, day.rainMm / mostRain) * tall}
                fill="var(--water)"
              />
              <line
                x1={14}
                x2={14}
                y1={y(day.highC)}
                y2={y(day.lowC)}
                stroke="var(--clay)"
                strokeWidth={5}
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
