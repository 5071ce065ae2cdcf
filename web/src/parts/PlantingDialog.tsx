import { Box, DialogContent, DialogTitle, MenuItem, TextField } from "@mui/material";
import { useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";

import { DialogEnd, Fault } from "./DialogEnd";
import { api, shownVersion, answerOf, type Schemas } from "../api/client";
import { usePlanting, useSite, useSpecies, useWhere } from "../api/queries";
import { useUndo } from "./Undo";
import { AskBack } from "./AskBack";
import { ChangedMeanwhile, readings, useOpened } from "./ChangedMeanwhile";
import { same, SelectField } from "./SelectField";
import { useSend } from "./useSend";
import { SpeciesField } from "./SpeciesField";
import { DayField } from "./DayField";
import { Dialog } from "./Dialog";

interface Props {
  plantingId?: number;
  bedId?: number;
  speciesId?: string;
  beds: Schemas["BedView"][];
  onClose: () => void;
}

/** PlantingDialog sets a planting, or changes one. */
export function PlantingDialog({ plantingId, bedId, speciesId, beds, onClose }: Props) {
  const planting = usePlanting(plantingId).data;
  const site = useSite().data;
  const species = useSpecies().data;
  if (!site || !species || (plantingId !== undefined && !planting)) return null;
  return (
    <PlantingForm
      planting={planting}
      bedId={bedId}
      asked={speciesId}
      beds={beds}
      site={site}
      species={species}
      onClose={onClose}
    />
  );
}

interface FormProps {
  planting?: Schemas["PlantingView"];
  bedId?: number;
  asked?: string;
  beds: Schemas["BedView"][];
  site: Schemas["SiteView"];
  species: Schemas["SpeciesChoice"][];
  onClose: () => void;
}

/** Memory says first what became of the plant in the bed before, then how the bed suits it. */
function Memory({ speciesId, bedId }: { speciesId: string; bedId: number }) {
  const suit = useWhere(speciesId).data?.beds.find((b) => b.bedId === bedId);
  if (!suit) return null;
  return (
    <Box sx={{ borderLeft: "5px solid var(--rule)", pl: 1.2, mt: 1.5, fontSize: 14.5 }}>
      {suit.memory.map((words) => (
        <Box
          key={words}
          sx={{ fontWeight: 700, color: words.startsWith("Failed") ? "var(--forbid)" : "var(--leaf)" }}
        >
          {words}
        </Box>
      ))}
      {suit.words}
      {suit.forbids.map((words) => (
        <Box key={words} sx={{ color: "var(--forbid)" }}>
          {words}
        </Box>
      ))}
    </Box>
  );
}

/** typedOf is a planting as the form holds it. */
const typedOf = (planting: Schemas["PlantingView"] | undefined, bedId: number, today: string) => ({
  bedId: planting?.bedId ?? bedId,
  plants: planting && !planting.area ? String(planting.plants) : "",
  area: planting?.area ?? "",
  startedOn: planting?.startedOn ?? today,
  origin: planting?.origin ?? "seed",
  year: planting?.startYear ? String(planting.startYear) : "",
  labelled: planting?.labelled ?? false,
  source: planting?.source ?? "",
  note: planting?.note ?? "",
});

const labels = {
  plant: "Plant",
  bed: "Bed",
  plants: "Plants",
  area: "Area",
  startedOn: "Since",
  origin: "Where it came from",
  year: "Year of its life when set",
  labelled: "It came labelled",
  source: "Whose label",
  note: "Note",
};

function PlantingForm({ planting: stands, bedId, asked, beds, site, species, onClose }: FormProps) {
  const { noted } = useUndo();
  const { send, sending, fault, asked: askedBack, stale, settle, at } = useSend();
  const [planting, rebase] = useOpened(stands);
  const [speciesId, setSpeciesId] = useState(planting?.speciesId ?? asked ?? "");
  const inWhich = bedId ?? beds[0]?.id ?? 0;
  const { register, handleSubmit, control, reset, getValues } = useForm({
    defaultValues: typedOf(planting, inWhich, site.today),
  });
  const [labelled, inBed, origin] = useWatch({ control, name: ["labelled", "bedId", "origin"] });
  const warnings = species.find((s) => s.id === speciesId)?.warnings ?? [];
  const bed = beds.find((b) => b.id === Number(inBed));
  const named = (id: string, inBed: unknown) => ({
    plant: species.find((one) => one.id === id)?.name ?? id,
    bed: beds.find((one) => one.id === Number(inBed))?.name,
  });
  const save = (affirmed: string[], version = planting?.version ?? "") =>
    handleSubmit(async (typed) => {
      const body = {
        ...typed,
        affirmed,
        speciesId,
        year: typed.origin === "seed" ? 0 : Math.trunc(Number(typed.year)) || 0,
        plants: Math.trunc(Number(typed.plants)) || 0,
        bedId: Number(typed.bedId),
      };
      const entry = await send(() =>
        answerOf(
          planting
            ? api.PUT("/api/plantings/{id}", {
                params: { path: { id: planting.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/plantings", { body }),
        ),
      );
      if (!entry) return;
      noted(entry);
      onClose();
    });
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <form onSubmit={(event) => void save([])(event)} noValidate>
        <DialogTitle>{planting ? `${planting.name} · ${planting.bed}` : "Set a planting"}</DialogTitle>
        <DialogContent>
          <Box sx={{ mt: 1 }}>
            <SpeciesField
              species={species}
              label="Plant, by any name"
              value={speciesId}
              onChange={setSpeciesId}
              {...at("speciesId")}
            />
          </Box>
          {warnings.length > 0 && (
            <Box
              role="note"
              aria-label="Before you set it"
              sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, mt: 1.5, fontSize: 14.5 }}
            >
              {warnings.map((words) => (
                <Box key={words}>{words}</Box>
              ))}
            </Box>
          )}
          {bed && speciesId && <Memory speciesId={speciesId} bedId={bed.id} />}
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 2 }}>
            <Controller
              name="bedId"
              control={control}
              render={({ field }) => (
                <TextField select label="Bed" {...field} {...at("bedId")}>
                  {beds.map((bed) => (
                    <MenuItem key={bed.id} value={bed.id}>
                      {bed.name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Controller
              name="startedOn"
              control={control}
              render={({ field }) => (
                <DayField
                  label="Since"
                  value={field.value}
                  onChange={field.onChange}
                  last={site.today}
                  {...at("startedOn")}
                />
              )}
            />
            <TextField
              label="Plants"
              type="number"
              {...register("plants")}
              {...at("plants", "Counted; or give the area")}
            />
            <TextField
              label="Area"
              placeholder={site.units === "us" ? "30 ft²" : "3 m²"}
              {...register("area")}
              {...at("area")}
            />
            <Controller
              name="origin"
              control={control}
              render={({ field }) => (
                <TextField select label="Where it came from" {...field} {...at("origin")}>
                  {site.origins.map((one) => (
                    <MenuItem key={one.origin} value={one.origin}>
                      {one.name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            {origin !== "seed" && (
              <TextField
                label="Year of its life when set"
                type="number"
                placeholder="not known"
                {...register("year")}
                {...at("year", "1 for a seedling; empty: told by its first look")}
              />
            )}
            <Controller
              name="labelled"
              control={control}
              render={({ field }) => (
                <SelectField
                  label="It came labelled from a known source"
                  value={field.value ? "yes" : "no"}
                  onChange={(value) => field.onChange(value === "yes")}
                  options={same(["no", "yes"])}
                  helperText="Either way it is unproven until a check agrees"
                />
              )}
            />
          </Box>
          {labelled && (
            <TextField
              label="Whose label"
              {...register("source")}
              {...at("source", "The nursery, or the friend who has grown it for years")}
              sx={{ mt: 2 }}
            />
          )}
          <TextField
            label="Note"
            multiline
            minRows={2}
            {...register("note")}
            {...at("note")}
            sx={{ mt: 2 }}
          />
          <ChangedMeanwhile
            why={stale}
            rows={readings(
              labels,
              { ...typedOf(stands, inWhich, site.today), ...named(stands?.speciesId ?? "", stands?.bedId) },
              { ...getValues(), ...named(speciesId, getValues("bedId")) },
            )}
            sending={sending}
            onTheirs={() => {
              rebase();
              reset(typedOf(stands, inWhich, site.today));
              setSpeciesId(stands?.speciesId ?? "");
              settle();
            }}
            onMine={() => {
              rebase();
              void save([], stands?.version)();
            }}
          />
          <AskBack
            asked={askedBack}
            sending={sending}
            yes="It is so: set it"
            onYes={(affirmed) => void save(affirmed)()}
          />
          <Fault words={stale ? "" : fault} />
        </DialogContent>
        <DialogEnd onClose={onClose} act={planting ? "Change it" : "Set it"} disabled={sending} />
      </form>
    </Dialog>
  );
}
