import { Box, MenuItem, TextField } from "@mui/material";
import { useState } from "react";

import { useWhat } from "../../api/queries";
import { Trouble } from "../../parts/Trouble";
import { PlantHere, SuitAnswer } from "./SuitAnswer";

/** WhatTab answers what would suit a bed, by use and by spread. */
export function WhatTab({ bedId, onPlant }: { bedId: number; onPlant: (speciesId: string) => void }) {
  const [use, setUse] = useState("");
  const [spread, setSpread] = useState("");
  const query = useWhat(bedId, use, spread);
  const what = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!what) return <Box sx={{ minHeight: 300 }} />;
  const select = (label: string, value: string, onValue: (to: string) => void, words: string[]) => (
    <TextField
      select
      label={label}
      value={value}
      onChange={(e) => onValue(e.target.value)}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <MenuItem value="">any</MenuItem>
      {words.map((word) => (
        <MenuItem key={word} value={word}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, mt: 1 }}>
        {select("Grown for", use, setUse, what.uses)}
        {select("That", spread, setSpread, what.spreads)}
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 0.7 }}>{what.room}.</Box>
      {what.species.length === 0 && <p>No plant of the library is grown for that and spreads so.</p>}
      {what.species.map((suit) => (
        <SuitAnswer
          key={suit.speciesId}
          suit={suit}
          title={suit.name}
          act={<PlantHere onPlant={() => onPlant(suit.speciesId)} />}
        />
      ))}
    </>
  );
}
