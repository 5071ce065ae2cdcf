import { Box } from "@mui/material";

import type { Schemas } from "../../../api/client";

const marks: Record<string, string> = {
  tray: "M2 20H30V24H2ZM4 20q4 -8 7 -1q3 -9 6 0q4 -8 7 1",
  hour: "M4 24H28M8 24a8 8 0 0 1 16 0M16 6v5M5 11l4 4M27 11l-4 4",
  plants: "M16 26V10M16 18q-9 1 -10 -7q9 -1 10 7M16 14q8 0 9 -7q-8 0 -9 7M6 26H26",
};

/** Prices say what one more tray, one more hour and some more plants would bring. */
export function Prices({ prices, reckoning }: { prices: Schemas["PlanPrice"][]; reckoning: boolean }) {
  if (prices.length === 0 && !reckoning) return null;
  return (
    <Box
      component="section"
      aria-label="What more would bring"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 3.5,
        rowGap: 1,
        borderTop: "1px solid var(--rule)",
        pt: 1.2,
        mt: 1.5,
      }}
    >
      {reckoning && (
        <Box role="status" sx={{ color: "text.secondary" }}>
          What one more tray or hour would bring is being reckoned.
        </Box>
      )}
      {prices.map((price) => (
        <Box key={price.name} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <svg width={32} height={30} aria-hidden>
            <path
              d={marks[price.kind]}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.5}
              strokeLinejoin="round"
            />
          </svg>
          <Box sx={{ fontSize: 14.5, lineHeight: 1.3 }}>
            {price.name}
            <Box sx={{ fontWeight: 700 }}>{price.brings}</Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
