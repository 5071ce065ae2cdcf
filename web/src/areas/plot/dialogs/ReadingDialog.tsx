import {
  Box,
  Checkbox,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  MenuItem,
  TextField,
} from "@mui/material";
import { useState } from "react";

import { DialogEnd, Fault } from "../../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../../api/client";
import { useSite } from "../../../api/queries";
import { typedNumber } from "../../../parts/numbers";
import { useSend } from "../../../parts/useSend";
import { DayField } from "../../../parts/DayField";
import { Dialog } from "../../../parts/Dialog";

interface Props {
  ground: Schemas["GroundView"];
  onSaved: (entry: Schemas["Entry"]) => void;
  onClose: () => void;
}

type Field = "sandMm" | "siltMm" | "clayMm" | "ribbonMm" | "fallMm" | "minutes" | "ph" | "worms" | "depthCm";

interface Test {
  kind: string;
  name: string;
  how: string;
  fields: [Field, string][];
}

const tests: Test[] = [
  {
    kind: "jar",
    name: "Jar: sand, silt and clay",
    how: "Shake a third of a jar of soil with water and a drop of soap. Sand has settled after a minute, silt after some hours, clay after two days. Measure each layer.",
    fields: [
      ["sandMm", "Sand, mm"],
      ["siltMm", "Silt, mm"],
      ["clayMm", "Clay, mm"],
    ],
  },
  {
    kind: "ribbon",
    name: "Ribbon between the fingers",
    how: "Press moist soil out between thumb and finger until the ribbon breaks. Then wet a pinch in the palm and rub it.",
    fields: [["ribbonMm", "The ribbon broke at, mm"]],
  },
  {
    kind: "infiltration",
    name: "How fast water goes in",
    how: "Press a tin without ends into wetted ground, fill it, and measure how far the water falls.",
    fields: [
      ["fallMm", "Fall of the water, mm"],
      ["minutes", "In minutes"],
    ],
  },
  {
    kind: "ph strip",
    name: "pH with a strip",
    how: "Soil in distilled water, strip in after half an hour.",
    fields: [["ph", "pH"]],
  },
  { kind: "ph meter", name: "pH with a meter", how: "Meter calibrated, soil moist.", fields: [["ph", "pH"]] },
  {
    kind: "worms",
    name: "Count of earthworms",
    how: "Lift a cube of 20 cm with the spade, in a mild, moist week, and count.",
    fields: [["worms", "Worms"]],
  },
  {
    kind: "depth",
    name: "Depth of soil",
    how: "Push a rod or dig until rock, rubble or hard pan stops you.",
    fields: [["depthCm", "Depth, cm"]],
  },
];

/** ReadingDialog notes a sign that was seen or a test that was made. */
export function ReadingDialog({ ground, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, at } = useSend();
  const [kind, setKind] = useState("sign");
  const [sign, setSign] = useState("");
  const [values, setValues] = useState<Partial<Record<Field, string>>>({});
  const [feel, setFeel] = useState("neither");
  const [noBall, setNoBall] = useState(false);
  const [day, setDay] = useState<string>();
  const [note, setNote] = useState("");
  if (!site) return null;
  const test = tests.find((t) => t.kind === kind);
  const chosen = ground.signs.find((s) => s.id === sign);
  const save = async () => {
    const numbers = Object.fromEntries(
      (test?.fields ?? []).map(([field]) => {
        const value = typedNumber(values[field] ?? "");
        return [field, Number.isNaN(value) ? undefined : value];
      }),
    );
    const entry = await send(() =>
      answerOf(
        api.POST("/api/beds/{id}/readings", {
          params: { path: { id: ground.bedId } },
          body: {
            day: day ?? site.today,
            kind,
            note,
            ...(kind === "sign" && { sign }),
            ...(kind === "ribbon" && { feel, noBall }),
            ...numbers,
          },
        }),
      ),
    );
    if (!entry) return;
    onSaved(entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{ground.name}: what does the ground say?</DialogTitle>
      <DialogContent>
        <TextField
          select
          label="Read"
          value={kind}
          onChange={(e) => setKind(e.target.value)}
          sx={{ my: 1 }}
          {...at("kind")}
        >
          <MenuItem value="sign">a sign that I see</MenuItem>
          {tests.map((t) => (
            <MenuItem key={t.kind} value={t.kind}>
              {t.name}
            </MenuItem>
          ))}
        </TextField>
        {kind === "sign" && (
          <>
            <TextField
              select
              label="Sign"
              value={sign}
              onChange={(e) => setSign(e.target.value)}
              sx={{ my: 1 }}
              {...at("sign")}
            >
              {ground.signs.map((s) => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
            </TextField>
            {chosen && (
              <Box sx={{ borderLeft: "5px solid var(--rule)", pl: 1.2, mb: 1 }}>
                {chosen.look}
                <Box sx={{ color: "text.secondary", fontSize: 14 }}>Tells of {chosen.tells.join(", ")}.</Box>
              </Box>
            )}
          </>
        )}
        {test && (
          <>
            <Box sx={{ borderLeft: "5px solid var(--rule)", pl: 1.2, mb: 1 }}>{test.how}</Box>
            <Box
              sx={{
                display: "grid",
                gridTemplateColumns: `repeat(${test.fields.length}, 1fr)`,
                gap: 1,
                my: 1,
              }}
            >
              {test.fields.map(([field, label]) => (
                <TextField
                  key={field}
                  label={label}
                  value={values[field] ?? ""}
                  onChange={(e) => setValues({ ...values, [field]: e.target.value })}
                  {...at(field)}
                />
              ))}
            </Box>
          </>
        )}
        {kind === "ribbon" && (
          <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
            <TextField
              select
              label="It feels"
              value={feel}
              onChange={(e) => setFeel(e.target.value)}
              sx={{ width: 200 }}
              {...at("feel")}
            >
              {["gritty", "smooth", "neither"].map((word) => (
                <MenuItem key={word} value={word}>
                  {word}
                </MenuItem>
              ))}
            </TextField>
            <FormControlLabel
              control={<Checkbox checked={noBall} onChange={(_, on) => setNoBall(on)} />}
              label="It makes no ball at all"
            />
          </Box>
        )}
        <DayField label="Day" value={day ?? site.today} onChange={setDay} last={site.today} {...at("day")} />
        <TextField
          label="Note"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          sx={{ my: 1 }}
          {...at("note")}
        />
        <Fault words={fault} />
      </DialogContent>
      <DialogEnd onClose={onClose} act="Note it" onAct={() => void save()} disabled={sending} />
    </Dialog>
  );
}
