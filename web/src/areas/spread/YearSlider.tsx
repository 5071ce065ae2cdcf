import { Box, Slider } from "@mui/material";

import type { Schemas } from "../../api/client";
import { useWidth } from "../../parts/useWidth";
import type { Hatch } from "./hatch";

type View = Schemas["SpreadView"];

const height = 96;
const inset = 16;

interface Props {
  view: View;
  year: number;
  hatch: Map<string, Hatch>;
  chosen: Schemas["SpreadStand"] | undefined;
  onYear: (year: number) => void;
}

/** YearSlider is how much ground each kind covers, year by year, over the slider that chooses the year of the map. */
export function YearSlider({ view, year, hatch, chosen, onYear }: Props) {
  const [box, width] = useWidth(700);
  const years = view.years.length - 1;
  const x = (at: number) => inset + (at / years) * (width - 2 * inset);
  const areas = [...view.stands].reverse();
  const area = (stand: Schemas["SpreadStand"], at: number) =>
    stand.maps.find((map) => map.year === at)?.areaM2 ?? 0;
  const most = Math.max(1, ...view.years.map((_, at) => areas.reduce((sum, one) => sum + area(one, at), 0)));
  const y = (m2: number) => height - (m2 / most) * (height - 22);
  /** The upper edge of each band, the lowest band first. */
  const edges = areas.reduce<number[][]>(
    (before, stand) => [...before, (before.at(-1) ?? []).map((m2, at) => m2 + area(stand, at))],
    [view.years.map(() => 0)],
  );
  const path = (m2s: number[]) => m2s.map((m2, at) => `${x(at)} ${y(m2)}`);
  const bands = areas.map((stand, i) => ({
    stand,
    d: `M${path(edges[i + 1] ?? []).join("L")}L${path(edges[i] ?? [])
      .reverse()
      .join("L")}Z`,
  }));
  const all = Math.round(edges.at(-1)?.[year] ?? 0);
  const own = chosen ? Math.round(area(chosen, year)) : 0;
  const when = view.years[year]?.words ?? "";
  return (
    <Box ref={box} sx={{ minWidth: 0, mt: 1 }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Ground covered, from today to ${years} years on`}
      >
        {bands.map(({ stand, d }) => {
          const one = hatch.get(stand.speciesId);
          return (
            <path
              key={stand.plantingId}
              d={d}
              fill={one ? `var(${one.colour})` : "none"}
              fillOpacity={stand === chosen ? 0.65 : 0.16}
              stroke={one ? `var(${one.colour})` : "none"}
              strokeWidth={stand === chosen ? 1.8 : 0.7}
            />
          );
        })}
        <line x1={x(year)} x2={x(year)} y1={0} y2={height} stroke="var(--bramble)" strokeWidth={2} />
        <text
          x={year > years / 2 ? x(year) - 8 : x(year) + 8}
          y={14}
          fontSize={14}
          textAnchor={year > years / 2 ? "end" : "start"}
          stroke="var(--paper)"
          strokeWidth={3}
          paintOrder="stroke"
          fill="var(--ink)"
          aria-hidden
        >
          {when}: {chosen ? `${chosen.name} ${own} m² of ` : ""}
          {all} m²
        </text>
      </svg>
      <Box sx={{ px: `${inset}px` }}>
        <Slider
          aria-label="Year of the map"
          value={year}
          min={0}
          max={years}
          step={1}
          onChange={(_, value) => onYear(value as number)}
          getAriaValueText={(value) =>
            `${view.years[value]?.words ?? ""}, ${value === 0 ? "today" : `in ${value} years`}`
          }
          marks={view.years.map((one) => ({
            value: one.year,
            label: one.year === 0 ? "today" : width < 500 && one.year % 2 === 1 ? "" : one.on.slice(0, 4),
          }))}
          sx={{
            height: 5,
            mt: -0.6,
            mb: 2,
            color: "var(--bramble)",
            "& .MuiSlider-markLabel": { color: "var(--ink)", fontSize: 13.5 },
            "& .MuiSlider-thumb": { width: 22, height: 22, boxShadow: "none !important" },
            "& .MuiSlider-mark": {
              width: 9,
              height: 9,
              borderRadius: "50%",
              background: "var(--paper)",
              border: "2px solid var(--bramble)",
              opacity: 1,
              ml: "-4px",
            },
            "& .MuiSlider-rail": { opacity: 1 },
          }}
        />
      </Box>
    </Box>
  );
}
