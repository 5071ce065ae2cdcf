import { Alert, Button } from "@mui/material";

import { useRefresh } from "../api/queries";

/** Trouble says why a screen cannot be shown. */
export function Trouble({ reason }: { reason: Error }) {
  const refresh = useRefresh();
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={<Button onClick={() => void refresh()}>Try again</Button>}
    >
      {reason.message || "This cannot be shown just now."}
    </Alert>
  );
}
