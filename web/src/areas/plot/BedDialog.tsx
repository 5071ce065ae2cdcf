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
import { Controller, useForm } from "react-hook-form";

import { api, told, type Schemas } from "../../api/client";
import { useSite } from "../../api/queries";
import { useUndo } from "../../app/Undo";
import { typedNumber } from "../../parts/numbers";
import { useSend } from "../../parts/useSend";

/** BedDialog lays out a bed, or changes one. */
export function BedDialog({ bed, onClose }: { bed?: Schemas["BedView"]; onClose: () => void }) {
  const site = useSite().data;
  const { noted } = useUndo();
  const { send, sending, fault, at } = useSend();
  const { register, handleSubmit, control } = useForm({
    defaultValues: {
      name: bed?.name ?? "",
      x: bed?.x ?? "",
      y: bed?.y ?? "",
      width: bed?.width ?? "",
      depth: bed?.depth ?? "",
      turn: String(bed?.turn ?? 0),
      sunHours: String(bed?.sunHours ?? 6),
      moisture: bed?.moisture ?? "fresh",
      unsafe: bed?.unsafe ?? "",
      note: bed?.note ?? "",
    },
  });
  if (!site) return null;
  const onSave = handleSubmit(async (typed) => {
    const body = { ...typed, turn: typedNumber(typed.turn), sunHours: typedNumber(typed.sunHours) };
    const entry = await send(() =>
      told(
        bed
          ? api.PUT("/api/beds/{id}", { params: { path: { id: bed.id } }, body })
          : api.POST("/api/beds", { body }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  });
  const eg = site.units === "us" ? "12 ft" : "4 m";
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <form onSubmit={(event) => void onSave(event)} noValidate>
        <DialogTitle>{bed ? bed.name : "Lay out a bed"}</DialogTitle>
        <DialogContent>
          <TextField label="Name" autoFocus {...register("name")} {...at("name")} sx={{ mt: 1 }} />
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 2 }}>
            <TextField label="Length" placeholder={eg} {...register("width")} {...at("width")} />
            <TextField label="Breadth" placeholder={eg} {...register("depth")} {...at("depth")} />
            <TextField label="Middle, from the west edge" placeholder={eg} {...register("x")} {...at("x")} />
            <TextField label="Middle, from the north edge" placeholder={eg} {...register("y")} {...at("y")} />
            <TextField label="Turned by (degrees)" type="number" {...register("turn")} {...at("turn")} />
            <TextField label="Hours of sun" type="number" {...register("sunHours")} {...at("sunHours")} />
            <Controller
              name="moisture"
              control={control}
              render={({ field }) => (
                <TextField select label="Moisture" {...field} {...at("moisture")}>
                  {site.moistures.map((word) => (
                    <MenuItem key={word} value={word}>
                      {word}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Controller
              name="unsafe"
              control={control}
              render={({ field }) => (
                <TextField
                  select
                  label="Unsafe ground"
                  {...field}
                  slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
                  {...at("unsafe", "Forbids use of what grows here, never the growing")}
                >
                  <MenuItem value="">no</MenuItem>
                  {site.unsafe.map((kind) => (
                    <MenuItem key={kind.kind} value={kind.kind}>
                      {kind.kind}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
          </Box>
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
            {bed ? "Change it" : "Lay it out"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
