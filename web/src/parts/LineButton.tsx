import { Box } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  onClick: () => void;
  children: ReactNode;
  /** Whether what it opens is open; left out where it opens nothing. */
  expanded?: boolean;
  disabled?: boolean;
  ruled?: boolean;
}

/** LineButton is a whole line that can be pressed, without the looks of a button. */
export function LineButton({ onClick, children, expanded, disabled = false, ruled = false }: Props) {
  return (
    <Box
      component="button"
      onClick={onClick}
      aria-expanded={expanded}
      disabled={disabled}
      sx={{
        all: "unset",
        boxSizing: "border-box",
        width: "100%",
        cursor: disabled ? "default" : "pointer",
        ...(ruled && { borderBottom: "1px dotted var(--rule)" }),
        "&:focus-visible": { outline: "3px solid var(--focus)" },
      }}
    >
      {children}
    </Box>
  );
}
