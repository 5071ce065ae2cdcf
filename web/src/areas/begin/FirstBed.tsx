import { Box, Button, TextField } from "@mui/material";
import { useState } from "react";

import { Fault } from "../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../api/client";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";

interface Props {
  beds: Schemas["BedView"][];
  us: boolean;
  onLaid: () => void;
}

/** freeName is a name that no bed has yet. */
function freeName(beds: Schemas["BedView"][]): string {
  let n = beds.length + 1;
  while (beds.some((bed) => bed.name === `Bed ${n}`)) n++;
  return `Bed ${n}`;
}

/** FirstBed lays a bed out by its size alone: it finds its place on the plan, and can be moved there. */
export function FirstBed({ beds, us, onLaid }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const [name, setName] = useState(() => freeName(beds));
  const [width, setWidth] = useState("");
  const [depth, setDepth] = useState("");
  const lay = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/beds", { body: { name, width, depth, moisture: "" } })),
    );
    if (!entry) return;
    noted(entry);
    onLaid();
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void lay();
      }}
    >
      <p>Its size is enough. It is laid where there is room on the plan; there it can be drawn as it lies.</p>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr 1fr auto" }, gap: 1.5 }}>
        <TextField
          label="Name of the bed"
          value={name}
          onChange={(event) => setName(event.target.value)}
          {...at("name")}
        />
        <TextField
          label="How wide"
          placeholder={us ? "12 ft" : "4 m"}
          value={width}
          onChange={(event) => setWidth(event.target.value)}
          {...at("width", "West to east")}
        />
        <TextField
          label="How deep"
          placeholder={us ? "4 ft" : "1.2 m"}
          value={depth}
          onChange={(event) => setDepth(event.target.value)}
          {...at("depth", "North to south")}
        />
        <Button type="submit" variant="contained" disabled={sending} sx={{ alignSelf: "start" }}>
          Lay it out
        </Button>
      </Box>
      <Fault words={fault} />
    </form>
  );
}
