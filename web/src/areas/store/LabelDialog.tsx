import {
  Box,
  Button,
  Checkbox,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  TextField,
} from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../../api/client";
import { Dialog } from "../../parts/Dialog";
import { SelectField } from "../../parts/SelectField";

interface Asked {
  jars?: string;
  lots?: string;
  size: string;
  each?: string;
  skip?: string;
  gift?: boolean;
}

/** labelsOf is where labels are printed from. */
export function labelsOf({ jars = "", lots = "", size, each = "", skip = "", gift = false }: Asked) {
  const query = new URLSearchParams({ size });
  if (jars) query.set("jars", jars);
  if (lots) query.set("lots", lots);
  if (each) query.set("each", each);
  if (skip) query.set("skip", skip);
  if (gift) query.set("gift", "true");
  return `/api/files/jar-labels?${query.toString()}`;
}

/** LabelDialog prints labels of jars on sheets. */
export function LabelDialog({ store, onClose }: { store: Schemas["StoreView"]; onClose: () => void }) {
  const jars = store.shelves.flatMap((one) => one.jars).filter((jar) => jar.held === "");
  const [chosen, setChosen] = useState<number[]>([]);
  const [size, setSize] = useState("large");
  const [each, setEach] = useState("1");
  const [skip, setSkip] = useState("");
  const [gift, setGift] = useState(false);
  const toggle = (id: number) =>
    setChosen((before) => (before.includes(id) ? before.filter((one) => one !== id) : [...before, id]));
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Labels for jars</DialogTitle>
      <DialogContent>
        <Box
          role="group"
          aria-label="Of which jars"
          sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" } }}
        >
          {jars.map((jar) => (
            <FormControlLabel
              key={jar.id}
              control={<Checkbox checked={chosen.includes(jar.id)} onChange={() => toggle(jar.id)} />}
              label={`${jar.name}, ${jar.amount}`}
            />
          ))}
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: { sm: "2fr 1fr 1fr" }, gap: 1.5, mt: 1.5 }}>
          <SelectField
            label="Sheet"
            value={size}
            onChange={setSize}
            options={store.sizes.map((one): [string, string] => [one.id, one.words])}
          />
          <TextField label="Of each" value={each} onChange={(event) => setEach(event.target.value)} />
          <TextField
            label="Used already"
            value={skip}
            onChange={(event) => setSkip(event.target.value)}
            helperText="On the first sheet"
          />
        </Box>
        <FormControlLabel
          control={<Checkbox checked={gift} onChange={(_, on) => setGift(on)} />}
          label="A gift: says everything for someone who does not know this house"
        />
        <Box sx={{ display: "flex", gap: 1, mt: 1.5 }}>
          <Button
            variant="contained"
            component="a"
            target="_blank"
            disabled={chosen.length === 0}
            href={labelsOf({ jars: chosen.join(","), size, each, skip, gift })}
          >
            Print them
          </Button>
          <Button onClick={onClose}>Leave</Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}
