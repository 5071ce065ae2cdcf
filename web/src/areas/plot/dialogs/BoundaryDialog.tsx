import { Box, Button, DialogContent, DialogTitle, TextField } from "@mui/material";
import { FormProvider, useForm } from "react-hook-form";

import { DialogEnd, Fault } from "../../../parts/DialogEnd";
import { api, shownVersion, answerOf, type Schemas } from "../../../api/client";
import { useSite } from "../../../api/queries";
import { ChangedMeanwhile, readings, useOpened } from "../../../parts/ChangedMeanwhile";
import { typedNumber } from "../../../parts/numbers";
import { useSend } from "../../../parts/useSend";
import { FormFields } from "./FormFields";
import { typed as metres, type Point } from "../drawing/geometry";
import type { Plot } from "../drawing/things";
import { Dialog } from "../../../parts/Dialog";

interface Props {
  plot: Plot;
  /** The corners, where it was drawn anew. */
  drawn?: Point[];
  onSaved: (entry: Schemas["Entry"]) => void;
  onClose: () => void;
}

/** typedOf is the boundary as the form holds it. */
const typedOf = (plot: Plot, drawn?: Point[]) => ({
  points: (drawn ?? plot.boundary).map((p) => ({ x: metres(p.x), y: metres(p.y) })),
  bearingDeg: String(plot.bearingDeg),
  longitude: plot.longitude === undefined ? "" : String(plot.longitude),
});

const labels = { bearingDeg: "The upper edge looks to", longitude: "Longitude", points: "Corners" };

/** BoundaryDialog is the plot's outline, which way it lies, and its meridian. */
export function BoundaryDialog({ plot: stands, drawn, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, stale, settle, at } = useSend();
  const [plot, rebase] = useOpened(stands);
  const form = useForm({ defaultValues: typedOf(plot, drawn) });
  const { register, handleSubmit, reset, getValues } = form;
  if (!site) return null;
  const save = (rectangle: boolean, version = plot.version) =>
    handleSubmit(async (typed) => {
      const body: Schemas["BoundaryInput"] = {
        points: rectangle ? [] : typed.points,
        bearingDeg: typedNumber(typed.bearingDeg),
        longitude: typed.longitude.trim() === "" ? undefined : typedNumber(typed.longitude),
      };
      const entry = await send(() =>
        answerOf(api.PUT("/api/plan/boundary", { params: { header: shownVersion(version) }, body })),
      );
      if (!entry) return;
      onSaved(entry);
      onClose();
    });
  return (
    <FormProvider {...form}>
      <Dialog onClose={onClose} maxWidth="sm" fullWidth>
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
              <FormFields shape="polygon" eg={site.units === "us" ? "12 ft" : "4 m"} at={at} />
            </Box>
            <ChangedMeanwhile
              why={stale}
              rows={readings(labels, typedOf(stands), getValues())}
              sending={sending}
              onTheirs={() => {
                rebase();
                reset(typedOf(stands));
                settle();
              }}
              onMine={() => {
                rebase();
                void save(false, stands.version)();
              }}
            />
            <Fault words={stale ? "" : fault} />
          </DialogContent>
          <DialogEnd onClose={onClose} act="Keep the boundary" disabled={sending}>
            <Button color="inherit" disabled={sending} onClick={(event) => void save(true)(event)}>
              Make it the plain rectangle
            </Button>
          </DialogEnd>
        </form>
      </Dialog>
    </FormProvider>
  );
}
