import { Alert, Box, Button, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useState } from "react";

import { answerOf, api, shownVersion, type Schemas } from "../../../api/client";
import { useSpecies } from "../../../api/queries";
import { Dialog } from "../../../parts/Dialog";
import { DialogEnd, Fault } from "../../../parts/DialogEnd";
import { typedNumber } from "../../../parts/numbers";
import { same, SelectField } from "../../../parts/SelectField";
import { SpeciesField } from "../../../parts/SpeciesField";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";

interface Props {
  recipe?: Schemas["RecipeView"];
  makings: Schemas["MakingsView"];
  onClose: () => void;
}

interface Part {
  species: string;
  part: string;
  share: string;
}

/** RecipeDialog writes a recipe, or changes one: what it is, what goes in by weight. */
export function RecipeDialog({ recipe, makings, onClose }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale, at } = useSend();
  const species = useSpecies().data ?? [];
  const of = recipe?.recipe;
  const [name, setName] = useState(of?.name ?? "");
  const [making, setMaking] = useState(of?.making ?? "mix");
  const [note, setNote] = useState(of?.note ?? "");
  const [days, setDays] = useState(of?.days ? String(of.days) : "");
  const [parts, setParts] = useState<Part[]>(
    of?.parts.map((p) => ({ species: p.species, part: p.part, share: String(p.share) })) ?? [
      { species: "", part: "", share: "1" },
    ],
  );
  const set = (i: number, change: Partial<Part>) =>
    setParts((before) => before.map((p, k) => (k === i ? { ...p, ...change } : p)));
  const save = async () => {
    const body: Schemas["Recipe"] = {
      name,
      making,
      note,
      days: Math.trunc(typedNumber(days)) || 0,
      mlPerGram: of?.mlPerGram ?? 0,
      keepsMonths: of?.keepsMonths ?? 0,
      steps: of?.steps ?? [],
      parts: parts
        .filter((p) => p.species !== "" || p.part !== "")
        .map((p) => ({ species: p.species, part: p.part, share: typedNumber(p.share) || 0 })),
    };
    const entry = await send(() =>
      recipe
        ? answerOf(
            api.PUT("/api/store/recipes/{id}", {
              params: { path: { id: recipe.id }, header: shownVersion(recipe.version) },
              body,
            }),
          )
        : answerOf(api.POST("/api/store/recipes", { body })),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <DialogTitle>{recipe ? "Change the recipe" : "Write a recipe"}</DialogTitle>
        <DialogContent>
          <Box sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" }, gap: 1.5, mt: 1 }}>
            <TextField
              label="Name"
              value={name}
              onChange={(event) => setName(event.target.value)}
              {...at("name")}
            />
            <SelectField
              label="It is made so"
              value={making}
              onChange={setMaking}
              options={makings.makings.filter((m) => !m.bags).map((m): [string, string] => [m.id, m.name])}
              {...at("making")}
            />
            <TextField
              label="Stands how many days"
              value={days}
              onChange={(event) => setDays(event.target.value)}
              {...at("days", "Empty: as is usual")}
            />
          </Box>
          <Box role="group" aria-label="What goes in" sx={{ mt: 2 }}>
            {parts.map((part, i) => (
              <Box
                key={i}
                sx={{ display: "grid", gridTemplateColumns: { sm: "2fr 1.3fr 0.7fr" }, gap: 1, mb: 1 }}
              >
                <SpeciesField
                  species={species}
                  label={`Plant ${i + 1}`}
                  value={part.species}
                  onChange={(id) => set(i, { species: id, part: "" })}
                  {...at(`parts.${i}`)}
                />
                <SelectField
                  label={`Part of it ${i + 1}`}
                  value={part.part}
                  onChange={(value) => set(i, { part: value })}
                  options={same(makings.plants.find((p) => p.id === part.species)?.parts ?? [])}
                />
                <TextField
                  label={`Parts ${i + 1}`}
                  value={part.share}
                  onChange={(event) => set(i, { share: event.target.value })}
                />
              </Box>
            ))}
            <Button
              size="small"
              onClick={() => setParts((before) => [...before, { species: "", part: "", share: "1" }])}
            >
              One more
            </Button>
          </Box>
          {fields.parts && <Alert severity="error">{fields.parts}</Alert>}
          <TextField
            label="Note"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            multiline
            minRows={2}
            fullWidth
            sx={{ mt: 1.5 }}
            {...at("note")}
          />
          <Fault words={stale || fault} />
        </DialogContent>
        <DialogEnd onClose={onClose} act="Keep it" disabled={sending} />
      </form>
    </Dialog>
  );
}
