import { Box } from "@mui/material";
import { useState } from "react";

import { useWhat } from "../../../api/queries";
import { SelectField, same, type Options } from "../../../parts/SelectField";
import { Trouble } from "../../../parts/Trouble";
import { PlantHere, SuitAnswer } from "./SuitAnswer";

const any = (words: string[]): Options => [["", "any"], ...same(words)];

/** WhatTab answers what would suit a bed, by use and by spread. */
export function WhatTab({ bedId, onPlant }: { bedId: number; onPlant: (speciesId: string) => void }) {
  const [use, setUse] = useState("");
  const [spread, setSpread] = useState("");
  const query = useWhat(bedId, use, spread);
  const what = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!what) return <Box sx={{ minHeight: 300 }} />;
  const everywhere = (what.species[0]?.forbids ?? []).filter((words) =>
    what.species.every((suit) => suit.forbids.includes(words)),
  );
  return (
    <>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, mt: 1 }}>
        <SelectField label="Grown for" value={use} onChange={setUse} options={any(what.uses)} />
        <SelectField label="That" value={spread} onChange={setSpread} options={any(what.spreads)} />
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 0.7 }}>{what.room}.</Box>
      {everywhere.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 0.7, fontSize: 14.5 }}>
          {words}
        </Box>
      ))}
      {what.species.length === 0 && <p>No plant of the library is grown for that and spreads so.</p>}
      {what.species.map((suit) => (
        <SuitAnswer
          key={suit.speciesId}
          suit={{ ...suit, forbids: suit.forbids.filter((words) => !everywhere.includes(words)) }}
          title={suit.name}
          act={<PlantHere onPlant={() => onPlant(suit.speciesId)} />}
        />
      ))}
    </>
  );
}
