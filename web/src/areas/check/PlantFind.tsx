import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useNavigate } from "react-router";

import { api, answerOf } from "../../api/client";
import { usePlot } from "../../api/queries";
import { useKept } from "../../parts/shownDay";
import { useUndo } from "../../parts/Undo";
import { AskBack } from "../../parts/AskBack";
import { SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";

/** PlantFind makes a planting of a find: its looks go with it. */
export function PlantFind({ findId }: { findId: number }) {
  const beds = usePlot().data?.beds ?? [];
  const kept = useKept();
  const go = useNavigate();
  const { noted } = useUndo();
  const { send, sending, fault, asked, at } = useSend();
  const [bed, setBed] = useState("");
  const [plants, setPlants] = useState("1");
  const [year, setYear] = useState("");
  if (beds.length === 0) return null;
  const onSave = async (affirmed: string[] = []) => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/finds/{id}/planting", {
          params: { path: { id: findId } },
          body: {
            bedId: Number(bed),
            plants: Math.trunc(Number(plants)) || 0,
            year: Math.trunc(Number(year)) || 0,
            affirmed,
          },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    await go(kept("/plot"));
  };
  return (
    <Box component="section" aria-label="Set it as a planting" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Set it as a planting
      </Typography>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
        It stands in a bed, or goes into one. Every look goes with it; what is still owed stays owed.
      </Box>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-start" }}>
        <SelectField
          label="Bed"
          value={bed}
          onChange={setBed}
          options={[["", "choose"], ...beds.map((b) => [String(b.id), b.name] as const)]}
          width={210}
          {...at("bedId")}
        />
        <TextField
          label="Plants"
          type="number"
          value={plants}
          onChange={(event) => setPlants(event.target.value)}
          sx={{ width: 120 }}
          {...at("plants")}
        />
        <TextField
          label="Year of its life"
          type="number"
          placeholder="not known"
          value={year}
          onChange={(event) => setYear(event.target.value)}
          sx={{ width: 160 }}
          {...at("year", "1 for a seedling")}
        />
        <Button variant="outlined" disabled={sending} onClick={() => void onSave()}>
          Set it
        </Button>
      </Box>
      <AskBack
        asked={asked}
        sending={sending}
        yes="It is so: set it"
        onYes={(affirmed) => void onSave(affirmed)}
      />
      {fault && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault}
        </Alert>
      )}
    </Box>
  );
}
