import { Box, Button, Typography } from "@mui/material";

import { Link } from "react-router";

import { useSpecies } from "../../../api/queries";
import { LineButton } from "../../../parts/LineButton";
import { SpeciesField } from "../../../parts/SpeciesField";
import { planKeys } from "../drawing/planKeys";
import type { Plot, Selection } from "../drawing/things";

interface Props {
  plot: Plot;
  editing: boolean;
  onSelect: (selection: Selection) => void;
  onAdd: () => void;
  onWhere: (speciesId: string) => void;
}

/** Overview lists what is on the plan, and asks where a plant should go. */
export function Overview({ plot, editing, onSelect, onAdd, onWhere }: Props) {
  const species = useSpecies().data ?? [];
  return (
    <>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Plot
      </Typography>
      {plot.beds.length === 0 && (
        <p>No bed is laid out yet. Its size is enough to begin; it can be drawn as it lies.</p>
      )}
      {plot.beds.length > 0 && (
        <Box sx={{ mb: 2 }}>
          <SpeciesField
            species={species}
            label="Where should this plant go?"
            value=""
            onChange={(id) => {
              if (id) onWhere(id);
            }}
          />
        </Box>
      )}
      {plot.beds.map((bed) => (
        <Line
          key={bed.id}
          name={bed.name}
          about={`${bed.plantings.length} ${bed.plantings.length === 1 ? "planting" : "plantings"} · ${bed.area}`}
          onClick={() => onSelect({ things: [{ what: "bed", id: bed.id }] })}
        />
      ))}
      <Button variant="contained" onClick={onAdd} sx={{ mt: 2 }}>
        Lay out a bed
      </Button>
      {plot.beds.length > 0 && (
        <Button component={Link} to="/begin" sx={{ mt: 2, ml: 1 }}>
          Set many plants
        </Button>
      )}
      {plot.items.length > 0 && (
        <Typography variant="h3" component="h2" sx={{ mt: 2.5, mb: 0.5 }}>
          About the beds
        </Typography>
      )}
      {plot.items.map((item) => (
        <Line
          key={item.id}
          name={item.name || item.kind}
          about={item.name ? item.kind : ""}
          onClick={() => onSelect({ things: [{ what: "item", id: item.id }] })}
        />
      ))}
      {editing && (
        <>
          <Typography variant="h3" component="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            Keys of the plan
          </Typography>
          {planKeys.map(([key, what]) => (
            <Box key={key} sx={{ display: "flex", gap: 1, fontSize: 14, py: 0.3 }}>
              <Box sx={{ width: 92, flex: "none", color: "var(--bramble)", fontWeight: 700 }}>{key}</Box>
              <Box>{what}</Box>
            </Box>
          ))}
        </>
      )}
    </>
  );
}

function Line({ name, about, onClick }: { name: string; about: string; onClick: () => void }) {
  return (
    <LineButton onClick={onClick} ruled>
      <Box sx={{ display: "flex", py: 0.6 }}>
        <Box sx={{ flex: 1 }}>{name}</Box>
        <Box sx={{ color: "text.secondary" }}>{about}</Box>
      </Box>
    </LineButton>
  );
}
