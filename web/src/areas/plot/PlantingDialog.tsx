import {
  Alert,
  Autocomplete,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
} from "@mui/material";
import { useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";

import { api, told, type Schemas } from "../../api/client";
import { usePlanting, useSite, useSpecies } from "../../api/queries";
import { useUndo } from "../../app/Undo";
import { useSend } from "../../parts/useSend";

interface Props {
  plantingId?: number;
  bedId?: number;
  beds: Schemas["BedView"][];
  onClose: () => void;
}

/** PlantingDialog sets a planting, or changes one. */
export function PlantingDialog({ plantingId, bedId, beds, onClose }: Props) {
  const planting = usePlanting(plantingId).data;
  const site = useSite().data;
  const species = useSpecies().data;
  if (!site || !species || (plantingId !== undefined && !planting)) return null;
  return (
    <PlantingForm
      planting={planting}
      bedId={bedId}
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
  beds: Schemas["BedView"][];
  site: Schemas["SiteView"];
  species: Schemas["SpeciesChoice"][];
  onClose: () => void;
}

const plain = (text: string) =>
  text
    .normalize("NFD")
    .replace(/\p{Mn}/gu, "")
    .toLowerCase();

function PlantingForm({ planting, bedId, beds, site, species, onClose }: FormProps) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const [speciesId, setSpeciesId] = useState(planting?.speciesId ?? "");
  const { register, handleSubmit, control } = useForm({
    defaultValues: {
      bedId: planting?.bedId ?? bedId ?? beds[0]?.id ?? 0,
      plants: planting && !planting.area ? String(planting.plants) : "",
      area: planting?.area ?? "",
      startedOn: planting?.startedOn ?? site.today,
      origin: planting?.origin ?? "seed",
      identity: planting?.identity ?? "unproven",
      identityNote: planting?.identityNote ?? "",
      note: planting?.note ?? "",
    },
  });
  const identity = useWatch({ control, name: "identity" });
  const onSave = handleSubmit(async (typed) => {
    const body = {
      ...typed,
      speciesId,
      plants: Math.trunc(Number(typed.plants)) || 0,
      bedId: Number(typed.bedId),
    };
    const entry = await send(() =>
      told(
        planting
          ? api.PUT("/api/plantings/{id}", { params: { path: { id: planting.id } }, body })
          : api.POST("/api/plantings", { body }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <form onSubmit={(event) => void onSave(event)} noValidate>
        <DialogTitle>{planting ? `${planting.name} · ${planting.bed}` : "Set a planting"}</DialogTitle>
        <DialogContent>
          <Autocomplete
            options={species}
            getOptionLabel={(one) => `${one.name} (${one.botanical})`}
            value={species.find((one) => one.id === speciesId) ?? null}
            onChange={(_, one) => setSpeciesId(one?.id ?? "")}
            filterOptions={(all, { inputValue }) => {
              const words = plain(inputValue)
                .split(/\s+/)
                .filter((w) => !w.startsWith("("));
              return all.filter((one) => words.every((word) => one.names.includes(word)));
            }}
            renderInput={(props) => <TextField {...props} label="Plant, by any name" {...at("speciesId")} />}
            sx={{ mt: 1 }}
          />
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
            <TextField
              label="Since"
              type="date"
              slotProps={{ inputLabel: { shrink: true } }}
              {...register("startedOn")}
              {...at("startedOn")}
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
            <Controller
              name="identity"
              control={control}
              render={({ field }) => (
                <TextField
                  select
                  label="Identity"
                  {...field}
                  {...at("identity", "Only a sure planting is offered for use")}
                >
                  <MenuItem value="unproven">unproven</MenuItem>
                  <MenuItem value="sure">sure</MenuItem>
                </TextField>
              )}
            />
          </Box>
          {identity === "sure" && (
            <TextField
              label="How it was proved"
              multiline
              minRows={2}
              {...register("identityNote")}
              {...at(
                "identityNote",
                "Who looked, at which characters, on which days; or the label it came with",
              )}
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
          {fault && (
            <Alert severity="error" sx={{ mt: 2 }}>
              {fault}
            </Alert>
          )}
        </DialogContent>
        <DialogActions sx={{ px: 3, pb: 2 }}>
          <Button onClick={onClose}>Leave</Button>
          <Button type="submit" variant="contained" disabled={sending}>
            {planting ? "Change it" : "Set it"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
