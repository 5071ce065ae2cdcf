import { Box, Button, Tab, Tabs, Typography } from "@mui/material";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import { useUndo } from "../../../parts/Undo";
import { LineButton } from "../../../parts/LineButton";
import { Sprig } from "../../../parts/Sprig";
import { GroundTab } from "./GroundTab";
import { MatesTab } from "./MatesTab";
import { MoveForm } from "./SeveralPanel";
import { WhatIfTab } from "./WhatIfTab";
import { WhatTab } from "./WhatTab";
import type { Bed } from "../drawing/things";

interface Props {
  bed: Bed;
  editing: boolean;
  onPlanting: (id: number) => void;
  onChange: () => void;
  onPlant: (speciesId?: string) => void;
  onRemoved: () => void;
  onSaved: (entry: Schemas["Entry"]) => void;
}

const tabs = ["Bed", "Ground", "Suits", "Mates", "What if"] as const;

/** BedPanel is one bed: what stands in it, its ground, what would suit it, how its plants go together. */
export function BedPanel({ bed, editing, onPlanting, onChange, onPlant, onRemoved, onSaved }: Props) {
  const { say } = useUndo();
  const [tab, setTab] = useState(0);
  const remove = async () => {
    try {
      onSaved(await answerOf(api.DELETE("/api/beds/{id}", { params: { path: { id: bed.id } } })));
      onRemoved();
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  return (
    <>
      <Typography variant="h1">{bed.name}</Typography>
      <Box sx={{ color: "text.secondary" }}>
        {bed.size} · {bed.area} · {bed.words}
      </Box>
      <Tabs
        value={tab}
        onChange={(_, to: number) => setTab(to)}
        aria-label="About the bed"
        sx={{
          minHeight: 38,
          mb: 1,
          borderBottom: "1px solid var(--rule)",
          "& .MuiTab-root": { minHeight: 38, minWidth: 0, px: 1.1, py: 0.5, fontSize: 15 },
        }}
      >
        {tabs.map((name) => (
          <Tab key={name} label={name} />
        ))}
      </Tabs>
      {tab === 0 && (
        <>
          {bed.unsafe && (
            <Box sx={{ color: "var(--forbid)", borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 1 }}>
              Nothing from here is for use: {bed.unsafe}
              {bed.unsafeWhy && `, ${bed.unsafeWhy}`}. It may grow.
            </Box>
          )}
          {bed.note && <p style={{ margin: "8px 0" }}>{bed.note}</p>}
          {bed.plantings.length === 0 && <p>Nothing stands here yet.</p>}
          {bed.plantings.map((p) => (
            <LineButton key={p.id} onClick={() => onPlanting(p.id)} ruled>
              <Box sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.5 }}>
                <Sprig species={p.speciesId} stage={p.stage} size={30} label="" />
                <Box sx={{ flex: 1, minWidth: 0 }}>
                  {p.name}
                  {p.fitWhy && <Box sx={{ color: "var(--clay)", fontSize: 13.5 }}>{p.fitWhy}</Box>}
                </Box>
                <Box sx={{ color: "text.secondary", fontSize: 14 }}>{p.stageWords}</Box>
              </Box>
            </LineButton>
          ))}
          <Box sx={{ display: "flex", gap: 1, mt: 2, flexWrap: "wrap" }}>
            <Button variant="contained" onClick={() => onPlant()}>
              Set a planting
            </Button>
            <Button variant="outlined" onClick={onChange}>
              Change
            </Button>
            <Button color="inherit" onClick={() => void remove()}>
              Remove
            </Button>
          </Box>
          {editing && (
            <MoveForm things={[{ what: "bed", id: bed.id, version: bed.version }]} onSaved={onSaved} />
          )}
        </>
      )}
      {tab === 1 && <GroundTab bedId={bed.id} onSaved={onSaved} />}
      {tab === 2 && <WhatTab bedId={bed.id} onPlant={onPlant} />}
      {tab === 3 && <MatesTab bedId={bed.id} onPlanting={onPlanting} />}
      {tab === 4 && <WhatIfTab bedId={bed.id} />}
    </>
  );
}
