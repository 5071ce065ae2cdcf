import { Box, Typography } from "@mui/material";

import { useMates } from "../../../api/queries";
import { LineButton } from "../../../parts/LineButton";
import { Trouble } from "../../../parts/Trouble";

const width = 300;
const height = 120;
const left = 2;
const foot = 16;
const shades = ["--lichen", "--straw", "--water", "--clay", "--leaf", "--frost", "--bramble", "--softInk"];

/** MatesTab is how the plantings of a bed go together, and when they crowd each other. */
export function MatesTab({ bedId, onPlanting }: { bedId: number; onPlanting: (id: number) => void }) {
  const query = useMates(bedId);
  const mates = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!mates) return <Box sx={{ minHeight: 300 }} />;
  const most = Math.max(mates.areaM2, mates.fullestM2, 0.1) * 1.15;
  const y = (area: number) => height - foot - (area / most) * (height - foot - 8);
  const step = (width - left) / mates.years.length;
  return (
    <>
      <Box sx={{ my: 0.7 }}>{mates.words}</Box>
      {mates.stands.length > 0 && (
        <svg
          viewBox={`0 0 ${width} ${height}`}
          width="100%"
          role="img"
          aria-label={`Ground taken by year, of ${mates.area}: ${mates.years.map((year, i) => `${year} ${mates.takenM2[i]} m²`).join(", ")}`}
        >
          {mates.years.map((year, i) => {
            let base = 0;
            return (
              <g key={year}>
                {mates.stands.map((stand, k) => {
                  const area = stand.takenM2[i] ?? 0;
                  const from = base;
                  base += area;
                  return (
                    <rect
                      key={stand.plantingId}
                      x={left + i * step + 2}
                      y={y(base)}
                      width={step - 4}
                      height={Math.max(0, y(from) - y(base))}
                      fill={`var(${shades[k % shades.length]})`}
                      stroke="var(--card)"
                      strokeWidth={0.6}
                    />
                  );
                })}
                {i % 2 === 0 && (
                  <text
                    x={left + i * step + step / 2}
                    y={height - 3}
                    fontSize={11}
                    textAnchor="middle"
                    fill="var(--softInk)"
                  >
                    {year}
                  </text>
                )}
              </g>
            );
          })}
          <path
            d={`M${left - 2} ${y(mates.areaM2)} H${width}`}
            stroke="var(--forbid)"
            strokeWidth={1.5}
            strokeDasharray="5 3"
          />
          <text x={left} y={y(mates.areaM2) - 3} fontSize={11} fill="var(--forbid)">
            {mates.area} there are
          </text>
        </svg>
      )}
      {mates.stands.map((stand, k) => (
        <LineButton key={stand.plantingId} onClick={() => onPlanting(stand.plantingId)}>
          <Box sx={{ display: "flex", gap: 1, fontSize: 14.5, py: 0.2 }}>
            <Box sx={{ width: 12, height: 12, mt: 0.5, background: `var(${shades[k % shades.length]})` }} />
            <Box sx={{ flex: 1 }}>{stand.name}</Box>
          </Box>
        </LineButton>
      ))}
      {mates.troubles.length > 0 && (
        <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          What they do to each other
        </Typography>
      )}
      {mates.troubles.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--clay)", pl: 1.2, my: 0.6, fontSize: 14.5 }}>
          {words}
        </Box>
      ))}
      {mates.ground.map((g) => (
        <Box
          key={g.words}
          sx={{
            borderLeft: `5px solid var(${g.forbids ? "--forbid" : "--clay"})`,
            pl: 1.2,
            my: 0.6,
            fontSize: 14.5,
          }}
        >
          {g.words}
        </Box>
      ))}
      {mates.groups.length > 0 && (
        <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          By the water they want
        </Typography>
      )}
      {mates.groups.map((g) => (
        <Box key={g.water} sx={{ fontSize: 14.5 }}>
          <b>{g.water}</b>: {g.names.join(", ")}
        </Box>
      ))}
    </>
  );
}
