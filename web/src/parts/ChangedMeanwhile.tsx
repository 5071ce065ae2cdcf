import { Box, Button } from "@mui/material";
import { useState } from "react";

import { useInView } from "./useInView";

/** useOpened holds what a form was opened with, whatever the plot has become meanwhile. */
export function useOpened<T>(stands: T) {
  const [opened, setOpened] = useState(stands);
  return [opened, () => setOpened(stands)] as const;
}

/** A field with what stands in it now and what was typed. */
export interface Reading {
  label: string;
  stands: string;
  yours: string;
}

const shown = (value: unknown): string => {
  if (value === undefined || value === null || value === "" || value === false) return "";
  if (value === true) return "yes";
  if (typeof value === "string" || typeof value === "number") return String(value);
  if (Array.isArray(value)) return value.map(shown).join(", ");
  return Object.values(value).map(shown).join(" / ");
};

/** readings puts the fields side by side that a form and the plot do not agree on. */
export function readings(
  labels: Record<string, string>,
  stands: Record<string, unknown>,
  yours: Record<string, unknown>,
): Reading[] {
  return Object.entries(labels)
    .map(([name, label]) => ({ label, stands: shown(stands[name]), yours: shown(yours[name]) }))
    .filter((one) => one.stands !== one.yours);
}

interface Props {
  /** What the plot said; empty where nothing was changed meanwhile. */
  why: string;
  rows: Reading[];
  sending: boolean;
  /** Takes over what stands now, in place of what was typed. */
  onTheirs: () => void;
  /** Keeps what was typed, over what stands now. */
  onMine: () => void;
}

/** ChangedMeanwhile puts both readings side by side where the plot moved on while a form was open. */
export function ChangedMeanwhile({ why, rows, sending, onTheirs, onMine }: Props) {
  const box = useInView(why);
  if (!why) return null;
  const name = { py: 0.3, pr: 1, textAlign: "left", verticalAlign: "top", width: "26%" } as const;
  const cell = {
    py: 0.3,
    px: 1,
    textAlign: "left",
    verticalAlign: "top",
    overflowWrap: "anywhere",
    whiteSpace: "pre-line",
  } as const;
  return (
    <Box
      ref={box}
      tabIndex={-1}
      role="alert"
      aria-label="Changed meanwhile"
      sx={{ border: "2px solid var(--clay)", background: "var(--card)", p: 1.5, mt: 2, fontSize: 15.5 }}
    >
      <Box sx={{ mb: 1 }}>{why}</Box>
      {rows.length === 0 ? (
        <Box sx={{ mb: 1 }}>Both read the same here.</Box>
      ) : (
        <Box
          component="table"
          sx={{ borderCollapse: "collapse", tableLayout: "fixed", width: "100%", mb: 1, fontSize: 15 }}
        >
          <thead>
            <tr>
              <Box component="th" sx={name} />
              <Box component="th" sx={cell}>
                stands now
              </Box>
              <Box component="th" sx={cell}>
                yours
              </Box>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Box component="tr" key={row.label} sx={{ borderTop: "1px dotted var(--rule)" }}>
                <Box component="th" scope="row" sx={{ ...name, fontWeight: 400, color: "text.secondary" }}>
                  {row.label}
                </Box>
                <Box component="td" sx={cell}>
                  {row.stands || "nothing"}
                </Box>
                <Box component="td" sx={cell}>
                  {row.yours || "nothing"}
                </Box>
              </Box>
            ))}
          </tbody>
        </Box>
      )}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="outlined" disabled={sending} onClick={onTheirs} sx={{ minHeight: 44 }}>
          Take what stands now
        </Button>
        <Button variant="outlined" disabled={sending} onClick={onMine} sx={{ minHeight: 44 }}>
          Keep mine instead
        </Button>
      </Box>
    </Box>
  );
}
