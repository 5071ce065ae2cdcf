import { Box, Button, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { startTransition, useEffect, useState } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { usePlants } from "../../api/queries";
import { useKept, useShownDay } from "../../parts/shownDay";
import { same, SelectField, type Options } from "../../parts/SelectField";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";

const any = (words: readonly string[]): Options => [["", "any"], ...same(words)];
const mostCompared = 4;

/** Plants is the library: found by any name however spelt, narrowed, and compared side by side. */
export function Plants() {
  const { asked } = useShownDay();
  const kept = useKept();
  const [words, setWords] = useState("");
  const [use, setUse] = useState("");
  const [spread, setSpread] = useState("");
  const [stage, setStage] = useState("");
  const [bed, setBed] = useState("");
  const [beginner, setBeginner] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  // The rows of the first screen stand before the others are made.
  const [whole, setWhole] = useState(false);
  useEffect(() => startTransition(() => setWhole(true)), []);
  const query = usePlants({ words, use, spread, stage, beginner, bed: Number(bed) }, asked);
  const plants = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!plants) return <Box sx={{ minHeight: 500 }} />;
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id].slice(-mostCompared));
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap", mb: 1.5 }}>
        <Typography variant="h1">Plants</Typography>
        <Box sx={{ color: "text.secondary", flex: 1 }}>
          {plants.plants.length} of {plants.all}
        </Box>
        <Button variant="outlined" component={Link} to={kept("/what")}>
          What is this?
        </Button>
        <Button variant="outlined" component={Link} to={kept("/practice")}>
          Tell apart
        </Button>
        <Button component={Link} to={kept("/plants/own")}>
          Add a plant
        </Button>
        <Button
          variant="contained"
          component={Link}
          to={kept(`/plants/compare/${chosen.join(",")}`)}
          disabled={chosen.length < 2}
        >
          {chosen.length < 2 ? "Choose two to four to compare" : `Compare ${chosen.length}`}
        </Button>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr 1fr", md: "2fr 1fr 1fr 1fr 1fr auto" },
          gap: 1.2,
          alignItems: "center",
          mb: 1.5,
        }}
      >
        <TextField
          label="Any name, however it is spelt"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          sx={{ gridColumn: { xs: "1 / -1", md: "auto" } }}
        />
        <SelectField label="Grown for" value={use} onChange={setUse} options={any(plants.uses)} />
        <SelectField label="That" value={spread} onChange={setSpread} options={any(plants.spreads)} />
        <SelectField label="Usually now" value={stage} onChange={setStage} options={any(plants.stages)} />
        <SelectField
          label="Fit for the bed"
          value={bed}
          onChange={setBed}
          options={[["", "any"], ...plants.beds.map((b) => [String(b.id), b.name] as const)]}
        />
        <FormControlLabel
          control={<Checkbox checked={beginner} onChange={(_, on) => setBeginner(on)} />}
          label="Easy"
          sx={{ mr: 0 }}
        />
      </Box>
      {plants.plants.length === 0 && (
        <p>
          No plant of the library is like that. Leave a filter out, or try another of its names: those of
          other languages count, too.
        </p>
      )}
      {plants.plants.slice(0, whole ? undefined : firstRows).map((plant) => (
        <Row
          key={plant.id}
          plant={plant}
          chosen={chosen.includes(plant.id)}
          onChoose={() => toggle(plant.id)}
        />
      ))}
    </>
  );
}

const firstRows = 14;

interface RowProps {
  plant: Schemas["PlantBrief"];
  chosen: boolean;
  onChoose: () => void;
}

function Row({ plant, chosen, onChoose }: RowProps) {
  const kept = useKept();
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: {
          xs: "44px minmax(0, 1fr) 44px",
          md: "48px minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 1fr) 44px",
        },
        columnGap: 1.5,
        alignItems: "center",
        borderTop: "1px solid var(--rule)",
        py: 0.6,
      }}
    >
      <Sprig species={plant.id} stage={plant.stage} size={46} label={`usually ${plant.stage}`} />
      <Box sx={{ minWidth: 0 }}>
        <Box
          component={Link}
          to={kept(`/plants/${plant.id}`)}
          sx={{
            color: "inherit",
            fontWeight: 700,
            textDecoration: "none",
            "&:hover": { textDecoration: "underline" },
          }}
        >
          {plant.name}
        </Box>{" "}
        <i style={{ color: "var(--softInk)" }}>{plant.botanical}</i>
        {plant.found && <Box sx={{ fontSize: 14 }}>found as “{plant.found}”</Box>}
        {plant.warning && (
          <Box sx={{ fontSize: 14, fontWeight: 700, color: "var(--forbid)" }}>{plant.warning}</Box>
        )}
        {plant.deadly && <Box sx={{ fontSize: 14, color: "var(--forbid)" }}>mistaken for {plant.deadly}</Box>}
      </Box>
      <Box sx={{ fontSize: 14.5, gridColumn: { xs: "2", md: "auto" } }}>
        {plant.life}
        <Box sx={{ color: "text.secondary" }}>
          {plant.uses.length > 0
            ? `${plant.uses.join(", ")} · ${plant.spread} · ${plant.ease}`
            : `not grown for use · ${plant.spread}`}
        </Box>
      </Box>
      <Box sx={{ fontSize: 14.5, gridColumn: { xs: "2", md: "auto" } }}>
        {plant.here || <span style={{ color: "var(--softInk)" }}>not on the plot</span>}
        {plant.verdict && <Box>Does {plant.verdict} in the asked bed</Box>}
      </Box>
      <Checkbox
        checked={chosen}
        onChange={onChoose}
        slotProps={{ input: { "aria-label": `Compare ${plant.name}` } }}
        sx={{ gridRow: { xs: 1, md: "auto" }, gridColumn: { xs: 3, md: "auto" } }}
      />
    </Box>
  );
}
