import { Alert, Box, Button, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { useHousehold } from "../../api/queries";
import { DayField } from "../../parts/DayField";
import { useUndo } from "../../parts/Undo";
import { ChangedMeanwhile, readings, useOpened } from "../../parts/ChangedMeanwhile";
import { useSend } from "../../parts/useSend";

/** Household is who lives here and what cautions are for: they are named wherever something is picked. */
export function Household() {
  const household = useHousehold().data;
  const { noted } = useUndo();
  const { send } = useSend();
  const [changing, setChanging] = useState<number>();
  if (!household) return null;
  return (
    <Box component="section" aria-label="Household" sx={{ mt: 4 }}>
      <Box sx={{ display: "flex", alignItems: "baseline" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Household
        </Typography>
        <Button size="small" onClick={() => setChanging(0)}>
          Add someone
        </Button>
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
        Cautions name whom they are for, at the picking, the making and on the label. It stays on this
        machine.
      </Box>
      {household.people.map((person) => (
        <Box
          key={person.id}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            py: 0.4,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ flex: 1 }}>
            <b>{person.name}</b>
            {person.words && <span style={{ color: "var(--softInk)" }}> · {person.words}</span>}
          </Box>
          <Button size="small" onClick={() => setChanging(person.id)} aria-label={`Change ${person.name}`}>
            Change
          </Button>
          <Button
            size="small"
            aria-label={`Take off ${person.name}`}
            onClick={() =>
              void send(async () =>
                noted(
                  await answerOf(api.DELETE("/api/people/{id}", { params: { path: { id: person.id } } })),
                ),
              )
            }
          >
            Take off
          </Button>
        </Box>
      ))}
      {changing !== undefined && (
        <PersonForm
          key={changing}
          person={household.people.find((p) => p.id === changing)}
          circumstances={household.circumstances}
          onClose={() => setChanging(undefined)}
        />
      )}
    </Box>
  );
}

interface FormProps {
  person?: Schemas["PersonView"];
  circumstances: Schemas["CircumstanceView"][];
  onClose: () => void;
}

const labels = { name: "Name", born: "Born", circumstances: "Circumstances" };

function PersonForm({ person: stands, circumstances, onClose }: FormProps) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale, settle, at } = useSend();
  const [person, rebase] = useOpened(stands);
  const [name, setName] = useState(person?.name ?? "");
  const [born, setBorn] = useState(person?.born ?? "");
  const [ticked, setTicked] = useState<string[]>(person?.circumstances ?? []);
  const asks = (ids: string[] = []) =>
    circumstances.filter((one) => ids.includes(one.id)).map((one) => one.ask);
  const save = async (version = person?.version ?? "") => {
    const body = { name, born, circumstances: ticked, note: person?.note ?? "" };
    const entry = await send(() =>
      answerOf(
        person
          ? api.PUT("/api/people/{id}", {
              params: { path: { id: person.id }, header: shownVersion(version) },
              body,
            })
          : api.POST("/api/people", { body }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <Box sx={{ border: "1px solid var(--rule)", background: "var(--card)", p: 2, mt: 1.5 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
        <TextField
          label="Name"
          value={name}
          onChange={(event) => setName(event.target.value)}
          {...at("name")}
        />
        <DayField
          label="Born"
          value={born}
          onChange={setBorn}
          {...at("born", "Cautions for children go by it")}
        />
      </Box>
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, mt: 1 }}
        role="group"
        aria-label="Circumstances"
      >
        {circumstances.map((c) => (
          <FormControlLabel
            key={c.id}
            control={
              <Checkbox
                size="small"
                checked={ticked.includes(c.id)}
                onChange={(_, on) => setTicked(on ? [...ticked, c.id] : ticked.filter((id) => id !== c.id))}
                sx={{ py: 0.3 }}
              />
            }
            label={c.ask}
            slotProps={{ typography: { sx: { fontSize: 14.5 } } }}
          />
        ))}
      </Box>
      <ChangedMeanwhile
        why={stale}
        rows={readings(
          labels,
          { ...stands, circumstances: asks(stands?.circumstances) },
          { name, born, circumstances: asks(ticked) },
        )}
        sending={sending}
        onTheirs={() => {
          rebase();
          setName(stands?.name ?? "");
          setBorn(stands?.born ?? "");
          setTicked(stands?.circumstances ?? []);
          settle();
        }}
        onMine={() => {
          rebase();
          void save(stands?.version);
        }}
      />
      {!stale && (fault || fields.circumstances) && (
        <Alert severity="error">{fault || fields.circumstances}</Alert>
      )}
      <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
        <Button variant="contained" disabled={sending} onClick={() => void save()}>
          {person ? "Change it" : "Add them"}
        </Button>
        <Button onClick={onClose}>Leave</Button>
      </Box>
    </Box>
  );
}
