import { Box, Button, Typography } from "@mui/material";

import { api, told, type Schemas } from "../../api/client";
import { useUndo } from "../../app/Undo";
import { Sprig } from "../../parts/Sprig";
import type { Selection } from "./Plan";

interface Props {
  bed: Schemas["BedView"];
  onSelect: (selection: Selection) => void;
  onChange: () => void;
  onPlant: () => void;
  onRemoved: () => void;
}

/** BedPanel is one bed: its conditions and what stands in it. */
export function BedPanel({ bed, onSelect, onChange, onPlant, onRemoved }: Props) {
  const { noted, say } = useUndo();
  const remove = async () => {
    try {
      noted(await told(api.DELETE("/api/beds/{id}", { params: { path: { id: bed.id } } })));
      onRemoved();
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  return (
    <>
      <Typography variant="h1">{bed.name}</Typography>
      <Box sx={{ color: "text.secondary" }}>
        {bed.width} by {bed.depth} · {bed.area} · {bed.words}
      </Box>
      {bed.unsafe && (
        <Box sx={{ color: "var(--forbid)", borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 1 }}>
          Nothing from here is for use: {bed.unsafe}
          {bed.unsafeWhy && `, ${bed.unsafeWhy}`}. It may grow.
        </Box>
      )}
      {bed.note && <p style={{ margin: "8px 0" }}>{bed.note}</p>}
      {bed.plantings.length === 0 && <p>Nothing stands here yet.</p>}
      {bed.plantings.map((p) => (
        <Box
          key={p.id}
          component="button"
          onClick={() => onSelect({ planting: p.id })}
          sx={{
            all: "unset",
            boxSizing: "border-box",
            cursor: "pointer",
            display: "flex",
            gap: 1,
            alignItems: "center",
            width: "100%",
            py: 0.5,
            borderBottom: "1px dotted var(--rule)",
            "&:focus-visible": { outline: "3px solid var(--straw)" },
          }}
        >
          <Sprig stage={p.stage} size={30} label="" />
          <Box sx={{ flex: 1 }}>{p.name}</Box>
          <Box sx={{ color: "text.secondary", fontSize: 14 }}>{p.stageWords}</Box>
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1, mt: 2, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={onPlant}>
          Set a planting
        </Button>
        <Button variant="outlined" onClick={onChange}>
          Change
        </Button>
        <Button color="inherit" onClick={() => void remove()}>
          Remove
        </Button>
      </Box>
    </>
  );
}
