import { Box, Checkbox, DialogContent, DialogTitle, FormControlLabel, TextField } from "@mui/material";
import { Controller, FormProvider, useForm, useWatch } from "react-hook-form";

import { useState } from "react";

import { DialogEnd, Fault } from "../../../parts/DialogEnd";
import { api, shownVersion, answerOf, type Schemas } from "../../../api/client";
import { useSite } from "../../../api/queries";
import { AskBack } from "../../../parts/AskBack";
import { ChangedMeanwhile, readings, useOpened } from "../../../parts/ChangedMeanwhile";
import { LineButton } from "../../../parts/LineButton";
import { typedNumber } from "../../../parts/numbers";
import { FormSelect, same } from "../../../parts/SelectField";
import { useSend } from "../../../parts/useSend";
import { FormFields } from "./FormFields";
import { formLabels } from "./formLabels";
import { typedForm, type FormInput } from "../drawing/forms";
import { shapeOf, type Shape } from "../drawing/things";
import { Dialog } from "../../../parts/Dialog";

interface Props {
  bed?: Schemas["BedView"];
  /** Where a new bed was drawn. */
  drawn?: FormInput;
  onSaved: (entry: Schemas["Entry"]) => void;
  onClose: () => void;
}

const shapes: [Shape, string][] = [
  ["rectangle", "rectangle"],
  ["polygon", "outline by corners"],
  ["ring", "ring, round a tree"],
  ["round", "pot"],
];

/** The words that the plan tells where nobody has said them. */
const fromPlan: Record<string, string> = {
  shelter: "from the plan",
  warmth: "from the plan",
  edge: "from the plan",
  purpose: "nothing in particular",
};

/** blank is a bed as the form holds it: one that stands, or one that was drawn. */
const blank = (before?: Schemas["BedInput"], drawn?: FormInput) => ({
  name: before?.name ?? "",
  ...typedForm(before ?? drawn),
  moisture: before?.moisture ?? "",
  winter: before?.winter ?? "",
  texture: before?.texture ?? "",
  drainage: before?.drainage ?? "",
  ph: before?.ph ?? "",
  fertility: before?.fertility ?? "",
  soilDepth: before?.soilDepth ?? "",
  shelter: before?.shelter ?? "",
  warmth: before?.warmth ?? "",
  edge: before?.edge ?? "",
  purpose: before?.purpose ?? "",
  mulch: before?.mulch ?? "",
  unsafe: before?.unsafe ?? "",
  note: before?.note ?? "",
  frostHollow: before?.frostHollow ?? false,
  sunHours: before?.sunHours === undefined ? "" : String(before.sunHours),
});

/** BedDialog lays out a bed, or changes one: its place, its conditions, its ground. */
export function BedDialog({ bed: stands, drawn, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, asked, stale, settle, at } = useSend();
  const [bed, rebase] = useOpened(stands);
  const form = useForm({ defaultValues: blank(bed?.input, drawn) });
  const { register, handleSubmit, control, reset, getValues } = form;
  const shape = useWatch({ control, name: "shape" });
  // Of a new bed its name and size are enough; a fault in what is not shown is shown.
  const [asksMore, setMore] = useState(bed !== undefined);
  const more =
    asksMore || ["unsafe", "moisture", "mulch", "sunHours", "note"].some((field) => at(field).error);
  if (!site) return null;
  const save = (affirmed: string[], version = bed?.version ?? "") =>
    handleSubmit(async (typed) => {
      const body = {
        ...typed,
        affirmed,
        turn: typedNumber(typed.turn),
        sunHours: typed.sunHours.trim() === "" ? undefined : typedNumber(typed.sunHours),
      };
      const entry = await send(() =>
        answerOf(
          bed
            ? api.PUT("/api/beds/{id}", {
                params: { path: { id: bed.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/beds", { body }),
        ),
      );
      if (!entry) return;
      onSaved(entry);
      onClose();
    });
  const eg = site.units === "us" ? "12 ft" : "4 m";
  const choice = (name: string, label: string, words: string[], help?: string) => (
    <FormSelect
      key={name}
      name={name}
      label={label}
      options={[["", fromPlan[name] ?? "not said"], ...same(words)]}
      {...at(name, help)}
    />
  );
  const grid = { display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 2 };
  return (
    <FormProvider {...form}>
      <Dialog onClose={onClose} maxWidth="sm" fullWidth>
        <form onSubmit={(event) => void save([])(event)} noValidate>
          <DialogTitle>{bed ? bed.name : "Lay out a bed"}</DialogTitle>
          <DialogContent>
            <Box sx={{ ...grid, mt: 1 }}>
              <TextField label="Name" autoFocus {...register("name")} {...at("name")} />
              <FormSelect name="shape" label="Shape" options={shapes} {...at("shape")} />
              <FormFields
                shape={shapeOf(shape)}
                eg={eg}
                at={at}
                open={bed ? undefined : "May stay open: laid where there is room"}
              />
            </Box>
            {!more && (
              <LineButton onClick={() => setMore(true)} expanded={false}>
                <Box sx={{ mt: 2, py: 1, color: "var(--bramble)", fontWeight: 600 }}>
                  Say more: its ground, its sun, what lies under it
                </Box>
              </LineButton>
            )}
            <Box sx={{ display: more ? "block" : "none" }}>
              <Box sx={{ mt: 2.5, fontWeight: 700 }}>What you know of its ground</Box>
              <Box sx={{ color: "text.secondary", fontSize: 14 }}>
                Leave open what you do not know: signs and tests can tell it.
              </Box>
              <Box sx={grid}>
                {site.aspects.map((aspect) =>
                  choice(
                    aspect.key,
                    aspect.key === "moisture" ? "Moisture" : sentence(aspect.name),
                    aspect.words,
                  ),
                )}
                <TextField
                  label="Hours of sun, measured"
                  {...register("sunHours")}
                  {...at("sunHours", "Left open: computed from the plan")}
                />
                <TextField
                  label="Mulch"
                  placeholder={site.units === "us" ? "3 in" : "8 cm"}
                  {...register("mulch")}
                  {...at("mulch")}
                />
                {choice("shelter", "Shelter from wind", site.shelters)}
                {choice("warmth", "Warmth", ["cold", "warm"])}
                {choice("purpose", "What it is for", site.uses, "Plants that serve it go first")}
                {choice("edge", "Its edge", ["open", "held"], "Held: a kerb, a barrier, a pot")}
                <FormSelect
                  name="unsafe"
                  label="Unsafe ground"
                  options={[["", "no"], ...same(site.unsafe.map((kind) => kind.kind))]}
                  {...at("unsafe", "Forbids use of what grows here, never the growing")}
                />
              </Box>
              <Controller
                name="frostHollow"
                control={control}
                render={({ field }) => (
                  <FormControlLabel
                    control={
                      <Checkbox checked={Boolean(field.value)} onChange={(_, on) => field.onChange(on)} />
                    }
                    label="Frost gathers here"
                    sx={{ mt: 1 }}
                  />
                )}
              />
              <TextField
                label="Note"
                multiline
                minRows={2}
                {...register("note")}
                {...at("note")}
                sx={{ mt: 1 }}
              />
            </Box>
            <ChangedMeanwhile
              why={stale}
              rows={readings(
                {
                  name: "Name",
                  ...formLabels,
                  ...Object.fromEntries(site.aspects.map((aspect) => [aspect.key, sentence(aspect.name)])),
                  sunHours: "Hours of sun",
                  mulch: "Mulch",
                  shelter: "Shelter",
                  warmth: "Warmth",
                  edge: "Its edge",
                  purpose: "What it is for",
                  unsafe: "Unsafe ground",
                  frostHollow: "Frost gathers here",
                  note: "Note",
                },
                blank(stands?.input),
                getValues(),
              )}
              sending={sending}
              onTheirs={() => {
                rebase();
                reset(blank(stands?.input));
                settle();
              }}
              onMine={() => {
                rebase();
                void save([], stands?.version)();
              }}
            />
            <AskBack
              asked={asked}
              sending={sending}
              yes="It is so: keep the bed there"
              onYes={(affirmed) => void save(affirmed)()}
            />
            <Fault words={stale ? "" : fault} />
          </DialogContent>
          <DialogEnd onClose={onClose} act={bed ? "Change it" : "Lay it out"} disabled={sending} />
        </form>
      </Dialog>
    </FormProvider>
  );
}

const sentence = (text: string) => (text === "pH" ? text : text.charAt(0).toUpperCase() + text.slice(1));
