import { Box } from "@mui/material";

import type { Schemas } from "../../../api/client";
import { daysBetween } from "../../../parts/dates";
import { Unseen } from "../../../parts/Unseen";

interface Props {
  product: Schemas["ProductView"];
  today: string;
  until: string;
  months: { first: string; name: string }[];
  width: number;
  named: boolean;
  chosen: boolean;
  onChoose: () => void;
}

const high = 54;
const top = 18;

/** Strip is one product's line: what is left of today's stock, with its doubt; its next window; the end of its keeping. */
export function Strip({ product: p, today, until, months, width, named, chosen, onChoose }: Props) {
  const narrow = width < 600;
  const words = narrow ? 0 : 190;
  const across = Math.max(100, width - words - 4);
  const days = daysBetween(today, until);
  const x = (day: string) => words + (Math.max(0, Math.min(days, daysBetween(today, day))) / days) * across;
  const y = (share: number) => top + (1 - share) * (high - top - 4);
  const band =
    p.line.length > 1
      ? `M${p.line.map((at) => `${x(at.day).toFixed(1)} ${y(at.high).toFixed(1)}`).join("L")}L${[...p.line]
          .reverse()
          .map((at) => `${x(at.day).toFixed(1)} ${y(at.low).toFixed(1)}`)
          .join("L")}Z`
      : "";
  const middle =
    p.line.length > 1
      ? `M${p.line.map((at) => `${x(at.day).toFixed(1)} ${y(at.middle).toFixed(1)}`).join("L")}`
      : "";
  // What is missing stands before the next window where it has room there, and behind it where it has none.
  const gapBefore = p.nextFirst ? x(p.nextFirst) - 6 - words > 7.4 * p.gap.length : true;
  const wordsOfOut = words + 8 + 7.4 * p.out.length;
  const outFrom = p.nextFirst && p.nextLast && x(p.nextFirst) < wordsOfOut ? x(p.nextLast) + 8 : words + 8;
  return (
    <Box
      component="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        all: "unset",
        boxSizing: "border-box",
        display: "block",
        width: 1,
        cursor: "pointer",
        background: chosen ? "var(--brambleWash)" : "none",
        borderTop: "1px solid var(--rule)",
        position: "relative",
        pt: narrow ? 2.6 : 0,
        "&:focus-visible": { outline: "3px solid var(--focus)" },
      }}
    >
      <Box
        sx={{
          position: "absolute",
          left: 4,
          top: narrow ? 2 : 12,
          width: narrow ? "auto" : words - 12,
          fontSize: 14.5,
          lineHeight: 1.2,
        }}
      >
        <b>{p.name}</b>
        <Box component="span" sx={{ color: "var(--softInk)", fontSize: 13.5, ml: 0.7 }}>
          {p.amount}
        </Box>
      </Box>
      <Unseen>{`: ${p.out}${p.gap ? `, ${p.gap}` : ""}`}</Unseen>
      <svg width={width} height={high} aria-hidden="true" style={{ display: "block" }}>
        {months.map((month, i) => (
          <g key={month.first}>
            <path
              d={`M${x(month.first)} ${named ? 12 : 0}V${high}`}
              stroke="var(--rule)"
              strokeWidth={month.name === "January" ? 2 : 1}
            />
            {named && (!narrow || i % 3 === 0) && (
              <text x={x(month.first) + 3} y={11} fontSize={12} fill="var(--softInk)">
                {month.name === "January" ? month.first.slice(0, 4) : month.name.slice(0, 3)}
              </text>
            )}
          </g>
        ))}
        {p.nextFirst && p.nextLast && (
          <rect
            x={x(p.nextFirst)}
            y={top - 4}
            width={Math.max(4, x(p.nextLast) - x(p.nextFirst))}
            height={high - top + 2}
            fill="var(--leaf)"
            fillOpacity={0.3}
            stroke="var(--leaf)"
          />
        )}
        {band && <path d={band} fill="var(--straw)" fillOpacity={0.45} />}
        {middle && <path d={middle} fill="none" stroke="var(--ink)" strokeWidth={2} />}
        {p.keepsDay && p.keepsDay > today && p.keepsDay < until && (
          <path
            d={`M${x(p.keepsDay)} ${top - 4}V${high - 2}`}
            stroke="var(--clay)"
            strokeWidth={2.5}
            strokeDasharray="4 3"
          />
        )}
        <path d={`M${words} ${high - 3}H${width}`} stroke="var(--ink)" strokeWidth={1.2} />
        {!middle && (
          <text x={outFrom} y={high - 14} fontSize={13.5} fill="var(--softInk)">
            {p.out}
          </text>
        )}
        {p.gap && p.nextFirst && (
          <text
            x={gapBefore ? x(p.nextFirst) - 6 : x(p.nextLast || p.nextFirst) + 6}
            y={high - 9}
            fontSize={13}
            fontWeight={700}
            textAnchor={gapBefore ? "end" : "start"}
            fill="var(--clay)"
          >
            {p.gap}
          </text>
        )}
      </svg>
    </Box>
  );
}
