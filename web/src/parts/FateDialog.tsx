import { Checkbox, DialogContent, DialogTitle, FormControlLabel, MenuItem, TextField } from "@mui/material";
import { useState } from "react";

import { DialogEnd, Fault } from "./DialogEnd";
import { api, answerOf, type Schemas } from "../api/client";
import { useSite } from "../api/queries";
import { Choice, ChoiceRow } from "./Choices";
import { useSend } from "./useSend";
import { Dialog } from "./Dialog";

interface Props {
  planting: { id: number; name: string; bed: string };
  onSaved: (entry: Schemas["Entry"], gone: boolean) => void;
  onClose: () => void;
}

/** FateDialog writes into the plot's memory whether a planting throve or failed, and why. */
export function FateDialog({ planting, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, at } = useSend();
  const [outcome, setOutcome] = useState<"throve" | "failed">("failed");
  const [cause, setCause] = useState("");
  const [note, setNote] = useState("");
  const [gone, setGone] = useState(true);
  if (!site) return null;
  const leaves = outcome === "failed" && gone;
  const save = async () => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/plantings/{id}/fate", {
          params: { path: { id: planting.id } },
          body: { outcome, cause, note, gone: leaves },
        }),
      ),
    );
    if (!entry) return;
    onSaved(entry, leaves);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>
        {planting.name} · {planting.bed}
      </DialogTitle>
      <DialogContent>
        <p style={{ margin: "0 0 10px" }}>Said first the next time this plant is thought of for this bed.</p>
        <ChoiceRow label="What became of it" columns={2}>
          {(["throve", "failed"] as const).map((word) => (
            <Choice
              key={word}
              chosen={outcome === word}
              onChoose={() => {
                setOutcome(word);
                setCause("");
              }}
            >
              It {word}
            </Choice>
          ))}
        </ChoiceRow>
        <TextField
          select
          label="Why"
          value={cause}
          onChange={(e) => setCause(e.target.value)}
          sx={{ mt: 2 }}
          {...at("cause")}
        >
          {site.causes[outcome].map((word) => (
            <MenuItem key={word} value={word}>
              {word}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Note"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          sx={{ mt: 2 }}
          {...at("note")}
        />
        {outcome === "failed" && (
          <FormControlLabel
            control={<Checkbox checked={gone} onChange={(_, on) => setGone(on)} />}
            label="It is gone: take it off the plan"
            sx={{ mt: 1 }}
          />
        )}
        <Fault words={fault} />
      </DialogContent>
      <DialogEnd onClose={onClose} act="Remember it" onAct={() => void save()} disabled={sending} />
    </Dialog>
  );
}
