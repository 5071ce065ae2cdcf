import { Alert, Button } from "@mui/material";
import { Link } from "react-router";

import { affirm, discard, sendWaiting, useForeign, useIsKnown, useKept, type Kind } from "../api/outbox";
import { useRefresh } from "../api/queries";

interface Props {
  kinds: readonly Kind[];
  /** What one says yes with to a question that was asked back. */
  yes: string;
}

/** RefusedHere are the entries of some kinds that the plot did not take in: kept with the reason, until one says what becomes of them. */
export function RefusedHere({ kinds, yes }: Props) {
  const refresh = useRefresh();
  const refused = useKept().filter((kept) => kept.refused && kinds.includes(kept.kind));
  const foreign = useForeign();
  return (
    <>
      {foreign > 0 && (
        <Alert severity="info" variant="outlined" sx={{ mb: 1 }}>
          {foreign === 1 ? "An entry" : `${foreign} entries`} of another plot{" "}
          {foreign === 1 ? "waits" : "wait"} on this device until that plot is served here again.
        </Alert>
      )}
      {refused.map((kept) => (
        <Alert
          key={kept.key}
          severity="error"
          variant="outlined"
          sx={{ mb: 1 }}
          action={
            <>
              {(kept.asked ?? []).length > 0 && (
                <Button onClick={() => void affirm(kept).then(sendWaiting).then(refresh)}>{yes}</Button>
              )}
              <Button component={Link} to="/settings/kept">
                Mend
              </Button>
              <Button onClick={() => void discard(kept)}>Throw away</Button>
            </>
          }
        >
          {kept.words[0]?.toUpperCase() + kept.words.slice(1)}, was not taken in: {kept.refused}
        </Alert>
      ))}
    </>
  );
}

/** WaitingHere says how many entries of some kinds wait on this device. */
export function WaitingHere({ kinds }: { kinds: readonly Kind[] }) {
  const isKnown = useIsKnown();
  const waiting = useKept().filter((kept) => !kept.refused && kinds.includes(kept.kind)).length;
  return (
    <span role="status" style={{ textAlign: "right" }}>
      {waiting > 0 ? `saved on this device · ${waiting} to send` : isKnown && "all sent"}
    </span>
  );
}
