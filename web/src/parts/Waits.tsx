import { Box } from "@mui/material";

/** Waits counts what waits in an area, beside its name or at the corner of its node. */
export function Waits({ n, corner = false }: { n: number; corner?: boolean }) {
  if (n === 0) return null;
  return (
    <Box
      component="span"
      sx={{
        background: "var(--clay)",
        color: "var(--card)",
        borderRadius: "9px",
        px: 0.9,
        minWidth: 20,
        textAlign: "center",
        fontSize: 13,
        fontWeight: 700,
        lineHeight: "19px",
        ...(corner && { position: "absolute", top: 2, left: "calc(50% + 10px)" }),
      }}
    >
      {n}
      <span className="sr-only"> waiting</span>
    </Box>
  );
}
