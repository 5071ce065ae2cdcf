import { Box, Button, TextField } from "@mui/material";
import { useState } from "react";

import type { Kept, Kind } from "../../api/outbox";
import { DayField } from "../../parts/DayField";

/** What of an entry can be typed anew, each with what it is called. */
const mendable: Record<Kind, readonly (readonly [field: string, label: string])[]> = {
  look: [
    ["stage", "Stage"],
    ["share", "How many of them"],
    ["height", "Height"],
    ["width", "Width"],
    ["count", "How many plants stand"],
    ["note", "Note"],
  ],
  picking: [
    ["amount", "How much"],
    ["measureWeighs", "What one of the measure weighs"],
    ["note", "Note"],
  ],
  sorting: [
    ["by", "Who sorted it"],
    ["rejected", "What was rejected"],
    ["note", "Note"],
  ],
  count: [],
  check: [
    ["by", "Who looked"],
    ["note", "Note"],
  ],
  findCheck: [
    ["by", "Who looked"],
    ["note", "Note"],
  ],
};

interface Props {
  kept: Kept;
  onClose: () => void;
  onMended: (body: Kept["body"]) => void;
}

/** MendForm types anew what was wrong in an entry. */
export function MendForm({ kept, onClose, onMended }: Props) {
  const [typed, setTyped] = useState({ ...kept.body } as Record<string, unknown>);
  const text = (field: string) => (typeof typed[field] === "string" ? typed[field] : "");
  const change = (field: string, value: string) => setTyped({ ...typed, [field]: value });
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        onMended(typed as Kept["body"]);
      }}
      sx={{ background: "var(--card)", border: "1px solid var(--rule)", p: 1.5, my: 1 }}
    >
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1.5 }}>
        <DayField label="Day" value={text("day")} onChange={(day) => change("day", day)} />
        {mendable[kept.kind].map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            value={text(field)}
            onChange={(event) => change(field, event.target.value)}
          />
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1, mt: 1.5 }}>
        <Button type="submit" variant="contained" sx={{ minHeight: 44 }}>
          Send it again
        </Button>
        <Button onClick={onClose} sx={{ minHeight: 44 }}>
          Leave
        </Button>
      </Box>
    </Box>
  );
}
