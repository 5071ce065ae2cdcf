import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { shortDay } from "../../parts/dates";
import { useWidth } from "../../parts/useWidth";

const widest = 10;
const tall = 120;
const rainTall = 34;

/**
 * WaterCourse is a bed's water day by day: as it went, and from today on as it may go, with the line below which its plants lack it. Rain
 * falls from above; a drop is a watering, a ring what a hand or a probe felt.
 */
export function WaterCourse({ bed }: { bed: Schemas["BedWaterView"] }) {
  const top = Math.min(bed.brim, 1.3);
  const all = [...bed.past, ...bed.ahead];
  const [box, room] = useWidth(300);
  const wide = Math.min(widest, (room - 44) / all.length);
  const y = (full: number) => rainTall + (1 - Math.min(full, top) / top) * tall;
  const x = (i: number) => i * wide + wide / 2;
  const from = bed.past.length - 1;
  const line = bed.past.map((d, i) => `${i ? "L" : "M"}${x(i)} ${y(d.full)}`).join("");
  const middle = [bed.past[from], ...bed.ahead]
    .map((d, i) => (d ? `${i ? "L" : "M"}${x(from + i)} ${y(d.full)}` : ""))
    .join("");
  const start = bed.past[from]?.full ?? 0;
  const band =
    `M${x(from)} ${y(start)}` +
    bed.ahead.map((d, i) => `L${x(from + 1 + i)} ${y(d.high)}`).join("") +
    [...bed.ahead]
      .reverse()
      .map((d, i) => `L${x(from + bed.ahead.length - i)} ${y(d.low)}`)
      .join("") +
    "Z";
  const width = all.length * wide;
  return (
    <Box ref={box}>
      <svg
        width={width + 44}
        height={rainTall + tall + 24}
        role="img"
        aria-label={`${bed.name}: ${bed.words}`}
      >
        <rect
          x={0}
          width={width}
          y={y(bed.lacksAt)}
          height={rainTall + tall - y(bed.lacksAt)}
          fill="var(--clay)"
          fillOpacity={0.1}
        />
        <line
          x1={0}
          x2={width}
          y1={y(bed.lacksAt)}
          y2={y(bed.lacksAt)}
          stroke="var(--clay)"
          strokeDasharray="5 3"
        />
        <text x={width + 6} y={y(bed.lacksAt) + 4} fontSize={12} fill="var(--softInk)">
          lacks
        </text>
        <line x1={0} x2={width} y1={y(1)} y2={y(1)} stroke="var(--softInk)" strokeDasharray="2 3" />
        <text x={width + 6} y={y(1) + 4} fontSize={12} fill="var(--softInk)">
          holds
        </text>
        <line x1={0} x2={width} y1={rainTall + tall} y2={rainTall + tall} stroke="var(--rule)" />
        {all.map((d, i) => (
          <g key={d.day}>
            <title>{d.words}</title>
            <rect x={i * wide} width={wide} y={0} height={rainTall + tall} fill="transparent" />
            {d.rainMm >= 0.5 && (
              <rect
                x={x(i) - 3}
                width={6}
                y={0}
                height={Math.min(1, d.rainMm / 20) * (rainTall - 4)}
                fill={i <= from ? "var(--water)" : "none"}
                stroke="var(--water)"
                strokeWidth={i <= from ? 0 : 1}
              />
            )}
            {d.watered && (
              <path
                d={`M${x(i)} ${y(d.full) - 15} q5.5 7.5 0 10.5 q-5.5 -3 0 -10.5`}
                fill="var(--water)"
                stroke="var(--paper)"
              />
            )}
            {d.felt !== null && (
              <circle cx={x(i)} cy={y(d.felt)} r={4.5} fill="none" stroke="var(--bramble)" strokeWidth={2} />
            )}
          </g>
        ))}
        <path d={band} fill="var(--water)" fillOpacity={0.2} />
        <path d={middle} fill="none" stroke="var(--water)" strokeWidth={1.6} strokeDasharray="4 3" />
        <path d={line} fill="none" stroke="var(--water)" strokeWidth={2.4} />
        <line
          x1={x(from)}
          x2={x(from)}
          y1={0}
          y2={rainTall + tall}
          stroke="var(--bramble)"
          strokeWidth={1.4}
        />
        {all.map(
          (d, i) =>
            (i - from) % (wide < 8 ? 14 : 7) === 0 && (
              <text
                key={d.day}
                x={x(i)}
                y={rainTall + tall + 16}
                textAnchor="middle"
                fontSize={12}
                fill="var(--softInk)"
              >
                {i === from ? "today" : shortDay(d.day)}
              </text>
            ),
        )}
      </svg>
    </Box>
  );
}
