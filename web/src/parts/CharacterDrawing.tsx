import { Box } from "@mui/material";
import type { ReactNode } from "react";

import { bladeDrawings } from "./drawings/blade";
import { bloomDrawings } from "./drawings/bloom";
import { flowerDrawings } from "./drawings/flower";
import { fruitDrawings } from "./drawings/fruit";
import { groundDrawings } from "./drawings/ground";
import { leafDrawings } from "./drawings/leaf";
import { ripeDrawings } from "./drawings/ripe";
import { stalkDrawings } from "./drawings/stalk";
import { stemDrawings } from "./drawings/stem";
import { wholeDrawings } from "./drawings/whole";

const all: Record<string, Record<string, ReactNode>> = {
  ...leafDrawings,
  ...stemDrawings,
  ...flowerDrawings,
  ...fruitDrawings,
  ...wholeDrawings,
  ...bladeDrawings,
  ...stalkDrawings,
  ...bloomDrawings,
  ...ripeDrawings,
  ...groundDrawings,
};

interface Props {
  character: string;
  state: string;
  /** What the drawing shows, for those who do not see it. */
  label: string;
  size?: number;
}

/** CharacterDrawing is the schematic drawing of one state of a character, shared by all plants. */
export function CharacterDrawing({ character, state, label, size = 72 }: Props) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 72 72"
      role={label ? "img" : undefined}
      aria-label={label || undefined}
      aria-hidden={label ? undefined : true}
      style={{ display: "block", flex: "none", color: "var(--ink)" }}
    >
      {all[character]?.[state]}
    </svg>
  );
}

interface StatesProps {
  character: string;
  states: readonly { id: string; words: string }[];
  size?: number;
  /** Leaves the words out, where they stand elsewhere. */
  bare?: boolean;
}

/** DrawnStates are the states of a character side by side, each with its plain sentence. */
export function DrawnStates({ character, states, size = 60, bare }: StatesProps) {
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
      {states.map((state) => (
        <Box key={state.id} sx={{ width: bare ? size : Math.max(size + 34, 92) }}>
          <CharacterDrawing character={character} state={state.id} label={state.words} size={size} />
          {!bare && <Box sx={{ fontSize: 13.5, lineHeight: 1.25, mt: 0.3 }}>{state.words}</Box>}
        </Box>
      ))}
    </Box>
  );
}
