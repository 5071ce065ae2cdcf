import { Button, DialogActions, DialogContent, DialogTitle } from "@mui/material";

import { Dialog } from "./Dialog";

/** NotOpenedDialog stands for a dialog that could not be fetched. */
export function NotOpenedDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>This could not be opened</DialogTitle>
      <DialogContent>
        Perhaps there is no network here just now. The Round notes looks without one; for the rest, open the
        page again once the plot can be reached.
      </DialogContent>
      <DialogActions sx={{ px: 3, pb: 2 }}>
        <Button variant="contained" autoFocus onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
