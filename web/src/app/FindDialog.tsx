import { Box, Dialog, DialogContent, List, ListItemButton, ListItemText, TextField } from "@mui/material";
import { useState, type KeyboardEvent } from "react";

import { useFind } from "../api/queries";
import { useGo } from "../parts/shownDay";

/** FindDialog goes to any planting or bed by any of its names. */
export function FindDialog({ onClose }: { onClose: () => void }) {
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const found = useFind(words).data ?? [];
  const go = useGo();
  const open = (index: number) => {
    const one = found[index];
    if (!one) return;
    onClose();
    void go(one.kind === "bed" ? `/plot?bed=${one.bedId}` : `/plantings/${one.plantingId}`);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown") setAt(Math.max(0, Math.min(at + 1, found.length - 1)));
    else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
    else if (event.key === "Enter") open(at);
    else return;
    event.preventDefault();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-label="Find">
      <DialogContent>
        <TextField
          autoFocus
          label="Find a plant or bed, by any name"
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKey}
        />
        <List aria-label="Found" sx={{ minHeight: 120 }}>
          {found.map((one, i) => (
            <ListItemButton
              key={`${one.kind}${one.plantingId}-${one.bedId}`}
              selected={i === at}
              onClick={() => open(i)}
            >
              <ListItemText primary={one.name} secondary={one.detail} />
            </ListItemButton>
          ))}
        </List>
        {words.trim() !== "" && found.length === 0 && (
          <Box sx={{ color: "text.secondary" }}>Nothing on the plot goes by that name.</Box>
        )}
      </DialogContent>
    </Dialog>
  );
}
