import { Box, Button, DialogActions, DialogContent, DialogTitle, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { useUndo } from "../../parts/Undo";
import { ChangedMeanwhile, readings, useOpened } from "../../parts/ChangedMeanwhile";
import { useSend } from "../../parts/useSend";
import { Dialog } from "../../parts/Dialog";

type Need = Schemas["NeedView"];

/** Needs is what the household wants of each part in a year, and what it has taken. */
export function Needs({ needs }: { needs: Need[] }) {
  const [changing, setChanging] = useState<Need>();
  return (
    <Box component="section" aria-label="Needed this year">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Needed this year
      </Typography>
      <Box sx={{ color: "text.secondary", mb: 1 }}>
        Fresh weight. An allowance never goes beyond what is still needed.
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 4 }}>
        {needs.map((need) => (
          <Box
            key={`${need.speciesId}${need.part}`}
            sx={{
              display: "flex",
              gap: 1,
              alignItems: "center",
              borderBottom: "1px dotted var(--rule)",
              py: 0.3,
            }}
          >
            <Box sx={{ flex: 1 }}>
              {need.name} {need.part}
            </Box>
            <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
              {need.taken} taken{need.need ? ` of ${need.need}` : ""}
            </Box>
            {need.need && (
              <Box sx={{ width: 60, height: 7, background: "var(--rule)" }} aria-hidden>
                <Box sx={{ width: `${need.share * 100}%`, height: 7, background: "var(--leaf)" }} />
              </Box>
            )}
            <Button
              size="small"
              onClick={() => setChanging(need)}
              aria-label={`${need.need ? "Change" : "Set"} what is needed of ${need.name} ${need.part}`}
            >
              {need.need ? "Change" : "Set"}
            </Button>
          </Box>
        ))}
      </Box>
      {changing && (
        <NeedDialog
          need={needs.find((n) => n.speciesId === changing.speciesId && n.part === changing.part) ?? changing}
          onClose={() => setChanging(undefined)}
        />
      )}
    </Box>
  );
}

function NeedDialog({ need, onClose }: { need: Need; onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault, stale, settle, at } = useSend();
  const [opened, rebase] = useOpened(need);
  const [amount, setAmount] = useState(opened.need);
  const save = async (version = opened.version) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/needs", {
          params: { header: shownVersion(version) },
          body: { speciesId: need.speciesId, part: need.part, amount },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>
        {need.name} {need.part}
      </DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          label="Needed in a year, fresh"
          value={amount}
          onChange={(e) => setAmount(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter") void save();
          }}
          sx={{ mt: 1 }}
          {...at("amount", (!stale && fault) || "400 g or 1 lb; empty for no limit")}
        />
        <ChangedMeanwhile
          why={stale}
          rows={readings({ need: "Needed in a year" }, need, { need: amount })}
          sending={sending}
          onTheirs={() => {
            rebase();
            setAmount(need.need);
            settle();
          }}
          onMine={() => {
            rebase();
            void save(need.version);
          }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button variant="contained" disabled={sending} onClick={() => void save()}>
          Note it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
