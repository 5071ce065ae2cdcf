import { Box, ButtonBase } from "@mui/material";
import type { ReactNode } from "react";

interface ChoiceProps {
  chosen: boolean;
  onChoose: () => void;
  children: ReactNode;
  label?: string;
  dark?: boolean;
}

/** Choice is one of several large buttons, marked by its border and ground when chosen. */
export function Choice({ chosen, onChoose, children, label, dark = false }: ChoiceProps) {
  return (
    <ButtonBase
      aria-pressed={chosen}
      aria-label={label}
      onClick={onChoose}
      sx={{
        minHeight: 48,
        px: 1.2,
        py: 0.6,
        borderRadius: "3px",
        border: `2px solid var(${chosen ? "--bramble" : "--rule"})`,
        background: chosen ? (dark ? "var(--ink)" : "var(--brambleWash)") : "var(--card)",
        color: chosen && dark ? "var(--paper)" : "var(--ink)",
        fontFamily: "inherit",
        fontSize: 15,
        display: "flex",
        flexDirection: "column",
        gap: 0.2,
        "&.Mui-focusVisible": { outline: "3px solid var(--focus)", outlineOffset: 1 },
      }}
    >
      {children}
    </ButtonBase>
  );
}

/** ChoiceRow sets choices in a row of equal columns. */
export function ChoiceRow({
  label,
  columns,
  children,
}: {
  label: string;
  columns: number;
  children: ReactNode;
}) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: "grid", gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, gap: 1 }}
    >
      {children}
    </Box>
  );
}
