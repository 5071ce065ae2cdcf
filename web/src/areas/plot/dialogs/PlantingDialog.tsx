import {
  Alert,
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

import { api, told, type Schemas } from "../../../api/client";
import { usePlanting, useSite, useSpecies, useWhere } from "../../../api/queries";
import { useUndo } from "../../../app/Undo";
import { same, SelectField } from "../../../parts/SelectField";
import { useSend } from "../../../parts/useSend";
import { SpeciesField } from "../panels/SpeciesField";

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

function PlantingForm({ planting, bedId, asked, beds, site, species, onClose }: FormProps) {
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const [speciesId, setSpeciesId] = useState(planting?.speciesId ?? asked ?? "");
  const { register, handleSubmit, control } = useForm({
    defaultValues: {
      bedId: planting?.bedId ?? bedId ?? beds[0]?.id ?? 0,
      plants: planting && !planting.area ? String(planting.plants) : "",
      area: planting?.area ?? "",
      startedOn: planting?.startedOn ?? site.today,
      origin: planting?.origin ?? "seed",
      labelled: planting?.labelled ?? false,
      source: planting?.source ?? "",
      note: planting?.note ?? "",
    },
  });
  const [labelled, inBed] = useWatch({ control, name: ["labelled", "bedId"] });
  const bed = beds.find((b) => b.id === Number(inBed));
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
          <Box sx={{ mt: 1 }}>
            <SpeciesField
              species={species}
              label="Plant, by any name"
              value={speciesId}
              onChange={setSpeciesId}
              {...at("speciesId")}
            />
          </Box>
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
