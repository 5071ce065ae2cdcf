import { Box, Button, DialogActions, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useEffect, useState } from "react";

import { Fault } from "./DialogEnd";
import { newKey, type Schemas } from "../api/client";
import { dayNoted, keptWords, noteOrKeep } from "../api/outbox";
import { usePlanting, useSite } from "../api/queries";
import { useUndo } from "./Undo";
import { AskBack } from "./AskBack";
import { Choice, ChoiceRow } from "./Choices";
import { MarkChoice } from "./MarkChoice";
import { MovedBox } from "./MovedBox";
import { Photographs } from "./Photographs";
import { Question } from "./Question";
import { Ready } from "./Ready";
import { Sprig } from "./Sprig";
import { useFirst } from "./useFirst";
import { useSend } from "./useSend";
import { DayField } from "./DayField";
import { Dialog } from "./Dialog";

/** ObserveDialog notes what is seen of one planting, and then shows how its dates moved and why. */
export function ObserveDialog({ plantingId, onClose }: { plantingId: number; onClose: () => void }) {
  const planting = usePlanting(plantingId).data;
  const site = useSite().data;
  const { noted, undo, say, line } = useUndo();
  const { send, sending, fields, fault, asked, at } = useSend();
  const speciesId = useFirst(planting)?.speciesId;
  const [clientKey] = useState(newKey);
  const [stage, setStage] = useState<string>();
  const [share, setShare] = useState("most");
  const [day, setDay] = useState<string>();
  const [height, setHeight] = useState("");
  const [width, setWidth] = useState("");
  const [marks, setMarks] = useState<string[]>([]);
  const [note, setNote] = useState("");
  const [count, setCount] = useState("");
  const [photos, setPhotos] = useState<string[]>([]);
  const [moved, setMoved] = useState<Schemas["Observed"]>();

  const save = (affirmed: string[]) =>
    noteOrKeep({
      kind: "look",
      to: plantingId,
      key: clientKey,
      words: `${planting?.name}, ${planting?.bed}: ${stage ?? planting?.expected}`,
      body: {
        speciesId,
        day: day ?? dayNoted(site?.today ?? "", site?.pinned ?? false),
        stage: stage ?? planting?.expected ?? "",
        share,
        height,
        width,
        marks,
        count,
        photos,
        note,
        affirmed,
      },
    });
  const onSave = async (affirmed: string[] = []) => {
    const answer = await send(() => save(affirmed));
    if (answer === undefined) return;
    if (answer === null) {
      say(keptWords);
      onClose();
      return;
    }
    noted(answer.entry);
    if (answer.moved) setMoved(answer);
    else onClose();
  };
  const isTakenBack = moved !== undefined && line?.takenBack === moved.entry.id;
  useEffect(() => {
    if (isTakenBack) onClose(); // what it says of the look holds no more
  }, [isTakenBack, onClose]);
  if (!planting || !site) return null;
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth ownUndo={moved !== undefined}>
      <DialogTitle>
        {planting.name[0]?.toUpperCase() + planting.name.slice(1)} · {planting.bed}
      </DialogTitle>
      {moved ? (
        <DialogContent>
          {moved.moved && <MovedBox moved={moved.moved} />}
          <Box sx={{ mt: 2 }}>
            <Ready words={moved.ready} />
          </Box>
        </DialogContent>
      ) : (
        <DialogContent>
          <Box sx={{ color: "text.secondary" }}>{planting.plantWords}</Box>
          <Question text="What do you see?" note={`Expected: ${planting.expected}`} error={fields.stage}>
            <ChoiceRow label="Stage" columns={5}>
              {planting.options.map((option) => (
                <Choice
                  key={option}
                  chosen={(stage ?? planting.expected) === option}
                  onChoose={() => setStage(option)}
                >
                  <Sprig species={planting.speciesId} stage={option} size={42} label="" />
                  <span style={{ fontSize: 13 }}>{option}</span>
                </Choice>
              ))}
            </ChoiceRow>
          </Question>
          <Question text="How many of them?" error={fields.share}>
            <ChoiceRow label="Share" columns={4}>
              {site.shares.map((word) => (
                <Choice key={word} chosen={share === word} onChoose={() => setShare(word)}>
                  {word}
                </Choice>
              ))}
            </ChoiceRow>
          </Question>
          <Question text="Size, if you measured it">
            <Box sx={{ display: "flex", gap: 1 }}>
              <TextField
                label="Height"
                placeholder={planting.height}
                value={height}
                onChange={(e) => setHeight(e.target.value)}
                {...at("height")}
              />
              <TextField
                label="Width"
                placeholder={planting.width}
                value={width}
                onChange={(e) => setWidth(e.target.value)}
                {...at("width")}
              />
              <DayField
                label="Day"
                value={day ?? site.today}
                onChange={setDay}
                last={site.today}
                {...at("day")}
              />
            </Box>
          </Question>
          <Question text="Anything wrong?" error={fields.marks}>
            <MarkChoice marks={site.marks} chosen={marks} onChange={setMarks} />
          </Question>
          <Question text="Counted or photographed?">
            <TextField
              label="How many plants stand?"
              placeholder={String(planting.plants)}
              value={count}
              onChange={(e) => setCount(e.target.value)}
              slotProps={{ htmlInput: { inputMode: "numeric" } }}
              {...at("count")}
            />
            <Photographs photos={photos} onChange={setPhotos} fault={fields.photos} />
          </Question>
          <TextField
            label="Note"
            multiline
            minRows={2}
            value={note}
            onChange={(e) => setNote(e.target.value)}
            sx={{ mt: 2 }}
            {...at("note")}
          />
          <AskBack
            asked={asked}
            sending={sending}
            yes="Seen so: note it"
            onYes={(affirmed) => void onSave(affirmed)}
          />
          <Fault words={fault} />
        </DialogContent>
      )}
      <DialogActions sx={{ px: 3, pb: 2 }}>
        {moved ? (
          <>
            <Button color="inherit" onClick={() => void undo(moved.entry)}>
              Undo
            </Button>
            <Button variant="contained" onClick={onClose} autoFocus>
              Close
            </Button>
          </>
        ) : (
          <>
            <Button onClick={onClose}>Leave</Button>
            <Button variant="contained" disabled={sending} onClick={() => void onSave()}>
              Note it
            </Button>
          </>
        )}
      </DialogActions>
    </Dialog>
  );
}
