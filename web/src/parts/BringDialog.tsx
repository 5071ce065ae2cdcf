import { Box, Button, Checkbox, DialogContent, DialogTitle, FormControlLabel } from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../api/client";
import { Dialog } from "./Dialog";
import { DialogEnd, Fault } from "./DialogEnd";
import { useSend } from "./useSend";
import { useUndo } from "./Undo";

interface Ask {
  text: string;
  note?: boolean;
  leaveOut?: boolean;
}

interface Props {
  title: string;
  /** What files are read. */
  help: string;
  ask: (body: Ask) => Promise<Schemas["BroughtFileView"]>;
  onClose: () => void;
}

/** BringDialog brings a table in from a file: each line is shown, taken or refused, before anything is noted. */
export function BringDialog({ title, help, ask, onClose }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const [text, setText] = useState("");
  const [name, setName] = useState("");
  const [leaveOut, setLeaveOut] = useState(false);
  const [brought, setBrought] = useState<Schemas["BroughtFileView"]>();
  const choose = async (file: File | undefined) => {
    if (!file) return;
    const read = await file.text();
    setText(read);
    setName(file.name);
    setBrought(undefined);
    setBrought(await send(() => ask({ text: read })));
  };
  const note = async () => {
    const done = await send(() => ask({ text, note: true, leaveOut }));
    if (!done?.entry) return;
    noted(done.entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>
        <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
          {help} Nothing is noted before you have seen it.
        </Box>
        <Button variant="outlined" component="label">
          {name || "Choose the file"}
          <input
            type="file"
            accept=".csv,text/csv"
            hidden
            aria-label="The file"
            onChange={(event) => void choose(event.target.files?.[0])}
          />
        </Button>
        {brought && (
          <Box role="status" sx={{ mt: 1.5 }}>
            <b>
              {brought.taken} can be taken, {brought.refused} refused.
            </b>{" "}
            {brought.words}
            <Box
              sx={{ maxHeight: 300, overflowY: "auto", fontSize: 14.5 }}
              tabIndex={0}
              role="region"
              aria-label="The lines"
            >
              {brought.lines.map((line) => (
                <Box key={line.line} sx={{ borderTop: "1px dotted var(--rule)", py: 0.3 }}>
                  Line {line.line}: {line.words}
                  {line.wrong.map((words) => (
                    <Box key={words} sx={{ color: "var(--forbid)" }}>
                      {words}
                    </Box>
                  ))}
                </Box>
              ))}
            </Box>
            {brought.refused > 0 && brought.taken > 0 && (
              <FormControlLabel
                control={<Checkbox checked={leaveOut} onChange={(_, on) => setLeaveOut(on)} />}
                label="Leave the refused lines out"
              />
            )}
          </Box>
        )}
        <Fault words={fields.file ?? fault} />
      </DialogContent>
      <DialogEnd
        onClose={onClose}
        act={brought ? `Take ${brought.taken} in` : "Take them in"}
        disabled={sending || !brought || brought.taken === 0 || (brought.refused > 0 && !leaveOut)}
        onAct={() => void note()}
      />
    </Dialog>
  );
}
