import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useEffect, useState } from "react";

import { answerOf, api, type Schemas } from "../../../api/client";
import { Choice, ChoiceRow } from "../../../parts/Choices";
import { useSend } from "../../../parts/useSend";
import { Square } from "./Square";

interface Props {
  sharing: Schemas["SharingView"];
  onWatch: (watching: boolean) => void;
}

/** Invite makes a code that lets one device in, and shows where it is typed. */
export function Invite({ sharing, onWatch }: Props) {
  const { send, sending, fault, at } = useSend();
  const [person, setPerson] = useState("");
  const [made, setMade] = useState<Schemas["CodeView"] & { devices: number }>();
  const left = useSecondsTo(made?.until);
  const isIn = made !== undefined && sharing.devices.length > made.devices;
  const shows = made !== undefined && left > 0 && !isIn;
  useEffect(() => onWatch(shows), [shows, onWatch]);
  const make = async () => {
    const code = await send(() => answerOf(api.POST("/api/sharing/codes", { body: { person } })));
    if (code) setMade({ ...code, devices: sharing.devices.length });
  };
  return (
    <Box component="section" aria-label="Let a device in">
      <Typography variant="h2">Let a device in</Typography>
      {shows ? (
        <>
          <Box sx={{ display: "flex", gap: 2.5, alignItems: "center", flexWrap: "wrap", mt: 1 }}>
            <Square rows={made.pair.square} label="Opens the pairing page on a phone" size={190} />
            <Box sx={{ flex: "1 1 220px", minWidth: 0 }}>
              <Box sx={{ color: "text.secondary" }}>
                Point the phone&rsquo;s camera at the square, or open
              </Box>
              <Box sx={{ fontWeight: 700, overflowWrap: "anywhere" }}>{sharing.addresses[0]}</Box>
              <Box sx={{ color: "text.secondary", mt: 1 }}>and type</Box>
              <Box
                sx={{ fontSize: 32, fontWeight: 700, letterSpacing: "0.08em", color: "var(--bramble)" }}
                data-code={made.code}
              >
                {made.code}
              </Box>
              <Box role="timer" sx={{ color: "text.secondary" }}>
                For one device{person && ` of ${person}`}, once · {Math.floor(left / 60)}:
                {String(left % 60).padStart(2, "0")} left
              </Box>
            </Box>
          </Box>
          <Button onClick={() => setMade(undefined)} sx={{ ml: -1 }}>
            Another code
          </Button>
        </>
      ) : (
        <>
          {isIn && (
            <Alert severity="success" variant="outlined" sx={{ my: 1 }}>
              A device came in.
            </Alert>
          )}
          {made && !isIn && left <= 0 && (
            <Alert severity="info" variant="outlined" sx={{ my: 1 }}>
              The code ran out, and lets nobody in any more.
            </Alert>
          )}
          <p>A code lets one device in, once, and dies in ten minutes.</p>
          {sharing.people.length > 0 && (
            <ChoiceRow label="Whose it will be" columns={Math.min(4, sharing.people.length)}>
              {sharing.people.map((one) => (
                <Choice
                  key={one}
                  chosen={person === one}
                  onChoose={() => setPerson(person === one ? "" : one)}
                >
                  {one}
                </Choice>
              ))}
            </ChoiceRow>
          )}
          <TextField
            label="Whose it will be"
            value={person}
            onChange={(event) => setPerson(event.target.value)}
            {...at("person", "What is noted with it carries this name")}
            sx={{ mt: 1.5 }}
          />
          <Button
            variant="contained"
            disabled={sending}
            onClick={() => void make()}
            sx={{ mt: 1.5, display: "block" }}
          >
            Make a code
          </Button>
          {fault && <Alert severity="error">{fault}</Alert>}
        </>
      )}
    </Box>
  );
}

/** useSecondsTo counts down to a moment. */
function useSecondsTo(moment?: string): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (moment === undefined) return;
    const tick = () => setNow(Date.now());
    const first = setTimeout(tick);
    const timer = setInterval(tick, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [moment]);
  return moment === undefined ? 0 : Math.max(0, Math.round((Date.parse(moment) - now) / 1000));
}
