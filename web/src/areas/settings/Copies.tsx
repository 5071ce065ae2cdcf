import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../api/client";
import { useCopies, useRefresh } from "../../api/queries";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";

/** How many copies are named before the rest is asked for. */
const fewCopies = 4;

/** Copies is how the plot's file is looked after: its copies, and the whole plot in open files. */
export function Copies() {
  const copies = useCopies().data;
  if (!copies) return null;
  return (
    <Box component="section" aria-label="Copies" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Copies of the plot
      </Typography>
      {copies.folder ? (
        <Box sx={{ fontSize: 15, overflowWrap: "anywhere" }}>
          The plot is kept in <b>{copies.folder}</b>. While it is served a copy is kept there for every night
          on which something was noted.
        </Box>
      ) : (
        <Box sx={{ fontSize: 15 }}>
          The sample plot is made anew at every start. Of a plot of your own a copy is kept for every night on
          which something was noted.
        </Box>
      )}
      {copies.trouble && (
        <Alert severity="warning" variant="outlined" sx={{ mt: 1, overflowWrap: "anywhere" }}>
          {copies.trouble}
        </Alert>
      )}
      <KeptNights key={copies.kept} kept={copies.kept} />
      <CopyList copies={copies.copies} />
      <CopyNow />
    </Box>
  );
}

function KeptNights({ kept }: { kept: number }) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const [typed, setTyped] = useState(String(kept));
  const onKeep = async () => {
    const entry = await send(() =>
      answerOf(api.PUT("/api/copies/kept", { body: { kept: Math.trunc(Number(typed)) || 0 } })),
    );
    if (entry) noted(entry);
  };
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start", mt: 1.5 }}>
      <TextField
        label="Nights kept"
        type="number"
        size="small"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        {...at("kept", fault || undefined)}
        sx={{ width: 150 }}
      />
      <Button
        variant="outlined"
        disabled={sending || typed === String(kept)}
        onClick={() => void onKeep()}
        sx={{ minHeight: 40 }}
      >
        Keep so many
      </Button>
    </Box>
  );
}

function CopyList({ copies }: { copies: Schemas["CopyView"][] }) {
  const [all, setAll] = useState(false);
  if (copies.length === 0)
    return <Box sx={{ color: "text.secondary", fontSize: 14.5, my: 1 }}>No copy lies there yet.</Box>;
  return (
    <Box sx={{ my: 1 }}>
      {(all ? copies : copies.slice(0, fewCopies)).map((copy) => (
        <Box
          key={copy.name}
          sx={{
            display: "flex",
            gap: 1,
            flexWrap: "wrap",
            fontSize: 14.5,
            py: 0.3,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ flex: "1 1 220px" }}>{copy.words}</Box>
          <Box sx={{ color: "text.secondary", fontSize: 13, overflowWrap: "anywhere" }}>{copy.name}</Box>
        </Box>
      ))}
      {!all && copies.length > fewCopies && (
        <Button size="small" onClick={() => setAll(true)}>
          {copies.length - fewCopies} more
        </Button>
      )}
    </Box>
  );
}

function CopyNow() {
  const refresh = useRefresh();
  const { say } = useUndo();
  const { send, sending, fault } = useSend();
  const onCopy = async () => {
    const answer = await send(() => answerOf(api.POST("/api/copies")));
    if (!answer) return;
    await refresh();
    say("A copy of the plot was kept; it does not give way to others.");
  };
  return (
    <>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button variant="outlined" disabled={sending} onClick={() => void onCopy()}>
          Keep a copy now
        </Button>
        <Button variant="outlined" href="/api/files/archive" download>
          Save all of it in open files
        </Button>
      </Box>
      {fault && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault}
        </Alert>
      )}
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 1 }}>
        A disk can fail with all that lies on it: take a copy to another from time to time. To put one back,
        stop the program and run <code>brambly-acre restore</code>.
      </Box>
    </>
  );
}
