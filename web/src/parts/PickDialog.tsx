import { Checkbox, DialogContent, DialogTitle, FormControlLabel, MenuItem, TextField } from "@mui/material";
import { useState } from "react";

import { DialogEnd, Fault } from "./DialogEnd";
import { newKey } from "../api/client";
import { dayNoted, keptWords, noteOrKeep } from "../api/outbox";
import { usePlanting, useSite } from "../api/queries";
import { useUndo } from "./Undo";
import { AllowanceBox, Cautions } from "./AllowanceBox";
import { useFirst } from "./useFirst";
import { useSend } from "./useSend";
import { DayField } from "./DayField";
import { Dialog } from "./Dialog";

/** PickDialog notes a picking, with the allowance and the cautions beside it. */
export function PickDialog({
  plantingId,
  part: asked,
  onClose,
}: {
  plantingId: number;
  part?: string;
  onClose: () => void;
}) {
  const planting = usePlanting(plantingId).data;
  const site = useSite().data;
  const { noted, say } = useUndo();
  const { send, sending, fields, fault, asked: askedBack, at } = useSend();
  const speciesId = useFirst(planting)?.speciesId;
  const [clientKey] = useState(newKey);
  const [chosen, setPart] = useState(asked);
  const [amount, setAmount] = useState("");
  const [day, setDay] = useState<string>();
  const [note, setNote] = useState("");
  const [tookAnyway, setTookAnyway] = useState(false);
  const [measureWeighs, setMeasureWeighs] = useState("");
  const [crownsBack, setCrownsBack] = useState(false);
  if (!planting || !site) return null;

  const part =
    chosen ?? planting.allowances.find((a) => a.offered)?.part ?? planting.allowances[0]?.part ?? "";
  const allowance = planting.allowances.find((a) => a.part === part);
  const onSave = async () => {
    const answer = await send(() =>
      noteOrKeep({
        kind: "picking",
        to: plantingId,
        key: clientKey,
        words: `${planting.name}, ${planting.bed}: ${amount} of ${part}`,
        body: {
          speciesId,
          day: day ?? dayNoted(site.today, site.pinned),
          part,
          amount,
          note,
          tookAnyway,
          measureWeighs,
          crownsBack: crownsBack && allowance?.crowns,
        },
      }),
    );
    if (answer === undefined) return;
    if (answer) noted(answer.entry);
    else say(keptWords);
    onClose();
  };
  const over = askedBack.some((question) => question.code === "took anyway") || tookAnyway;
  const weighs = "measureWeighs" in fields || measureWeighs !== "";
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>
        {planting.name[0]?.toUpperCase() + planting.name.slice(1)} · {planting.bed}
      </DialogTitle>
      <DialogContent>
        <TextField
          select
          label="Part"
          value={part}
          onChange={(e) => setPart(e.target.value)}
          sx={{ my: 1 }}
          {...at("part")}
        >
          {planting.allowances.map((a) => (
            <MenuItem key={a.part} value={a.part}>
              {a.part}
            </MenuItem>
          ))}
        </TextField>
        {allowance && <AllowanceBox allowance={allowance} />}
        <TextField
          autoFocus
          label="How much did you take?"
          value={amount}
          onChange={(e) => setAmount(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter") void onSave();
          }}
          placeholder={allowance ? `${allowance.units || 6} ${allowance.unitName}` : ""}
          sx={{ my: 1 }}
          {...at(
            "amount",
            `In ${allowance?.unitName ?? "pieces"}, as a weight (310 g, 1/4 lb, 50 g dried), or in handfuls, bowls, cups`,
          )}
        />
        {weighs && (
          <TextField
            label="One of them weighs"
            value={measureWeighs}
            onChange={(e) => setMeasureWeighs(e.target.value)}
            sx={{ my: 1 }}
            {...at("measureWeighs", "Weighed once, it is kept")}
          />
        )}
        {allowance?.crowns && (
          <FormControlLabel
            control={<Checkbox checked={crownsBack} onChange={(e) => setCrownsBack(e.target.checked)} />}
            label="The crowns with their buds were put back: those plants stay"
          />
        )}
        {over && (
          <FormControlLabel
            control={<Checkbox checked={tookAnyway} onChange={(e) => setTookAnyway(e.target.checked)} />}
            label="I took it all the same"
          />
        )}
        <DayField label="Day" value={day ?? site.today} onChange={setDay} last={site.today} {...at("day")} />
        <TextField
          label="Note"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          sx={{ my: 1 }}
          {...at("note")}
        />
        {allowance && <Cautions allowance={allowance} />}
        <Fault words={fault} />
      </DialogContent>
      <DialogEnd onClose={onClose} act="Note it" onAct={() => void onSave()} disabled={sending} />
    </Dialog>
  );
}
