import { Box, DialogContent, DialogTitle, TextField } from "@mui/material";
import { FormProvider, useForm, useWatch } from "react-hook-form";

import { DialogEnd, Fault } from "../../../parts/DialogEnd";
import { api, shownVersion, answerOf, type Schemas } from "../../../api/client";
import { useSite } from "../../../api/queries";
import { ChangedMeanwhile, readings, useOpened } from "../../../parts/ChangedMeanwhile";
import { monthNames } from "../../../parts/dates";
import { typedNumber } from "../../../parts/numbers";
import { FormSelect, type Options } from "../../../parts/SelectField";
import { useSend } from "../../../parts/useSend";
import { FormFields } from "./FormFields";
import { formLabels } from "./formLabels";
import { typedForm, type FormInput } from "../drawing/forms";
import { shapeOf } from "../drawing/things";
import { Dialog } from "../../../parts/Dialog";

interface Props {
  item?: Schemas["ItemView"];
  /** What was drawn, where it is new. */
  drawn?: { kind: string; form: FormInput };
  onSaved: (entry: Schemas["Entry"]) => void;
  onClose: () => void;
}

const number = (value: number | undefined) => (value === undefined ? "" : String(value));
const optional = (text: string) => (text.trim() === "" ? undefined : typedNumber(text));

/** blank is a thing as the form holds it: one that stands, or one that was drawn. */
const blank = (before: Schemas["ItemInput"] | undefined, drawn: Props["drawn"], south: boolean) => {
  return {
    name: before?.name ?? "",
    kind: before?.kind ?? drawn?.kind ?? "",
    ...typedForm(before ?? drawn?.form),
    inner: "",
    height: before?.height ?? "",
    crownBase: before?.crownBase ?? "",
    leaf: before?.leaf || "deciduous",
    leafFrom: String(before?.leafFrom || (south ? 10 : 4)),
    leafUntil: String(before?.leafUntil || (south ? 4 : 10)),
    tree: before?.tree ?? "",
    letsThrough: number(before?.letsThrough),
    reach: before?.reach ?? "",
    unsafe: before?.unsafe ?? "",
    fallPercent: number(before?.fallPercent),
    facesDeg: number(before?.facesDeg),
    deep: before?.deep ?? "",
    note: before?.note ?? "",
  };
};

const labels = {
  name: "Name",
  ...formLabels,
  height: "Height",
  crownBase: "Lowest leaves at",
  leaf: "Leaf",
  tree: "Poisons the ground",
  letsThrough: "Lets light through",
  reach: "Reaches beyond its edge",
  unsafe: "Unsafe",
  fallPercent: "Falls",
  facesDeg: "Faces",
  deep: "Deep",
  note: "Note",
};

/** ItemDialog sets a wall, a tree, water and the like on the plan, or changes one. */
export function ItemDialog({ item: stands, drawn, onSaved, onClose }: Props) {
  const site = useSite().data;
  const { send, sending, fault, stale, settle, at } = useSend();
  const [item, rebase] = useOpened(stands);
  const south = (site?.latitude ?? 0) < 0;
  const form = useForm({ defaultValues: blank(item?.input, drawn, south) });
  const { register, handleSubmit, control, reset, getValues } = form;
  const [kindWord, shape, leaf] = useWatch({ control, name: ["kind", "shape", "leaf"] });
  if (!site) return null;
  const kind = site.kinds.find((k) => k.kind === kindWord);
  const has = (field: string) =>
    kind !== undefined && (kind.needs.includes(field) || kind.takes.includes(field));
  const save = (version = item?.version ?? "") =>
    handleSubmit(async (typed) => {
      const body = {
        ...typed,
        turn: typedNumber(typed.turn),
        leaf: has("leaf") ? typed.leaf : "",
        leafFrom: has("leaf") ? Number(typed.leafFrom) : 0,
        leafUntil: has("leaf") ? Number(typed.leafUntil) : 0,
        letsThrough: optional(typed.letsThrough),
        fallPercent: optional(typed.fallPercent),
        facesDeg: optional(typed.facesDeg),
      };
      const entry = await send(() =>
        answerOf(
          item
            ? api.PUT("/api/plan/items/{id}", {
                params: { path: { id: item.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/plan/items", { body }),
        ),
      );
      if (!entry) return;
      onSaved(entry);
      onClose();
    });
  const eg = site.units === "us" ? "12 ft" : "4 m";
  const choice = (name: string, label: string, options: Options, help?: string) => (
    <FormSelect name={name} label={label} options={options} {...at(name, help)} />
  );
  return (
    <FormProvider {...form}>
      <Dialog onClose={onClose} maxWidth="sm" fullWidth>
        <form onSubmit={(event) => void save()(event)} noValidate>
          <DialogTitle>{item ? item.name || item.kind : `Set a ${kindWord} on the plan`}</DialogTitle>
          <DialogContent>
            {kind && <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>{kind.means}</Box>}
            <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 2 }}>
              <TextField label="Name" autoFocus {...register("name")} {...at("name", "May be left open")} />
              {kind && kind.shapes.length > 1 ? (
                choice(
                  "shape",
                  "Shape",
                  kind.shapes.map((s) => [s, s] as const),
                )
              ) : (
                <span />
              )}
              {has("height") && (
                <TextField label="Height" placeholder={eg} {...register("height")} {...at("height")} />
              )}
              {has("crownBase") && (
                <TextField
                  label="Lowest leaves at"
                  placeholder={eg}
                  {...register("crownBase")}
                  {...at("crownBase", "Left open: a quarter of its height")}
                />
              )}
              {has("leaf") &&
                choice("leaf", "Leaf", [
                  ["deciduous", "loses its leaf"],
                  ["evergreen", "evergreen"],
                ])}
              {has("leaf") && leaf === "deciduous" && (
                <>
                  {choice(
                    "leafFrom",
                    "In leaf from",
                    monthNames.map((m, i) => [String(i + 1), m] as const),
                  )}
                  {choice(
                    "leafUntil",
                    "to the end of",
                    monthNames.map((m, i) => [String(i + 1), m] as const),
                  )}
                </>
              )}
              {has("tree") &&
                choice(
                  "tree",
                  "Poisons the ground",
                  [["", "not on record"], ...site.trees.map((t) => [t.id, t.name] as const)],
                  site.trees.length > 0 ? "Trees whose roots or leaves keep others from growing" : undefined,
                )}
              {has("letsThrough") && (
                <TextField
                  label="Lets light through (%)"
                  {...register("letsThrough")}
                  {...at("letsThrough", "Left open: what is usual")}
                />
              )}
              {has("unsafe") &&
                choice("unsafe", "What makes it unsafe", [
                  ["", "choose"],
                  ...site.unsafe.map((u) => [u.kind, u.kind] as const),
                ])}
              {has("reach") && (
                <TextField
                  label="Reaches beyond its edge by"
                  placeholder={eg}
                  {...register("reach")}
                  {...at("reach", "Left open: what is usual")}
                />
              )}
              {has("deep") && (
                <TextField
                  label="How deep it goes"
                  placeholder={site.units === "us" ? "18 in" : "45 cm"}
                  {...register("deep")}
                  {...at("deep")}
                />
              )}
              {has("fallPercent") && (
                <TextField label="Falls (m in 100 m)" {...register("fallPercent")} {...at("fallPercent")} />
              )}
              {has("facesDeg") && (
                <TextField
                  label="Faces (degrees from north)"
                  {...register("facesDeg")}
                  {...at("facesDeg", "90 east, 180 south, 270 west")}
                />
              )}
            </Box>
            <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, mt: 2 }}>
              <FormFields shape={shapeOf(shape)} eg={eg} at={at} />
            </Box>
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
              rows={readings(labels, blank(stands?.input, undefined, south), getValues())}
              sending={sending}
              onTheirs={() => {
                rebase();
                reset(blank(stands?.input, undefined, south));
                settle();
              }}
              onMine={() => {
                rebase();
                void save(stands?.version)();
              }}
            />
            <Fault words={stale ? "" : fault} />
          </DialogContent>
          <DialogEnd onClose={onClose} act={item ? "Change it" : "Set it"} disabled={sending} />
        </form>
      </Dialog>
    </FormProvider>
  );
}
