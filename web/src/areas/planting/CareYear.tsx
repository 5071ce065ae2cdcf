import { Box, Typography } from "@mui/material";

import type { Schemas } from "../../api/client";

/** CareYear is the care of a planting's year by its days: what is asked for, and what is not and why. */
export function CareYear({ care }: { care: Schemas["CareView"][] }) {
  if (care.length === 0) return null;
  return (
    <Box component="section" aria-label="Its care this year" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Its care this year
      </Typography>
      {care.map((one) => (
        <Box
          key={`${one.what} ${one.days}`}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "150px minmax(0, 1fr)" },
            columnGap: 1.5,
            py: 0.6,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ color: "text.secondary" }}>{one.days}</Box>
          <Box sx={{ minWidth: 0 }}>
            <Box sx={{ fontWeight: one.wanted ? 700 : 400 }}>
              {one.what}
              {one.done ? " · done" : one.wanted ? "" : " · not asked for"}
            </Box>
            <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
              {one.why} {one.wanted && <>Left undone: {one.cost}</>}
            </Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
