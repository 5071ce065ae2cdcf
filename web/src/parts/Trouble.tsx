import { Alert, Button } from "@mui/material";

import { Refusal } from "../api/client";
import { useRefresh } from "../api/queries";

/** Trouble says why a screen cannot be shown. */
export function Trouble({ reason }: { reason: Error }) {
  const refresh = useRefresh();
  const otherPlot = reason instanceof Refusal && reason.otherPlot;
  return (
    <Alert
      severity="error"
      variant="outlined"
      action={
        otherPlot ? (
          <Button onClick={() => window.location.assign("/")}>Load the page anew</Button>
        ) : (
          <Button onClick={() => void refresh()}>Try again</Button>
        )
      }
    >
      {reason.message || "This cannot be shown just now."}
    </Alert>
  );
}
