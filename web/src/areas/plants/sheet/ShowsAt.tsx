import { Box, ButtonBase } from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../../../api/client";
import { useCharacters } from "../../../api/queries";
import { CharacterDrawing } from "../../../parts/CharacterDrawing";
import { Toggle } from "./fields";
import { useField } from "./filling";
import { asText, asWords, type Path } from "./sheet";

interface Props {
  path: Path;
  /** Where the characters stand that all have to be seen, if there are such. */
  musts?: Path;
}

/** ShowsAt is what a plant shows: the states of each character, drawn. */
export function ShowsAt({ path, musts }: Props) {
  const characters = useCharacters().data ?? [];
  const { told } = useField(path);
  const [open, setOpen] = useState("");
  return (
    <>
      {told.error && <Box sx={{ color: "var(--forbid)", mb: 1 }}>{told.helperText}</Box>}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 3 }}>
        {characters.map((character) => (
          <CharacterAt
            key={character.id}
            character={character}
            path={[...path, character.id]}
            musts={musts}
            open={open === character.id}
            onOpen={() => setOpen(open === character.id ? "" : character.id)}
          />
        ))}
      </Box>
    </>
  );
}

interface OneProps extends Props {
  character: Schemas["CharacterView"];
  open: boolean;
  onOpen: () => void;
}

function CharacterAt({ character, path, musts, open, onOpen }: OneProps) {
  const { value, set, told } = useField(path);
  const must = useField(musts ?? []);
  const chosen = asText(value)
    .split(",")
    .map((state) => state.trim())
    .filter(Boolean);
  const wanted = asWords(must.value);
  const isMust = wanted.includes(character.id);
  return (
    <Box
      role="group"
      aria-label={character.name}
      sx={{ borderBottom: "1px dotted var(--rule)", py: 0.6, gridColumn: open ? "1 / -1" : undefined }}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", minHeight: 46 }}>
        <ButtonBase
          aria-expanded={open}
          onClick={onOpen}
          sx={{
            width: 170,
            flex: "none",
            justifyContent: "flex-start",
            textAlign: "left",
            fontFamily: "inherit",
            fontSize: 15,
            textDecoration: "underline",
            textUnderlineOffset: 3,
          }}
        >
          {character.name}
        </ButtonBase>
        <Box sx={{ flex: 1, display: "flex", gap: 0.5, flexWrap: "wrap" }}>
          {character.states
            .filter((state) => chosen.includes(state.id))
            .map((state) => (
              <CharacterDrawing
                key={state.id}
                character={character.id}
                state={state.id}
                label={state.words}
                size={44}
              />
            ))}
          {chosen.length === 0 && <span style={{ color: "var(--softInk)" }}>not given</span>}
        </Box>
        {musts && chosen.length > 0 && (
          <Toggle
            label="must"
            spoken={`${character.name} has to be seen`}
            on={isMust}
            onToggle={() =>
              must.set(isMust ? wanted.filter((id) => id !== character.id) : [...wanted, character.id])
            }
          />
        )}
      </Box>
      {told.error && <Box sx={{ color: "var(--forbid)" }}>{told.helperText}</Box>}
      {open && (
        <Box sx={{ display: "flex", gap: 0.8, flexWrap: "wrap", py: 0.8 }}>
          {character.states.map((state) => {
            const on = chosen.includes(state.id);
            return (
              <ButtonBase
                key={state.id}
                aria-pressed={on}
                aria-label={state.words}
                onClick={() =>
                  set((on ? chosen.filter((id) => id !== state.id) : [...chosen, state.id]).join(", "))
                }
                sx={{
                  flex: { xs: "1 1 104px", md: "0 0 118px" },
                  p: 0.7,
                  flexDirection: "column",
                  justifyContent: "flex-start",
                  fontFamily: "inherit",
                  fontSize: 13.5,
                  lineHeight: 1.25,
                  borderRadius: "3px",
                  border: `2px solid var(${on ? "--bramble" : "--rule"})`,
                  background: on ? "var(--brambleWash)" : "var(--card)",
                }}
              >
                <CharacterDrawing character={character.id} state={state.id} label="" size={58} />
                {state.words}
              </ButtonBase>
            );
          })}
        </Box>
      )}
    </Box>
  );
}
