import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  MenuItem,
  TextField,
  Typography,
} from "@mui/material";
import { Controller, useForm } from "react-hook-form";

import { api, told, type Schemas } from "../../api/client";
import { useSite } from "../../api/queries";
import { useLook } from "../../app/LookProvider";
import { useUndo } from "../../app/Undo";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { typedNumber } from "../../parts/numbers";
import { useSend } from "../../parts/useSend";
import { Household } from "./Household";

/** Settings is where the plot lies, its climate, and how it is shown. */
export function Settings() {
  const site = useSite().data;
  if (!site) return <Box sx={{ minHeight: 500 }} />;
  return <SettingsForm key={`${site.units}${site.width}${site.name}`} site={site} />;
}

function SettingsForm({ site }: { site: Schemas["SiteView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const { look, setLook } = useLook();
  const { register, handleSubmit, control } = useForm({
    defaultValues: {
      name: site.name,
      latitude: String(site.latitude),
      altitude: site.altitude,
      climateId: site.climateId,
      width: site.width,
      depth: site.depth,
      units: site.units as string,
    },
  });
  const onSave = handleSubmit(async (typed) => {
    const entry = await send(() =>
      told(api.PUT("/api/site", { body: { ...typed, latitude: typedNumber(typed.latitude) } })),
    );
    if (entry) noted(entry);
  });
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.1fr) minmax(0, 1fr)" },
        gap: 5,
        maxWidth: 1050,
      }}
    >
      <Box>
        <form onSubmit={(event) => void onSave(event)} noValidate>
          <Typography variant="h1" sx={{ mb: 2 }}>
            Settings
          </Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
            <TextField
              label="Name of the plot"
              {...register("name")}
              {...at("name")}
              sx={{ gridColumn: "1 / -1" }}
            />
            <TextField
              label="Latitude (degrees, south below 0)"
              {...register("latitude")}
              {...at("latitude")}
            />
            <TextField label="Height above the sea" {...register("altitude")} {...at("altitude")} />
            <TextField label="West to east" {...register("width")} {...at("width")} />
            <TextField label="North to south" {...register("depth")} {...at("depth")} />
            <Controller
              name="climateId"
              control={control}
              render={({ field }) => (
                <TextField
                  select
                  label="Climate"
                  {...field}
                  {...at("climateId")}
                  sx={{ gridColumn: "1 / -1" }}
                >
                  {site.climates.map((climate) => (
                    <MenuItem key={climate.id} value={climate.id}>
                      {climate.name}: {climate.kind}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Controller
              name="units"
              control={control}
              render={({ field }) => (
                <TextField
                  select
                  label="Units shown"
                  {...field}
                  {...at("units", "Either can be typed anywhere: 18 in, 45 cm, 2 lb 3 oz")}
                  sx={{ gridColumn: "1 / -1" }}
                >
                  <MenuItem value="metric">metric: cm, kg, °C</MenuItem>
                  <MenuItem value="us">US: inches, pounds, °F</MenuItem>
                </TextField>
              )}
            />
          </Box>
          {fault && (
            <Alert severity="error" sx={{ mt: 2 }}>
              {fault}
            </Alert>
          )}
          <Button type="submit" variant="contained" disabled={sending} sx={{ mt: 2 }}>
            Keep these
          </Button>
        </form>
        <Household />
      </Box>
      <Box>
        <Customs on={site.customs} />
        <Typography variant="h2" sx={{ mb: 1 }}>
          Frost here
        </Typography>
        {site.frostWords.map((words) => (
          <Box key={words} sx={{ borderLeft: "5px solid var(--frost)", pl: 1.2, mb: 1 }}>
            {words}
          </Box>
        ))}
        <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
          From 200 seasons made from the climate’s normals. Weather readings come from: {site.weatherSource}
          {site.weatherSimulated && ", which stands in for a real one"}.
        </Box>
        <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
          Look, on this device
        </Typography>
        <ChoiceRow label="Look" columns={3}>
          <Choice chosen={look === "paper"} onChoose={() => setLook("paper")}>
            paper
          </Choice>
          <Choice chosen={look === "dusk"} onChoose={() => setLook("dusk")}>
            dusk
          </Choice>
          <Choice chosen={look === "sunlight"} onChoose={() => setLook("sunlight")}>
            sunlight
          </Choice>
        </ChoiceRow>
      </Box>
    </Box>
  );
}

/** Customs switches the grower's customs on: their own notes and steps, from as many authors as they like. */
function Customs({ on }: { on: boolean }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const set = async (wanted: boolean) => {
    const entry = await send(() => told(api.PUT("/api/customs", { body: { on: wanted } })));
    if (entry) noted(entry);
  };
  return (
    <Box sx={{ mb: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Customs and correspondences
      </Typography>
      <FormControlLabel
        control={<Checkbox checked={on} disabled={sending} onChange={(_, wanted) => void set(wanted)} />}
        label="Keep my own customs with the plants"
      />
      <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
        Your own notes, by author; where authors disagree they stand side by side, and no side is taken.
      </Box>
      {fault && <Alert severity="error">{fault}</Alert>}
    </Box>
  );
}
