import { Alert, Box, Button, DialogContent, DialogTitle } from "@mui/material";
import { useState } from "react";

import { DialogEnd } from "../../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../../api/client";
import { useSend } from "../../../parts/useSend";
import { Dialog } from "../../../parts/Dialog";

/** PlanFiles are the plan on paper and as a file, out and in. */
export function PlanFiles({ onSaved }: { onSaved: (entry: Schemas["Entry"]) => void }) {
  const [reading, setReading] = useState(false);
  return (
    <Box
      className="no-print"
      sx={{ display: "flex", gap: 0.5, flexWrap: "wrap", fontSize: 14.5, alignItems: "center" }}
    >
      <Button size="small" color="inherit" href="/api/files/plan-print" target="_blank">
        Print, to scale (PDF)
      </Button>
      <Button size="small" color="inherit" href="/api/files/plan" download>
        Save the plan (GeoJSON)
      </Button>
      <Button size="small" color="inherit" onClick={() => setReading(true)}>
        Read a plan
      </Button>
      {reading && <ReadPlan onSaved={onSaved} onClose={() => setReading(false)} />}
    </Box>
  );
}

function ReadPlan({ onSaved, onClose }: { onSaved: (entry: Schemas["Entry"]) => void; onClose: () => void }) {
  const { send, sending, fault, fields } = useSend();
  const [file, setFile] = useState<File>();
  const faults = Object.entries(fields);
  const read = async () => {
    if (!file) return;
    const text = await file.text();
    const entry = await send(() => answerOf(api.POST("/api/plan/import", { body: { text } })));
    if (!entry) return;
    onSaved(entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Read a plan</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0 }}>
          A GeoJSON file in local metres, as this plot writes it. Beds are matched by name and keep their
          plantings; the file’s walls, trees and the like take the place of those on the plan. It can be
          undone.
        </p>
        <input
          type="file"
          accept=".geojson,.json,application/geo+json"
          aria-label="The plan’s file"
          onChange={(event) => setFile(event.target.files?.[0])}
        />
        {faults.map(([field, words]) => (
          <Alert key={field} severity="error" sx={{ mt: 1 }}>
            {field !== "text" && `${field}: `}
            {words}
          </Alert>
        ))}
        {fault && (
          <Alert severity="error" sx={{ mt: 1 }}>
            {fault}
          </Alert>
        )}
      </DialogContent>
      <DialogEnd onClose={onClose} act="Read it" onAct={() => void read()} disabled={!file || sending} />
    </Dialog>
  );
}
