import { Box } from "@mui/material";

import type { Schemas } from "../../../api/client";

/** Jar is how far a need is covered: a jar as full; broken where nothing will be. */
export function Jar({ share, short, lost = true }: { share: number; short: boolean; lost?: boolean }) {
  const none = lost && share < 0.005;
  const colour = none ? "var(--forbid)" : short ? "var(--clay)" : "var(--leaf)";
  const top = 9 + (1 - Math.min(1, share)) * 19;
  return (
    <svg width={24} height={32} aria-hidden style={{ flex: "none" }}>
      {!none && (
        <path d={`M3.5 ${top}H20.5V26a3 3 0 0 1 -3 3H6.500a3 3 0 0 1 -3 -3Z`} fill={colour} opacity={0.6} />
      )}
      <path
        d="M5 2H19V5.500H5ZM6 5.500C6 8 3 8 3 11V26a3.500 3.500 0 0 0 3.500 3.500H17.500A3.500 3.500 0 0 0 21 26V11C21 8 18 8 18 5.500"
        fill="none"
        stroke={none ? "var(--forbid)" : "var(--ink)"}
        strokeWidth={1.4}
        strokeDasharray={none ? "3 2" : undefined}
      />
    </svg>
  );
}

interface Props {
  product: Schemas["PlanProduct"];
  lit: boolean;
  onLight: () => void;
}

/** Cover is a need with how far the plan covers it, and why it falls short. */
export function Cover({ product: p, lit, onLight }: Props) {
  const colour = p.share < 0.005 ? "var(--forbid)" : p.short ? "var(--clay)" : "var(--leaf)";
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={lit}
      onClick={onLight}
      sx={{
        display: "flex",
        gap: 1,
        width: "100%",
        textAlign: "left",
        font: "inherit",
        fontSize: 14,
        lineHeight: 1.3,
        color: "inherit",
        border: 0,
        borderBottom: "1px solid var(--rule)",
        background: lit ? "var(--card)" : "none",
        p: "5px 4px",
        minHeight: 44,
        cursor: "pointer",
        alignItems: "center",
      }}
    >
      <Jar share={p.share} short={p.short} />
      <span>
        {p.name}
        {p.for && `, ${p.for}`}: <b style={{ color: colour }}>{p.covered}</b>
        {p.words && <Box sx={{ color: "text.secondary" }}>{p.words}</Box>}
      </span>
    </Box>
  );
}
