import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/useWidth";
import { shortDay, weekday } from "../../parts/dates";

type Day = Schemas["DayView"];

const widest = 26;
const warmTall = 190;
const rainTall = 70;
const gap = 26;
const left = 44;
/** How deep a day's rain is that fills its bar, in mm. */
const mostRain = 30;

interface Props {
  days: Day[];
  outlook: Schemas["WeatherDay"][];
  scale: Schemas["ScaleMark"][];
  chosen: string | undefined;
  onChoose: (day: string) => void;
}

/**
 * DaysChart is the days side by side: from the night's lowest to the day's highest as a bar over what is usual, rain hanging
 * beneath as if it fell into a trough. What was typed has a round end, what a file or the station read a flat one; what is
 * expected is a line with its doubt.
 */
export function DaysChart({ days, outlook, scale, chosen, onChoose }: Props) {
  const lows = days.flatMap((d) => [d.lowC ?? d.usualLowC, d.usualLowC]);
  const highs = days.flatMap((d) => [d.highC ?? d.usualHighC, d.usualHighC]);
  const least = Math.floor((Math.min(...lows, ...outlook.map((d) => d.lowC - d.spreadC)) - 1) / 5) * 5;
  const most = Math.ceil((Math.max(...highs, ...outlook.map((d) => d.highC + d.spreadC)) + 1) / 5) * 5;
  const [box, width] = useWidth(300);
  const all = days.length + outlook.length;
  const wide = Math.min(widest, (width - left - 4) / all);
  const y = (celsius: number) => 8 + ((most - celsius) / (most - least)) * warmTall;
  const x = (i: number) => left + i * wide + wide / 2;
  const ground = 8 + warmTall + gap;
  const marks = scale.filter((mark) => mark.c >= least && mark.c <= most);
  const usual =
    days.map((d, i) => `${i ? "L" : "M"}${x(i)} ${y(d.usualHighC)}`).join("") +
    [...days]
      .reverse()
      .map((d, i) => `L${x(days.length - 1 - i)} ${y(d.usualLowC)}`)
      .join("") +
    "Z";
  return (
    <Box ref={box}>
      <svg
        width={left + all * wide + 4}
        height={ground + rainTall + 38}
        role="group"
        aria-label="The weather by the day"
      >
        <path d={usual} fill="var(--frost)" fillOpacity={0.28} />
        {marks.map(({ c: at, words }) => (
          <g key={at}>
            <line
              x1={left}
              x2={left + all * wide}
              y1={y(at)}
              y2={y(at)}
              stroke="var(--rule)"
              strokeWidth={at === 0 ? 1.6 : 0.8}
              strokeDasharray={at === 0 ? undefined : "1 4"}
            />
            <text x={left - 6} y={y(at) + 4} textAnchor="end" fontSize={12} fill="var(--softInk)">
              {words}
            </text>
          </g>
        ))}
        <line x1={left} x2={left + all * wide} y1={ground} y2={ground} stroke="var(--softInk)" />
        <text x={left - 6} y={ground + 12} textAnchor="end" fontSize={12} fill="var(--softInk)">
          rain
        </text>
        {days.map((day, i) => (
          <One
            key={day.day}
            day={day}
            x={x(i)}
            wide={wide}
            y={y}
            ground={ground}
            chosen={day.day === chosen}
            named={(days.length - 1 - i) % (wide < 12 ? 14 : 5) === 0}
            onChoose={() => onChoose(day.day)}
          />
        ))}
        {outlook.map((day, i) => {
          const at = x(days.length + i);
          return (
            <g key={day.day} role="img" aria-label={`${weekday(day.day)}: ${day.words}`}>
              <title>{day.words}</title>
              <line
                x1={at}
                x2={at}
                y1={y(day.highC + day.spreadC)}
                y2={y(day.lowC - day.spreadC)}
                stroke="var(--clay)"
              />
              <line
                x1={at}
                x2={at}
                y1={y(day.highC)}
                y2={y(day.lowC)}
                stroke="var(--clay)"
                strokeWidth={4}
                strokeOpacity={0.55}
              />
              <rect
                x={at - wide / 4}
                width={wide / 2}
                y={ground}
                height={day.wetChance * rainTall}
                fill="none"
                stroke="var(--water)"
                strokeWidth={1.4}
                strokeDasharray="3 2"
              />
              <text x={at} y={ground + rainTall + 30} textAnchor="middle" fontSize={12} fill="var(--softInk)">
                {weekday(day.day).slice(0, wide < 15 ? 1 : 2)}
              </text>
            </g>
          );
        })}
      </svg>
    </Box>
  );
}

interface OneProps {
  day: Day;
  x: number;
  wide: number;
  y: (celsius: number) => number;
  ground: number;
  chosen: boolean;
  named: boolean;
  onChoose: () => void;
}

function One({ day, x, wide, y, ground, chosen, named, onChoose }: OneProps) {
  const typed = day.lowFrom === "typed" || day.highFrom === "typed" || day.rainFrom === "typed";
  const rain = Math.min(1, (day.rainMm ?? 0) / mostRain) * rainTall;
  const none = day.lowFrom === "" && day.highFrom === "";
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${shortDay(day.day)}: ${day.words}`}
      aria-pressed={chosen}
      onClick={onChoose}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        onChoose();
      }}
      style={{ cursor: "pointer" }}
    >
      <title>{`${shortDay(day.day)}: ${day.words}`}</title>
      <rect
        x={x - wide / 2}
        width={wide}
        y={0}
        height={ground + rainTall + 34}
        fill={chosen ? "var(--brambleWash)" : "transparent"}
      />
      {day.lowC !== null && day.highC !== null && (
        <line
          x1={x}
          x2={x}
          y1={y(day.highC)}
          y2={y(day.lowC)}
          stroke="var(--clay)"
          strokeWidth={wide * 0.32}
          strokeLinecap={day.lowFrom === "typed" || day.highFrom === "typed" ? "round" : "butt"}
        />
      )}
      {(day.lowC === null) !== (day.highC === null) && (
        <circle cx={x} cy={y(day.lowC ?? day.highC ?? 0)} r={4.5} fill="var(--clay)" />
      )}
      {none && (
        <text
          x={x}
          y={y((day.usualLowC + day.usualHighC) / 2) + 5}
          textAnchor="middle"
          fontSize={14}
          fill="var(--softInk)"
        >
          ?
        </text>
      )}
      {rain > 0 && (
        <rect x={x - wide / 4} width={wide / 2} y={ground} height={Math.max(1.5, rain)} fill="var(--water)" />
      )}
      {day.rainFrom === "" && (
        <text x={x} y={ground + 16} textAnchor="middle" fontSize={12} fill="var(--softInk)">
          ?
        </text>
      )}
      {typed && <circle cx={x} cy={ground - 9} r={3} fill="var(--bramble)" />}
      {named && (
        <text x={x} y={ground + rainTall + 16} textAnchor="middle" fontSize={12} fill="var(--softInk)">
          {shortDay(day.day)}
        </text>
      )}
    </g>
  );
}
