import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
} from "@mui/material";
import { useForm, type FieldValues } from "react-hook-form";

import { api, told, type Schemas } from "../../../api/client";
import { useSite } from "../../../api/queries";
import { typedNumber } from "../../../parts/numbers";
import { useSend } from "../../../parts/useSend";
import { FormFields } from "./FormFields";
import { typed as metres, type Point } from "../drawing/geometry";
import type { Plot } from "../drawing/things";

interface Props {
  plot: Plot;
  /** The corners, where it was drawn anew. */
  drawn?: Point[];
  onSaved: (entry: Schemas["Entry"]) => void;
  onClose: () => void;
}

/** BoundaryDialog is the plot's outline, which way it lies, and its meridian. */
export function BoundaryDialog({ plot, drawn, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, at } = useSend();
  const { register, handleSubmit, control } = useForm<FieldValues>({
    defaultValues: {
      points: (drawn ?? plot.boundary).map((p) => ({ x: metres(p.x), y: metres(p.y) })),
      bearingDeg: String(plot.bearingDeg),
      longitude: plot.longitude === undefined ? "" : String(plot.longitude),
    },
  });
  if (!site) return null;
  const save = (rectangle: boolean) =>
    handleSubmit(async (typed) => {
      const body: Schemas["BoundaryInput"] = {
        points: rectangle ? [] : (typed.points as Schemas["Corner"][]),
        bearingDeg: typedNumber(String(typed.bearingDeg)),
        longitude: String(typed.longitude).trim() === "" ? undefined : typedNumber(String(typed.longitude)),
      };
      const entry = await send(() => told(api.PUT("/api/plan/boundary", { body })));
      if (!entry) return;
      onSaved(entry);
      onClose();
    });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <form onSubmit={(event) => void save(false)(event)} noValidate>
        <DialogTitle>The boundary</DialogTitle>
        <DialogContent>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 1 }}>
            <TextField
              label="The upper edge looks to (degrees)"
              {...register("bearingDeg")}
              {...at("bearingDeg", "0 north, 90 east, clockwise")}
            />
            <TextField
              label="Longitude (degrees, west below 0)"
              {...register("longitude")}
              {...at("longitude", "For files alone; may be left open")}
            />
            <FormFields
              shape="polygon"
              eg={site.units === "us" ? "12 ft" : "4 m"}
              register={register}
              control={control}
              at={at}
            />
          </Box>
          {fault && (
            <Alert severity="error" sx={{ mt: 2 }}>
              {fault}
            </Alert>
          )}
        </DialogContent>
        <DialogActions sx={{ px: 3, pb: 2 }}>
          <Button onClick={onClose}>Leave</Button>
          <Button color="inherit" disabled={sending} onClick={(event) => void save(true)(event)}>
            Make it the plain rectangle
          </Button>
          <Button type="submit" variant="contained" disabled={sending}>
            Keep the boundary
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
