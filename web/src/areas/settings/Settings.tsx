import { Box, Button, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { Link } from "react-router";

import { Fault } from "../../parts/DialogEnd";
import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { useRefresh, useSite } from "../../api/queries";
import { useLook } from "../../parts/LookProvider";
import { useUndo } from "../../parts/Undo";
import { AskBack } from "../../parts/AskBack";
import { ChangedMeanwhile, readings, useOpened } from "../../parts/ChangedMeanwhile";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { typedNumber } from "../../parts/numbers";
import { useSend } from "../../parts/useSend";
import { Copies } from "./Copies";
import { Head } from "./Head";
import { Household } from "./Household";

/** Settings is where the plot lies, its climate, and how it is shown. */
export function Settings() {
  const site = useSite().data;
  // The form begins anew once it was kept, in the units that hold then; never while it is filled in.
  const [kept, setKept] = useState(0);
  const refresh = useRefresh();
  if (!site) return <Box sx={{ minHeight: 500 }} />;
  return (
    <SettingsForm
      key={kept}
      site={site}
      onKept={() => void refresh().then(() => setKept((before) => before + 1))}
    />
  );
}

/** typedOf is the plot's place as the form holds it. */
const typedOf = (site: Schemas["SiteView"]) => ({
  name: site.name,
  latitude: String(site.latitude),
  altitude: site.altitude,
  climateId: site.climateId,
  width: site.width,
  depth: site.depth,
  units: site.units,
  station: site.station,
});

const labels = {
  name: "Name of the plot",
  latitude: "Latitude",
  altitude: "Height above the sea",
  width: "West to east",
  depth: "North to south",
  climate: "Climate",
  units: "Units shown",
  station: "Weather is read from",
};

function SettingsForm({ site, onKept }: { site: Schemas["SiteView"]; onKept: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault, asked, stale, settle, at } = useSend();
  const { look, setLook } = useLook();
  const [opened, rebase] = useOpened(site);
  const { register, handleSubmit, control, reset, getValues } = useForm({ defaultValues: typedOf(opened) });
  const climateOf = (id: string) => ({ climate: site.climates.find((one) => one.id === id)?.name ?? id });
  const save = (affirmed: string[], version = opened.version) =>
    handleSubmit(async (typed) => {
      const body = {
        ...typed,
        latitude: typedNumber(typed.latitude),
        affirmed,
      };
      const entry = await send(() =>
        answerOf(api.PUT("/api/site", { params: { header: shownVersion(version) }, body })),
      );
      if (!entry) return;
      noted(entry);
      onKept();
    });
  return (
    <>
      <Head title="Settings" />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.1fr) minmax(0, 1fr)" },
          gap: 5,
          maxWidth: 1050,
        }}
      >
        <Box>
          {site.placed ? (
            <form onSubmit={(event) => void save([])(event)} noValidate>
              <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 2 }}>
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
                <Controller
                  name="station"
                  control={control}
                  render={({ field }) => (
                    <TextField
                      select
                      label="Weather is read from"
                      {...field}
                      {...at("station", "Without a station the dates rest on what is usual in the climate")}
                      sx={{ gridColumn: "1 / -1" }}
                    >
                      <MenuItem value="">nothing: the climate alone</MenuItem>
                      <MenuItem value="simulated">
                        a simulated station: invented weather, to try things out
                      </MenuItem>
                    </TextField>
                  )}
                />
              </Box>
              <ChangedMeanwhile
                why={stale}
                rows={readings(
                  labels,
                  { ...typedOf(site), ...climateOf(site.climateId) },
                  { ...getValues(), ...climateOf(getValues("climateId")) },
                )}
                sending={sending}
                onTheirs={() => {
                  rebase();
                  reset(typedOf(site));
                  settle();
                }}
                onMine={() => {
                  rebase();
                  void save([], site.version)();
                }}
              />
              <AskBack
                asked={asked}
                sending={sending}
                yes="It is so: keep these"
                onYes={(affirmed) => void save(affirmed)()}
              />
              <Fault words={stale ? "" : fault} />
              <Button type="submit" variant="contained" disabled={sending} sx={{ mt: 2 }}>
                Keep these
              </Button>
            </form>
          ) : (
            <p>
              Nobody has said where this plot lies. <Link to="/begin">Begin there</Link>: its climate, its
              size and its units are asked with it.
            </p>
          )}
          <Household />
        </Box>
        <Box>
          <Customs on={site.customs} />
          {site.placed && (
            <>
              <Typography variant="h2" sx={{ mb: 1 }}>
                Frost here
              </Typography>
              {site.frostWords.map((words) => (
                <Box key={words} sx={{ borderLeft: "5px solid var(--frost)", pl: 1.2, mb: 1 }}>
                  {words}
                </Box>
              ))}
              <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
                From 200 seasons made from the climate’s normals. Weather readings: {site.weatherSource}
                {site.weatherSimulated && ", which stands in for a real one"}.
              </Box>
            </>
          )}
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
          <Copies />
        </Box>
      </Box>
    </>
  );
}

/** Customs switches the grower's customs on: their own notes and steps, from as many authors as they like. */
function Customs({ on }: { on: boolean }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const set = async (wanted: boolean) => {
    const entry = await send(() => answerOf(api.PUT("/api/customs", { body: { on: wanted } })));
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
      <Fault words={fault} />
    </Box>
  );
}
