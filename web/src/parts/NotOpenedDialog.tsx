import { Box, Button } from "@mui/material";

/** NotOpenedDialog stands for a dialog that could not be fetched; so it needs nothing that is fetched. */
export function NotOpenedDialog({ onClose }: { onClose: () => void }) {
  return (
    <Box
      role="alertdialog"
      aria-labelledby="not-opened"
      sx={{
        position: "fixed",
        zIndex: 1300,
        insetInline: 0,
        bottom: { xs: 64, md: 24 },
        mx: "auto",
        maxWidth: 420,
        width: "92%",
        background: "var(--card)",
        border: "2px solid var(--clay)",
        borderRadius: "3px",
        p: 2,
      }}
    >
      <b id="not-opened">This could not be opened</b>
      <p>
        Perhaps there is no network here just now. The Round notes looks without one; for the rest, open the
        page again once the plot can be reached.
      </p>
      <Button variant="contained" autoFocus onClick={onClose}>
        Close
      </Button>
    </Box>
  );
}
