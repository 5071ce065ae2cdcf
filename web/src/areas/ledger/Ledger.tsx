import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { useLedger } from "../../api/queries";
import { Trouble } from "../../parts/Trouble";
import { LedgerList } from "../../parts/LedgerList";

const page = 60;
const most = 200;

const files = [
  { name: "calendar", text: "Windows and jobs as a calendar" },
  { name: "pickings", text: "Pickings as a table" },
  { name: "observations", text: "Looks as a table" },
];

/** Ledger is everything noted; any entry can be taken back, and the notes leave in open formats. */
export function Ledger() {
  const [kind, setKind] = useState("");
  const [words, setWords] = useState("");
  const [shown, setShown] = useState(page);
  const query = useLedger({ kind, words, most: shown });
  const ledger = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  return (
    <Box sx={{ maxWidth: 980 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap", mb: 1.5 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Ledger
        </Typography>
        {files.map((file) => (
          <Button
            key={file.name}
            variant="outlined"
            component="a"
            href={`/api/files/${file.name}`}
            download
            size="small"
          >
            {file.text}
          </Button>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1.5, mb: 1.5, maxWidth: 560 }}>
        <TextField label="With these words" value={words} onChange={(e) => setWords(e.target.value)} />
        <TextField
          select
          label="Kind"
          value={kind}
          onChange={(e) => setKind(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">all but practice</MenuItem>
          {(ledger?.kinds ?? []).map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {ledger && ledger.lines.length === 0 && (
        <p>
          {words || kind ? "No entry is like that." : "Nothing is noted yet. A round is a good beginning."}
        </p>
      )}
      {ledger && <LedgerList lines={ledger.lines} />}
      {ledger?.more && shown < most && (
        <Button onClick={() => setShown(most)} sx={{ mt: 1 }}>
          Show more
        </Button>
      )}
    </Box>
  );
}
