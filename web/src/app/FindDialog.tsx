import { Box, DialogContent, TextField } from "@mui/material";
import { useId, useState, type KeyboardEvent } from "react";

import { useFind } from "../api/queries";
import type { Schemas } from "../api/client";
import { Dialog } from "../parts/Dialog";
import { useGo } from "../parts/shownDay";
import { screens } from "./areas";

interface Place {
  key: string;
  name: string;
  detail: string;
  path: string;
}

function placeOf(one: Schemas["Found"]): Place {
  const paths: Record<typeof one.kind, string> = {
    bed: `/plot?bed=${one.bedId}`,
    planting: `/plantings/${one.plantingId}`,
    plant: `/plants/${one.speciesId}`,
    basket: "/gather",
    jar: `/store?jar=${one.jarId}`,
  };
  return {
    key: `${one.kind} ${one.plantingId} ${one.bedId} ${one.speciesId} ${one.jarId} ${one.name} ${one.detail}`,
    name: one.name,
    detail: one.detail,
    path: paths[one.kind],
  };
}

/** The pages whose title has the words in it. */
function pages(words: string): Place[] {
  const wanted = words.trim().toLowerCase();
  if (wanted === "") return [];
  return screens
    .filter((screen) => !screen.path.includes(":") && screen.title.toLowerCase().includes(wanted))
    .map((screen) => ({ key: screen.path, name: screen.title, detail: "page", path: screen.path }));
}

/** FindDialog goes to anything that has a name: plants here and in the library, beds, baskets, pages. */
export function FindDialog({ onClose }: { onClose: () => void }) {
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const list = useId();
  const found = [...(useFind(words).data ?? []).map(placeOf), ...pages(words)];
  const go = useGo();
  const open = (index: number) => {
    const one = found[index];
    if (!one) return;
    onClose();
    void go(one.path);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown") setAt(Math.max(0, Math.min(at + 1, found.length - 1)));
    else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
    else if (event.key === "Enter") open(at);
    else if (event.key === "Escape")
      onClose(); // what is looked for need not be kept
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth aria-label="Find">
      <DialogContent>
        <TextField
          autoFocus
          label="Find anything, by any name"
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKey}
          slotProps={{
            htmlInput: {
              role: "combobox",
              "aria-expanded": found.length > 0,
              "aria-controls": list,
              "aria-autocomplete": "list",
              "aria-activedescendant": found[at] ? `${list}-${at}` : undefined,
            },
          }}
        />
        <Box id={list} role="listbox" aria-label="Found" sx={{ minHeight: 120, mt: 1 }}>
          {found.map((one, i) => (
            <Box
              key={one.key}
              id={`${list}-${i}`}
              role="option"
              aria-selected={i === at}
              onClick={() => open(i)}
              sx={{
                px: 1.5,
                py: 1,
                minHeight: 44,
                cursor: "pointer",
                borderLeft: i === at ? "4px solid var(--bramble)" : "4px solid transparent",
                background: i === at ? "var(--brambleWash)" : undefined,
              }}
            >
              <Box sx={{ fontWeight: 700 }}>{one.name}</Box>
              <Box sx={{ fontSize: 14, color: "text.secondary" }}>{one.detail}</Box>
            </Box>
          ))}
        </Box>
        {words.trim() !== "" && found.length === 0 && (
          <Box role="status" sx={{ color: "text.secondary" }}>
            Nothing goes by that name, here or in the library.
          </Box>
        )}
      </DialogContent>
    </Dialog>
  );
}
