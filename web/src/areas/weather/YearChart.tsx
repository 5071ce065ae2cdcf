import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/useWidth";

const widest = 44;
const left = 46;
const warmTall = 170;
const rainTall = 80;
const gap = 44;

/**
 * YearChart is the climate's year: each month's warmth from its mean lowest to its mean highest, tinted by its nights of frost, the soil's
 * warmth through it bare and under mulch, the hours of daylight over it and the rain beneath.
 */
export function YearChart({
  months,
  scale,
}: {
  months: Schemas["MonthView"][];
  scale: Schemas["ScaleMark"][];
}) {
  const least = Math.floor((Math.min(...months.map((m) => m.lowC)) - 1) / 5) * 5;
  const most = Math.ceil((Math.max(...months.map((m) => m.highC)) + 1) / 5) * 5;
  const rainiest = Math.max(60, ...months.map((m) => m.rainMm));
  const [box, room] = useWidth(300);
  const wide = Math.min(widest, (room - left - 4) / 12);
  const narrow = wide < 36;
  const y = (celsius: number) => 26 + ((most - celsius) / (most - least)) * warmTall;
  const x = (i: number) => left + i * wide + wide / 2;
  const ground = 26 + warmTall + gap;
  const marks = scale.filter((mark) => mark.c >= least && mark.c <= most);
  const line = (of: (m: Schemas["MonthView"]) => number) =>
    months.map((m, i) => `${i ? "L" : "M"}${x(i)} ${y(of(m))}`).join("");
  return (
    <Box ref={box}>
      <svg
        width={left + 12 * wide + 4}
        height={ground + rainTall + 12}
        role="group"
        aria-label="The climate by the month"
      >
        {marks.map(({ c: at, words }) => (
          <g key={at}>
            <line
              x1={left}
              x2={left + 12 * wide}
              y1={y(at)}
              y2={y(at)}
              stroke="var(--rule)"
              strokeWidth={at === 0 ? 1.6 : 0.7}
            />
            <text x={left - 6} y={y(at) + 4} textAnchor="end" fontSize={12} fill="var(--softInk)">
              {words}
            </text>
          </g>
        ))}
        {months.map((m, i) => (
          <g key={m.name} role="img" aria-label={m.words}>
            <title>{m.words}</title>
            <rect
              x={x(i) - wide / 2}
              width={wide}
              y={26}
              height={warmTall}
              fill="var(--frost)"
              fillOpacity={0.75 * m.frost}
            />
            <rect
              x={x(i) - wide / 4}
              width={wide / 2}
              y={y(m.highC)}
              height={y(m.lowC) - y(m.highC)}
              fill="var(--clay)"
              fillOpacity={0.8}
            />
            <text x={x(i)} y={16} textAnchor="middle" fontSize={12.5} fill="var(--softInk)">
              {narrow ? m.dayHours.toFixed(0) : `${m.dayHours.toFixed(1)} h`}
            </text>
            <text x={x(i)} y={ground - 22} textAnchor="middle" fontSize={13} fill="var(--ink)">
              {m.name.slice(0, 3)}
            </text>
            <rect
              x={x(i) - wide / 4}
              width={wide / 2}
              y={ground - 12}
              height={(m.rainMm / rainiest) * rainTall}
              fill="var(--water)"
            />
            <text
              x={x(i)}
              y={ground + 4 + (m.rainMm / rainiest) * rainTall}
              textAnchor="middle"
              fontSize={12}
              fill="var(--softInk)"
            >
              {m.rain.split(" ")[0]}
            </text>
          </g>
        ))}
        <path d={line((m) => m.soilC)} fill="none" stroke="var(--ink)" strokeWidth={2} />
        <path
          d={line((m) => m.mulchedC)}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      </svg>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", fontSize: 14, color: "text.secondary" }}>
        <span>
          Over the months: daylight. Bars: warmth, the bluer behind the more nights freeze. Beneath: rain in{" "}
          {months[0]?.rain.split(" ")[1]}.
        </span>
        <span>Line: soil where seed lies. Dashed: under mulch.</span>
      </Box>
    </Box>
  );
}
