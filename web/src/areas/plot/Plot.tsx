import { Box, Button, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";

import { usePlot } from "../../api/queries";
import { useActs } from "../../app/acts";
import { useShownDay } from "../../app/shownDay";
import { Trouble } from "../../parts/Trouble";
import { BedDialog } from "./BedDialog";
import { BedPanel } from "./BedPanel";
import { Plan, type Selection } from "./Plan";
import { PlantingDialog } from "./PlantingDialog";
import { PlantingPanel } from "./PlantingPanel";

type Editing = { what: "bed"; id?: number } | { what: "planting"; id?: number; bed?: number };

/** Plot is the scaled plan, and beside it what is chosen on it. */
export function Plot() {
  const { asked } = useShownDay();
  const query = usePlot(asked);
  const [params] = useSearchParams();
  const [selection, setSelection] = useState<Selection>(() => {
    const bed = Number(params.get("bed"));
    return bed ? { bed } : {};
  });
  const [editing, setEditing] = useState<Editing>();
  const { select } = useActs();
  useEffect(() => {
    select(selection.planting);
    return () => select(undefined);
  }, [selection.planting, select]);
  const plot = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!plot) return <Box sx={{ minHeight: 500 }} />;
  const bed = plot.beds.find((b) => b.id === selection.bed);
  const planted = plot.beds.flatMap((b) => b.plantings).find((p) => p.id === selection.planting);
  return (
    <>
      <Box
        sx={{ display: "flex", gap: 2.5, flexDirection: { xs: "column", md: "row" }, alignItems: "stretch" }}
      >
        <Plan plot={plot} selection={selection} onSelect={setSelection} />
        <Box
          component="aside"
          aria-label="Chosen on the plan"
          sx={{ width: { xs: "100%", md: 292 }, flex: "none" }}
        >
          {planted ? (
            <PlantingPanel
              planted={planted}
              onChange={() => setEditing({ what: "planting", id: planted.id })}
              onRemoved={() => setSelection({})}
              onBed={() => setSelection({ bed: planted.bedId })}
            />
          ) : bed ? (
            <BedPanel
              bed={bed}
              onSelect={setSelection}
              onChange={() => setEditing({ what: "bed", id: bed.id })}
              onPlant={() => setEditing({ what: "planting", bed: bed.id })}
              onRemoved={() => setSelection({})}
            />
          ) : (
            <Overview
              beds={plot.beds.map((b) => ({ id: b.id, name: b.name, n: b.plantings.length, area: b.area }))}
              onSelect={setSelection}
              onAdd={() => setEditing({ what: "bed" })}
            />
          )}
        </Box>
      </Box>
      {editing?.what === "bed" && (
        <BedDialog bed={plot.beds.find((b) => b.id === editing.id)} onClose={() => setEditing(undefined)} />
      )}
      {editing?.what === "planting" && (
        <PlantingDialog
          plantingId={editing.id}
          bedId={editing.bed}
          beds={plot.beds}
          onClose={() => setEditing(undefined)}
        />
      )}
    </>
  );
}

interface OverviewProps {
  beds: { id: number; name: string; n: number; area: string }[];
  onSelect: (selection: Selection) => void;
  onAdd: () => void;
}

function Overview({ beds, onSelect, onAdd }: OverviewProps) {
  return (
    <>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Plot
      </Typography>
      {beds.length === 0 && <p>No bed is laid out yet. Measure one, and say where it lies.</p>}
      {beds.map((bed) => (
        <Box
          key={bed.id}
          component="button"
          onClick={() => onSelect({ bed: bed.id })}
          sx={{
            all: "unset",
            boxSizing: "border-box",
            cursor: "pointer",
            display: "flex",
            width: "100%",
            py: 0.8,
            borderBottom: "1px dotted var(--rule)",
            "&:focus-visible": { outline: "3px solid var(--straw)" },
          }}
        >
          <Box sx={{ flex: 1 }}>{bed.name}</Box>
          <Box sx={{ color: "text.secondary" }}>
            {bed.n} {bed.n === 1 ? "planting" : "plantings"} · {bed.area}
          </Box>
        </Box>
      ))}
      <Button variant="contained" onClick={onAdd} sx={{ mt: 2 }}>
        Lay out a bed
      </Button>
    </>
  );
}
