import { Alert, Box, Button, Typography } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answerOf, api, type Schemas } from "../../../api/client";
import { useSend } from "../../../parts/useSend";
import { sharingKey } from "../queries";
import { Square } from "./Square";

/** Feed is the calendar's secret address, that a calendar program asks by itself. */
export function Feed({ sharing }: { sharing: Schemas["SharingView"] }) {
  const client = useQueryClient();
  const { send, sending, fault } = useSend();
  const [asking, setAsking] = useState(false);
  const act = async (change: () => Promise<Schemas["SharingView"]>) => {
    const now = await send(change);
    if (!now) return;
    client.setQueryData(sharingKey, now);
    setAsking(false);
  };
  const renew = () => act(() => answerOf(api.POST("/api/sharing/feed")));
  const end = () => act(() => answerOf(api.DELETE("/api/sharing/feed")));
  const toPhone = sharing.feed.find((one) => one.address.startsWith("https:"));
  return (
    <Box component="section" aria-label="Calendar" sx={{ mt: sharing.shared ? 4 : 0 }}>
      <Typography variant="h2">In a calendar program</Typography>
      {sharing.feed.length === 0 ? (
        <>
          <p>
            A calendar program can subscribe to the windows and jobs, and asks for them anew by itself. The
            address is a secret: whoever has it reads the calendar, and nothing else.
          </p>
          <Button variant="outlined" disabled={sending} onClick={() => void renew()}>
            Give the calendar an address
          </Button>
        </>
      ) : (
        <>
          <Box sx={{ color: "text.secondary", fontSize: 15, mb: 1 }}>
            Whoever has an address reads the calendar, and nothing else.
          </Box>
          <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
            {toPhone && (
              <Square rows={toPhone.square} label="The calendar's address for a phone" size={132} />
            )}
            <Box sx={{ flex: "1 1 240px", minWidth: 0 }}>
              {sharing.feed.map((one) => (
                <Box key={one.address} sx={{ mb: 1 }}>
                  <Box sx={{ fontSize: 14, color: "text.secondary" }}>
                    {one.address.startsWith("https:") ? "On a phone of the house" : "On this machine"}
                  </Box>
                  <Box component="code" sx={{ fontSize: 13.5, overflowWrap: "anywhere" }}>
                    {one.address}
                  </Box>
                </Box>
              ))}
            </Box>
          </Box>
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
            {asking ? (
              <>
                <Button variant="contained" disabled={sending} onClick={() => void renew()}>
                  Renew it: the old one ends
                </Button>
                <Button disabled={sending} onClick={() => void end()}>
                  End the feed
                </Button>
                <Button onClick={() => setAsking(false)}>Leave it</Button>
              </>
            ) : (
              <Button variant="outlined" onClick={() => setAsking(true)}>
                Renew or end it
              </Button>
            )}
          </Box>
        </>
      )}
      {fault && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault}
        </Alert>
      )}
    </Box>
  );
}
