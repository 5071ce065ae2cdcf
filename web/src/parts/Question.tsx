import { Box } from "@mui/material";
import type { ReactNode } from "react";

/** Question is a short heading over its answers. */
export function Question({
  text,
  note,
  error,
  children,
}: {
  text: string;
  note?: ReactNode;
  error?: string;
  children: ReactNode;
}) {
  return (
    <Box sx={{ mt: 1.2 }}>
      <Box sx={{ fontWeight: 700, mb: 0.7 }}>{text}</Box>
      {children}
      {error && (
        <Box role="alert" sx={{ color: "var(--forbid)", fontSize: 14, mt: 0.5 }}>
          {error}
        </Box>
      )}
      {note && <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.5 }}>{note}</Box>}
    </Box>
  );
}
