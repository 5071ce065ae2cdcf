import { Box } from "@mui/material";

const letters = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];
const width = 300;
const height = 84;
const step = width / 12;
const top = 16;

/** SunMonths are the hours of sun by month, against those in the open. */
export function SunMonths({ months, open }: { months: number[]; open: number[] }) {
  const y = (hours: number) => height - 14 - (hours / top) * (height - 18);
  return (
    <Box sx={{ my: 0.7 }}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width="100%"
        role="img"
        aria-label={`Hours of sun a day by month: ${months.map((h, i) => `${letters[i]} ${h}`).join(", ")}`}
      >
        {open.map((hours, i) => (
          <rect
            key={`o${i}`}
            x={i * step + 3}
            y={y(hours)}
            width={step - 6}
            height={height - 14 - y(hours)}
            fill="none"
            stroke="var(--rule)"
          />
        ))}
        {months.map((hours, i) => (
          <g key={i}>
            <rect
              x={i * step + 3}
              y={y(hours)}
              width={step - 6}
              height={height - 14 - y(hours)}
              fill="var(--straw)"
            />
            <text
              x={i * step + step / 2}
              y={y(hours) - 2.5}
              fontSize={11}
              textAnchor="middle"
              fill="var(--ink)"
            >
              {hours >= 10 ? Math.round(hours) : hours}
            </text>
            <text
              x={i * step + step / 2}
              y={height - 3}
              fontSize={11}
              textAnchor="middle"
              fill="var(--softInk)"
            >
              {letters[i]}
            </text>
          </g>
        ))}
      </svg>
    </Box>
  );
}
