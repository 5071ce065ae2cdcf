import type { Schemas } from "../../api/client";

const wide = 58;
const tall = 84;

/**
 * Glass is the water of a bed as a glass in the ground: full at the line where the ground holds no more, wavy above it where it
 * stands in all pores, with the mark below which plants lack it, and its doubt as a paler band.
 */
export function Glass({ bed }: { bed: Schemas["BedWaterView"] }) {
  const top = Math.min(bed.brim, 1.25);
  const y = (full: number) => 4 + (1 - Math.min(full, top) / top) * (tall - 8);
  const lacking = bed.full < bed.lacksAt;
  const colour = lacking ? "var(--clay)" : "var(--water)";
  return (
    <svg
      width={wide + 16}
      height={tall + 6}
      style={{ flex: "none" }}
      role="img"
      aria-label={`${bed.name}: ${bed.state}`}
    >
      <rect
        x={3}
        width={wide - 6}
        y={y(bed.high)}
        height={Math.max(0, tall - 4 - y(bed.high))}
        fill={colour}
        fillOpacity={0.25}
      />
      <rect
        x={3}
        width={wide - 6}
        y={y(bed.low)}
        height={Math.max(0, tall - 4 - y(bed.low))}
        fill={colour}
        fillOpacity={0.35}
      />
      <line x1={3} x2={wide - 3} y1={y(bed.full)} y2={y(bed.full)} stroke={colour} strokeWidth={3} />
      <path
        d={`M3 3 L3 ${tall - 3} L${wide - 3} ${tall - 3} L${wide - 3} 3`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <line x1={-2} x2={wide + 8} y1={y(1)} y2={y(1)} stroke="var(--softInk)" strokeDasharray="2 3" />
      <path
        d={`M${wide - 2} ${y(bed.lacksAt)} l12 -5 v10 Z`}
        fill={lacking ? "var(--clay)" : "var(--softInk)"}
        aria-hidden
      />
    </svg>
  );
}
