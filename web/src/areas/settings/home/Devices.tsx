import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answerOf, api, type Schemas } from "../../../api/client";
import { dayMonth } from "../../../parts/dates";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { sharingKey } from "../queries";

type Device = Schemas["DeviceView"];

/** Devices are those that were let in: whose they are, when they were last seen, and how they are put out. */
export function Devices({ sharing }: { sharing: Schemas["SharingView"] }) {
  const [changing, setChanging] = useState<string>();
  if (!sharing.shared && sharing.devices.length === 0) return null;
  return (
    <Box component="section" aria-label="Devices" sx={{ mt: 4 }}>
      <Typography variant="h2">Devices that were let in</Typography>
      {sharing.devices.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>None yet. Make a code, and open the address on a phone.</Box>
      )}
      {sharing.devices.map((device) =>
        changing === device.id ? (
          <DeviceForm key={device.id} device={device} onClose={() => setChanging(undefined)} />
        ) : (
          <DeviceLine key={device.id} device={device} onChange={() => setChanging(device.id)} />
        ),
      )}
    </Box>
  );
}

/** seen says when a device was last there. */
function seen(moment: string): string {
  const at = new Date(moment);
  const two = (n: number) => String(n).padStart(2, "0");
  const minutes = Math.round((Date.now() - at.getTime()) / 60_000);
  if (minutes < 6) return "here just now";
  const hour = `${two(at.getHours())}:${two(at.getMinutes())}`;
  if (at.toDateString() === new Date().toDateString()) return `last seen at ${hour}`;
  return `last seen ${dayMonth(`${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`)}, ${hour}`;
}

function useSharingSend() {
  const client = useQueryClient();
  const form = useSend();
  const send = async (change: () => Promise<Schemas["SharingView"]>) => {
    const sharing = await form.send(change);
    if (sharing) client.setQueryData(sharingKey, sharing);
    return sharing !== undefined;
  };
  return { ...form, send };
}

function DeviceLine({ device, onChange }: { device: Device; onChange: () => void }) {
  const { send, sending, fault } = useSharingSend();
  const { say } = useUndo();
  const [asking, setAsking] = useState(false);
  const putOut = async () => {
    const done = await send(() =>
      answerOf(api.DELETE("/api/sharing/devices/{id}", { params: { path: { id: device.id } } })),
    );
    if (done) say(`${device.name} was put out. What it had kept of the plot ends when it next asks.`);
  };
  return (
    <Box sx={{ borderBottom: "1px dotted var(--rule)", py: 0.8 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <Box sx={{ flex: "1 1 220px", minWidth: 0, overflowWrap: "anywhere" }}>
          <b>{device.name}</b>
          {device.person && ` · ${device.person}`}
          <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
            {seen(device.seen)}, from {device.from}
          </Box>
        </Box>
        <Button size="small" onClick={onChange} aria-label={`Change ${device.name}`}>
          Change
        </Button>
        {asking ? (
          <>
            <Button variant="contained" disabled={sending} onClick={() => void putOut()}>
              Put it out
            </Button>
            <Button onClick={() => setAsking(false)}>Leave it in</Button>
          </>
        ) : (
          <Button size="small" onClick={() => setAsking(true)} aria-label={`Put ${device.name} out`}>
            Put out
          </Button>
        )}
      </Box>
      {asking && (
        <Box sx={{ fontSize: 14.5 }}>
          It is let in no more, at once. What it noted and could not send yet stays on it, and is sent only
          when it is paired again.
        </Box>
      )}
      {fault && <Alert severity="error">{fault}</Alert>}
    </Box>
  );
}

function DeviceForm({ device, onClose }: { device: Device; onClose: () => void }) {
  const { send, sending, fault, at } = useSharingSend();
  const [name, setName] = useState(device.name);
  const [person, setPerson] = useState(device.person);
  const keep = async () => {
    const done = await send(() =>
      answerOf(
        api.PUT("/api/sharing/devices/{id}", {
          params: { path: { id: device.id } },
          body: { device: name, person },
        }),
      ),
    );
    if (done) onClose();
  };
  return (
    <Box sx={{ border: "1px solid var(--rule)", background: "var(--card)", p: 1.5, my: 1 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1.5 }}>
        <TextField
          autoFocus
          label="What it is called"
          value={name}
          onChange={(event) => setName(event.target.value)}
          {...at("device")}
        />
        <TextField
          label="Whose it is"
          value={person}
          onChange={(event) => setPerson(event.target.value)}
          {...at("person", "Holds for what is noted from now on")}
        />
      </Box>
      {fault && <Alert severity="error">{fault}</Alert>}
      <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
        <Button variant="contained" disabled={sending} onClick={() => void keep()}>
          Change it
        </Button>
        <Button onClick={onClose}>Leave</Button>
      </Box>
    </Box>
  );
}
