import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";
import { Sprig } from "../../parts/Sprig";

/** The least share that has room for its words on a phone; a smaller one shows its drawing alone. */
const leastForWords = 0.3;

/** SharesBar says how many of the plants stand at each stage on the day: they never all move at once. */
export function SharesBar({ shares, species }: { shares: Schemas["StageShare"][]; species: string }) {
  return (
    <Box
      role="list"
      aria-label="Share of plants at each stage"
      sx={{
        display: "flex",
        border: "1px solid var(--rule)",
        borderRadius: "3px",
        overflow: "hidden",
        mb: 1.2,
      }}
    >
      {shares.map((s, i) => (
        <Box
          role="listitem"
          key={`${s.stage}${i}`}
          title={`${s.stage}: ${s.words}`}
          sx={{
            flex: `${Math.max(0.12, s.share)} 1 0`,
            minWidth: 0,
            display: "flex",
            alignItems: "center",
            gap: 0.7,
            px: 0.7,
            py: 0.3,
            background: i % 2 ? "var(--paper)" : "var(--card)",
            borderLeft: i ? "1px solid var(--rule)" : 0,
            fontSize: 13.5,
            lineHeight: 1.15,
            overflow: "hidden",
          }}
        >
          <Sprig species={species} stage={s.stage} size={30} label="" />
          <Box
            className={s.share < leastForWords ? "sr-only-narrow" : undefined}
            sx={{ overflow: "hidden", textOverflow: "ellipsis" }}
          >
            <Box sx={{ whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" }}>{s.stage}</Box>
            <Box sx={{ color: "text.secondary", whiteSpace: "nowrap" }}>{s.words}</Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
