import { Box, Button, TextField, Typography } from "@mui/material";
import { useState, type ReactNode } from "react";

import { Fault } from "../../parts/DialogEnd";
import { newKey, type Schemas } from "../../api/client";
import { dayNoted, noteOrKeep } from "../../api/outbox";
import { useSite } from "../../api/queries";
import { useUndo } from "../../parts/Undo";
import { AskBack } from "../../parts/AskBack";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { MarkChoice } from "../../parts/MarkChoice";
import { Meaning } from "../../parts/Meaning";
import { Photographs } from "../../parts/Photographs";
import { Question } from "../../parts/Question";
import { Ready } from "../../parts/Ready";
import { Sprig } from "../../parts/Sprig";
import { useSend } from "../../parts/useSend";
import { Stepper } from "./Stepper";

interface Props {
  stop: Schemas["Stop"];
  marks: string[];
  next?: string;
  onBack?: () => void;
  onDone: (looked: boolean) => void;
  children?: ReactNode;
}

/** StopForm asks what is seen of one planting. If the marked answer is right, one tap goes on. */
export function StopForm({ stop, marks, next, onBack, onDone, children }: Props) {
  const site = useSite().data;
  const { noted } = useUndo();
  const { send, sending, fields, fault, asked } = useSend();
  // A look is at what was on the page when it began, under one key however often it is sent.
  const [begun] = useState(() => ({ speciesId: stop.speciesId, clientKey: newKey() }));
  const [stage, setStage] = useState(stop.expected);
  const [share, setShare] = useState(stop.expectedShare);
  const [height, setHeight] = useState<number>();
  const [width, setWidth] = useState<number>();
  const [wrong, setWrong] = useState<string[]>([]);
  const [note, setNote] = useState("");
  const [all, setAll] = useState(false);
  const [writing, setWriting] = useState(false);
  const [more, setMore] = useState(false);
  const [count, setCount] = useState("");
  const [photos, setPhotos] = useState<string[]>([]);

  const typed = (value: number | undefined) => (value === undefined ? "" : `${value} ${stop.sizeStep}`);
  const onNext = async (affirmed: string[] = []) => {
    const answer = await send(() =>
      noteOrKeep({
        kind: "look",
        to: stop.id,
        key: begun.clientKey,
        words: `${stop.name}, ${stop.bed}: ${stage}`,
        body: {
          speciesId: begun.speciesId,
          day: dayNoted(site?.today ?? "", site?.pinned ?? false),
          stage,
          share,
          height: typed(height),
          width: typed(width),
          marks: wrong,
          count,
          photos,
          note,
          affirmed,
        },
      }),
    );
    if (answer === undefined) return;
    if (answer) noted(answer.entry);
    onDone(true);
  };
  const options = all ? stop.allStages : stop.options;
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {stop.name[0]?.toUpperCase() + stop.name.slice(1)}
        </Typography>
        {onBack && (
          <Button onClick={onBack} color="inherit">
            Back
          </Button>
        )}
      </Box>
      <Box sx={{ color: "text.secondary" }}>
        {stop.bed} · {stop.plantWords}
        {stop.identity !== "sure" && (
          <Box component="b" sx={{ color: "var(--forbid)" }}>
            {" "}
            · unproven, not for use
          </Box>
        )}
      </Box>
      {stop.bedNote && <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>Of the bed: {stop.bedNote}</Box>}
      {children}
      <Meaning of="look" />
      <Question
        text="What do you see?"
        error={fields.stage}
        note={
          <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <Box sx={{ flex: 1 }}>{stop.expectedWords}</Box>
            {!all && stop.allStages.length > stop.options.length && (
              <Button size="small" onClick={() => setAll(true)} sx={{ my: -0.5 }}>
                Something else
              </Button>
            )}
          </Box>
        }
      >
        <ChoiceRow label="Stage" columns={4}>
          {options.map((option) => (
            <Choice key={option} chosen={stage === option} onChoose={() => setStage(option)}>
              <Sprig species={stop.speciesId} stage={option} size={50} label="" />
              <span style={{ fontSize: 14, lineHeight: 1.1 }}>{option}</span>
            </Choice>
          ))}
        </ChoiceRow>
      </Question>
      <Question text="How many of them?" error={fields.share}>
        <ChoiceRow label="Share" columns={4}>
          {(site?.shares ?? []).map((word) => (
            <Choice key={word} chosen={share === word} onChoose={() => setShare(word)}>
              {word}
            </Choice>
          ))}
        </ChoiceRow>
      </Question>
      <Question
        text={height === undefined && width === undefined ? "Size, as expected" : "Size"}
        error={fields.height ?? fields.width}
      >
        <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(172px, 1fr))", gap: 1 }}>
          <Stepper
            name="tall"
            unit={stop.sizeStep}
            expected={stop.heightNumber}
            value={height}
            onChange={setHeight}
          />
          <Stepper
            name="wide"
            unit={stop.sizeStep}
            expected={stop.widthNumber}
            value={width}
            onChange={setWidth}
          />
        </Box>
      </Question>
      <Question text="Anything wrong?" error={fields.marks}>
        <MarkChoice marks={marks} likely={stop.likelyMarks} chosen={wrong} onChange={setWrong}>
          <Choice chosen={writing} onChoose={() => setWriting(!writing)}>
            write…
          </Choice>
          <Choice chosen={more} onChoose={() => setMore(!more)}>
            count, photograph…
          </Choice>
        </MarkChoice>
        {writing && (
          <TextField
            autoFocus
            multiline
            minRows={2}
            label="Note"
            value={note}
            onChange={(e) => setNote(e.target.value)}
            error={"note" in fields}
            helperText={fields.note}
            sx={{ mt: 1.2 }}
          />
        )}
        {more && (
          <>
            <TextField
              label="How many plants stand?"
              placeholder={String(stop.plants)}
              value={count}
              onChange={(e) => setCount(e.target.value)}
              error={"count" in fields}
              helperText={fields.count}
              slotProps={{ htmlInput: { inputMode: "numeric" } }}
              sx={{ mt: 1.2 }}
            />
            <Photographs photos={photos} onChange={setPhotos} fault={fields.photos} />
          </>
        )}
      </Question>
      <AskBack
        asked={asked}
        sending={sending}
        yes="Seen so: note it"
        onYes={(affirmed) => void onNext(affirmed)}
      />
      <Fault words={fault} />
      <Box sx={{ position: "sticky", bottom: { xs: 60, md: 0 }, background: "var(--paper)", pb: 1, mt: 1.5 }}>
        <Ready words={stop.ready} />
        <Box sx={{ display: "flex", gap: 1, pt: 1 }}>
          <Button variant="outlined" onClick={() => onDone(false)} sx={{ minHeight: 52, minWidth: 84 }}>
            Skip
          </Button>
          <Button
            variant="contained"
            disabled={sending}
            onClick={() => void onNext()}
            sx={{ minHeight: 52, flex: 1, fontSize: 17 }}
          >
            {next ? `Next: ${next}` : "Finish the round"}
          </Button>
        </Box>
      </Box>
    </>
  );
}
