import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import { typedNumber } from "../../../parts/numbers";
import { useSend } from "../../../parts/useSend";
import type { Thing } from "../drawing/things";

interface Props {
  names: string[];
  things: Thing[];
  onSaved: (entry: Schemas["Entry"]) => void;
  onRemove: () => void;
}

/** MoveForm moves, turns or copies what is chosen by typed numbers. */
export function MoveForm({ things, onSaved }: Pick<Props, "things" | "onSaved">) {
  const { send, sending, fault, at } = useSend();
  const [right, setRight] = useState("");
  const [down, setDown] = useState("");
  const [turn, setTurn] = useState("");
  const go = async (copy: boolean) => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/plan/arrange", {
          body: { things, right, down, turn: turn.trim() === "" ? 0 : typedNumber(turn), copy },
        }),
      ),
    );
    if (entry) onSaved(entry);
  };
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
        Move by numbers
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr 1fr", gap: 1 }}>
        <TextField label="Right" value={right} onChange={(e) => setRight(e.target.value)} {...at("right")} />
        <TextField label="Down" value={down} onChange={(e) => setDown(e.target.value)} {...at("down")} />
        <TextField label="Turn (°)" value={turn} onChange={(e) => setTurn(e.target.value)} {...at("turn")} />
      </Box>
      {fault && <Box sx={{ color: "error.main", fontSize: 14, mt: 0.5 }}>{fault}</Box>}
      <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
        <Button variant="outlined" disabled={sending} onClick={() => void go(false)}>
          Move it
        </Button>
        <Button color="inherit" disabled={sending} onClick={() => void go(true)}>
          Set a copy there
        </Button>
      </Box>
    </Box>
  );
}

/** SeveralPanel is what is chosen when it is more than one thing. */
export function SeveralPanel({ names, things, onSaved, onRemove }: Props) {
  return (
    <>
      <Typography variant="h1" sx={{ fontSize: "1.6rem" }}>
        {things.length} things
      </Typography>
      <Box sx={{ color: "text.secondary" }}>{names.join(", ")}</Box>
      <MoveForm things={things} onSaved={onSaved} />
      <Button color="inherit" onClick={onRemove} sx={{ mt: 2 }}>
        Take them off the plan
      </Button>
    </>
  );
}
