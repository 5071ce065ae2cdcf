import { Box } from "@mui/material";
import type { ReactNode } from "react";

/** Unseen is read aloud and not shown: what a drawing says beside it. */
export function Unseen({ children }: { children: ReactNode }) {
  return (
    <Box
      component="span"
      sx={{
        position: "absolute",
        width: "1px",
        height: "1px",
        overflow: "hidden",
        clipPath: "inset(50%)",
        whiteSpace: "nowrap",
      }}
    >
      {children}
    </Box>
  );
}
