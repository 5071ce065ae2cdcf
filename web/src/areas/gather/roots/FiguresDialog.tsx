import { Button, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../../../api/client";
import { Dialog } from "../../../parts/Dialog";
import { typedNumber } from "../../../parts/numbers";
import type { RootAsk } from "./queries";

interface Props {
  root: Schemas["RootView"];
  onTry: (figures: RootAsk) => void;
  onClose: () => void;
}

const percent = (share: number) => String(Math.round(share * 100));

/** FiguresDialog takes what the household saw of a stand: it is reckoned with at once, and kept when the take is settled. */
export function FiguresDialog({ root, onTry, onClose }: Props) {
  const [survival, setSurvival] = useState(percent(root.survival));
  const [offspring, setOffspring] = useState(String(Math.round(root.offspring * 100)));
  const [crowns, setCrowns] = useState(percent(root.crowns));
  const fields = [
    ["Of 100 plants, alive a year on", survival, setSurvival, 100],
    ["Young ones a year beside 100 of age", offspring, setOffspring, 10_000],
    [
      root.school === "part" ? "Of 100 broken and put back, grow on" : "Of 100 crowns put back, grow on",
      crowns,
      setCrowns,
      100,
    ],
  ] as const;
  const wrong = fields.map(([, text, , most]) => {
    const n = typedNumber(text);
    return !(n >= 0 && n <= most);
  });
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>What you saw of it</DialogTitle>
      <DialogContent>
        {fields.map(([label, text, set, most], i) => (
          <TextField
            key={label}
            label={label}
            value={text}
            onChange={(event) => set(event.target.value)}
            error={wrong[i]}
            helperText={wrong[i] ? `A number from 0 to ${most}` : " "}
            sx={{ mt: 1 }}
          />
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button
          variant="contained"
          disabled={wrong.includes(true)}
          onClick={() => {
            onTry({
              survival: typedNumber(survival) / 100,
              offspring: typedNumber(offspring) / 100,
              crowns: typedNumber(crowns) / 100,
              take: undefined,
            });
            onClose();
          }}
        >
          Reckon with it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
