import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { Fault } from "../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../api/client";
import { useUndo } from "../../parts/Undo";
import { SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";

const kinds = { note: "a note", law: "what the local list says", custom: "a custom" } as const;
type Kind = keyof typeof kinds;

/** PlantNotes are the grower's own notes on a plant: several authors of a custom stand side by side. */
export function PlantNotes({ plant }: { plant: Schemas["PlantView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<Kind>("note");
  const [author, setAuthor] = useState("");
  const [text, setText] = useState("");
  const onAdd = async () => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/plants/{id}/notes", {
          params: { path: { id: plant.id } },
          body: { kind, author, text },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    setOpen(false);
    setText("");
    setAuthor("");
  };
  const remove = (id: number) =>
    void send(async () =>
      noted(await answerOf(api.DELETE("/api/plant-notes/{id}", { params: { path: { id } } }))),
    );
  return (
    <Box component="section" aria-label="Your notes">
      <Box sx={{ display: "flex", alignItems: "baseline", mt: 2.5, mb: 0.5 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Your notes
        </Typography>
        <Button size="small" onClick={() => setOpen(!open)} aria-expanded={open} className="no-print">
          {open ? "Close" : "Add a note"}
        </Button>
      </Box>
      {plant.notes.length === 0 && !open && (
        <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>None yet.</Box>
      )}
      {plant.notes.map((note) => (
        <Box
          key={note.id}
          sx={{ display: "flex", gap: 1, fontSize: 15, py: 0.4, borderBottom: "1px dotted var(--rule)" }}
        >
          <Box sx={{ flex: 1 }}>
            {note.kind !== "note" && <b>{note.kind === "law" ? "Local list" : "Custom"}: </b>}
            {note.text}
            {note.author && <span style={{ color: "var(--softInk)" }}> · {note.author}</span>}
          </Box>
          <Button size="small" onClick={() => remove(note.id)} aria-label={`Take off: ${note.text}`}>
            Take off
          </Button>
        </Box>
      ))}
      {open && (
        <Box sx={{ display: "grid", gap: 1.2, mt: 1 }}>
          <SelectField
            label="It is"
            value={kind}
            onChange={(value) => setKind(value as Kind)}
            options={(["note", "law", ...(plant.customs ? (["custom"] as const) : [])] as const).map(
              (k) => [k, kinds[k]] as const,
            )}
            {...at("kind")}
          />
          <TextField
            label={kind === "custom" ? "Whose custom" : "From whom"}
            value={author}
            onChange={(event) => setAuthor(event.target.value)}
            {...at("author")}
          />
          <TextField
            label="Note"
            multiline
            minRows={2}
            value={text}
            onChange={(event) => setText(event.target.value)}
            {...at("text")}
          />
          <Fault words={fault} />
          <Box>
            <Button variant="contained" disabled={sending} onClick={() => void onAdd()}>
              Keep the note
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}
