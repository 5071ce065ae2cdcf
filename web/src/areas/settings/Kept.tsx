import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { answerOf, api } from "../../api/client";
import { isAtHome, me, wasPutOut } from "../../api/device";
import {
  adopt,
  affirm,
  discard,
  mend,
  sendWaiting,
  useForeign,
  useIsKnown,
  useKept,
  type Kept,
} from "../../api/outbox";
import { useRefresh } from "../../api/queries";
import { useReach } from "../../api/reach";
import { forgetAnswers } from "../../api/stored";
import { forgetProgram } from "../../offline/register";
import { dayMonth } from "../../parts/dates";
import { entriesWords, keptSummary } from "../../parts/keptWords";
import { useSend } from "../../parts/useSend";
import { Head } from "./Head";
import { MendForm } from "./MendForm";
import { useThisDevice } from "./queries";

const kinds: Record<Kept["kind"], string> = {
  look: "A look",
  picking: "A picking",
  sorting: "At the table",
  count: "Counting a tray",
  check: "A check",
  findCheck: "A check of a find",
};

/** KeptHere is what this device keeps: entries that wait or were refused, and who the device is. */
export function KeptHere() {
  const kept = useKept();
  const isKnown = useIsKnown();
  const foreign = useForeign();
  const refresh = useRefresh();
  const { reached } = useReach();
  const [busy, setBusy] = useState(false);
  const refused = kept.filter((one) => one.refused);
  const waiting = kept.filter((one) => !one.refused);
  const sendNow = async () => {
    setBusy(true);
    await sendWaiting()
      .then((sent) => (sent > 0 ? refresh() : undefined))
      .finally(() => setBusy(false));
  };
  return (
    <>
      <Head title="On this device" words={isKnown ? keptSummary(kept) : undefined} />
      <Box sx={{ maxWidth: 760 }}>
        {refused.length > 0 && (
          <Box component="section" aria-label="Not taken in" sx={{ mb: 3 }}>
            <Typography variant="h2">Not taken in by the plot</Typography>
            {refused.map((one) => (
              <Refused key={one.key} kept={one} onSent={sendNow} />
            ))}
          </Box>
        )}
        <Box component="section" aria-label="Waiting" sx={{ mb: 3 }}>
          <Typography variant="h2">Waiting to be sent</Typography>
          {!isKnown ? null : waiting.length === 0 ? (
            <Box sx={{ color: "text.secondary" }}>Nothing waits.</Box>
          ) : (
            <>
              {waiting.map((one) => (
                <Box key={one.key} sx={{ borderBottom: "1px dotted var(--rule)", py: 0.7 }}>
                  <Line kept={one} />
                </Box>
              ))}
              <Button
                variant="outlined"
                disabled={busy || !reached}
                onClick={() => void sendNow()}
                sx={{ mt: 1.2, minHeight: 48 }}
              >
                {reached ? "Send them now" : "Sent as soon as the plot can be reached"}
              </Button>
            </>
          )}
          {foreign > 0 && (
            <Box sx={{ color: "text.secondary", mt: 1 }}>
              {foreign === 1 ? "An entry" : `${foreign} entries`} of another plot{" "}
              {foreign === 1 ? "waits" : "wait"} until that plot is served here again.
            </Box>
          )}
        </Box>
        {isAtHome() && <ThisDevice waiting={kept.length} />}
      </Box>
    </>
  );
}

/** Line is an entry as it was noted. */
function Line({ kept }: { kept: Kept }) {
  const day = "day" in kept.body && kept.body.day ? dayMonth(kept.body.day) : "";
  const photos = "photos" in kept.body ? (kept.body.photos?.length ?? 0) : 0;
  return (
    <Box sx={{ overflowWrap: "anywhere" }}>
      <Box sx={{ fontSize: 14, color: "text.secondary" }}>
        {[kinds[kept.kind], day, photos > 0 && `${photos} ${photos === 1 ? "photograph" : "photographs"}`]
          .filter(Boolean)
          .join(" · ")}
      </Box>
      {kept.words}
    </Box>
  );
}

const mark = ", mended";
const mended = (words: string) => (words.endsWith(mark) ? words : words + mark);

/** Refused is an entry that the plot did not take in, with its reason and what can be done. */
function Refused({ kept, onSent }: { kept: Kept; onSent: () => Promise<void> }) {
  const [mending, setMending] = useState(false);
  const [asking, setAsking] = useState(false);
  const act = (change: Promise<void>) => void change.then(onSent);
  /** A tray that was counted elsewhere meanwhile: the taps are set on what stands now. */
  const overNow = async () => {
    const tray = await answerOf(
      api.GET("/api/trays/{id}", { params: { path: { id: kept.to } }, cache: "no-cache" }),
    );
    await mend(kept, { version: tray.version });
  };
  return (
    <Box sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.5, py: 0.5, my: 1.2 }}>
      <Line kept={kept} />
      <Box sx={{ color: "var(--forbid)", my: 0.5 }}>{kept.refused}</Box>
      {mending ? (
        <MendForm
          kept={kept}
          onClose={() => setMending(false)}
          onMended={(body) => {
            setMending(false);
            act(mend(kept, { body, words: mended(kept.words) } as Partial<Kept>));
          }}
        />
      ) : (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          {kept.anothers && (
            <Button variant="outlined" onClick={() => act(adopt(kept))} sx={{ minHeight: 44 }}>
              Send it as this device
            </Button>
          )}
          {(kept.asked ?? []).length > 0 && (
            <Button variant="outlined" onClick={() => act(affirm(kept))} sx={{ minHeight: 44 }}>
              It was so: note it
            </Button>
          )}
          {kept.kind === "count" && kept.stale && (
            <Button variant="outlined" onClick={() => act(overNow())} sx={{ minHeight: 44 }}>
              Note it on the tray as it is now
            </Button>
          )}
          {!kept.anothers && (
            <Button variant="outlined" onClick={() => setMending(true)} sx={{ minHeight: 44 }}>
              Mend it
            </Button>
          )}
          {asking ? (
            <>
              <Button variant="contained" onClick={() => void discard(kept)} sx={{ minHeight: 44 }}>
                Throw it away for good
              </Button>
              <Button onClick={() => setAsking(false)} sx={{ minHeight: 44 }}>
                Keep it
              </Button>
            </>
          ) : (
            <Button onClick={() => setAsking(true)} sx={{ minHeight: 44 }}>
              Throw away
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}

/** ThisDevice is who this device is at the plot, and how it leaves. */
function ThisDevice({ waiting }: { waiting: number }) {
  const device = useThisDevice().data ?? me();
  const { send, sending, fault } = useSend();
  const [asking, setAsking] = useState(false);
  const leave = async () => {
    if (!(await send(() => answerOf(api.DELETE("/api/this-device"))))) return;
    await forgetAnswers();
    await forgetProgram();
    wasPutOut();
  };
  return (
    <Box component="section" aria-label="This device">
      <Typography variant="h2">This device</Typography>
      <Box>
        {device.name ? (
          <>
            Paired as <b>{device.name}</b>
            {device.person && `, ${device.person}'s`}.
          </>
        ) : (
          "Paired with the plot."
        )}{" "}
        It keeps the pages of outdoors and what they showed last, so that they open without a network.
      </Box>
      {asking ? (
        <Box sx={{ mt: 1 }}>
          {waiting > 0 && (
            <Alert severity="warning" variant="outlined" sx={{ mb: 1 }}>
              {entriesWords(waiting)} were not sent yet: they stay on this device, and are sent only when it
              is paired again.
            </Alert>
          )}
          <Button
            variant="contained"
            disabled={sending}
            onClick={() => void leave()}
            sx={{ minHeight: 48, mr: 1 }}
          >
            Put this device out
          </Button>
          <Button onClick={() => setAsking(false)}>Leave it in</Button>
        </Box>
      ) : (
        <Button onClick={() => setAsking(true)} sx={{ ml: -1 }}>
          Put this device out…
        </Button>
      )}
      {fault && <Alert severity="error">{fault}</Alert>}
    </Box>
  );
}
