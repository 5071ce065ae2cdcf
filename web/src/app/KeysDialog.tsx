import { Box, DialogContent, DialogTitle } from "@mui/material";

import { Dialog } from "../parts/Dialog";
import { keyHelp } from "./keys";

/** KeysDialog lists the keys that work everywhere. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="keys">
      <DialogTitle id="keys">Keys</DialogTitle>
      <DialogContent>
        <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "110px 1fr", rowGap: 0.8, m: 0 }}>
          {keyHelp.map(([key, what]) => (
            <Box key={key} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ fontWeight: 700, color: "var(--bramble)" }}>
                {key}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {what}
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
    </Dialog>
  );
}
