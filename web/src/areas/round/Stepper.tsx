import { Box, ButtonBase } from "@mui/material";

interface Props {
  name: string;
  unit: string;
  expected: number;
  value: number | undefined;
  onChange: (value: number) => void;
}

/** Stepper changes a size a step at a time; until it is touched it shows the expected size, unsaid. */
export function Stepper({ name, unit, expected, value, onChange }: Props) {
  const shown = value ?? expected;
  const step = shown >= 60 ? 5 : shown >= 20 ? 2 : 1;
  const button = {
    width: 48,
    minHeight: 48,
    fontSize: 22,
    fontWeight: 700,
    fontFamily: "inherit",
    "&.Mui-focusVisible": { outline: "3px solid var(--focus)" },
  };
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{
        display: "flex",
        alignItems: "center",
        border: "2px solid var(--rule)",
        borderRadius: "3px",
        background: "var(--card)",
      }}
    >
      <ButtonBase aria-label={`less ${name}`} sx={button} onClick={() => onChange(Math.max(1, shown - step))}>
        −
      </ButtonBase>
      <Box
        sx={{
          flex: 1,
          textAlign: "center",
          whiteSpace: "nowrap",
          fontSize: 15,
          color: value === undefined ? "text.secondary" : "inherit",
          fontWeight: value === undefined ? 400 : 700,
        }}
        aria-live="polite"
      >
        {shown} {unit} {name}
      </Box>
      <ButtonBase aria-label={`more ${name}`} sx={button} onClick={() => onChange(shown + step)}>
        +
      </ButtonBase>
    </Box>
  );
}
