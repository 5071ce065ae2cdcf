import { Alert, Box, Button, Checkbox, FormControlLabel, TextField, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";

import { newKey, type Schemas } from "../../../api/client";
import { noteOrKeep } from "../../../api/outbox";
import { Beside, Cautions } from "../../../parts/AllowanceBox";
import { Choice, ChoiceRow } from "../../../parts/Choices";
import { useDraft } from "../../../parts/useDraft";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { readScale, type Reading } from "./scale";

interface Props {
  kind: Schemas["OutKind"];
  day: string;
  onBack: () => void;
  onDone: () => void;
}

const where = ["all round", "the outer ones", "the tops", "one side"] as const;
const left = ["most of it", "about half", "a little"] as const;
const weathers = ["dry", "dew on it", "after rain", "hot"] as const;

/** Basket is one kind on its way into the basket: the test in the hand and what to mind first, then how much. */
export function Basket({ kind, day, onBack, onDone }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, asked } = useSend();
  const a = kind.allowance;
  // What is begun outside is not lost where the page is dropped.
  const [typed, change, forget] = useDraft(`basket:${kind.plantingId}:${a.part}:${day}`, {
    measure: kind.many,
    n: kind.units,
    clientKey: newKey(),
    where: "",
    left: "",
    weather: "",
    crownsBack: false,
    weighs: "",
    tookAnyway: false,
  });
  const [reading, setReading] = useState<Reading>();
  const stop = useRef<() => void>(undefined);
  useEffect(() => () => stop.current?.(), []);
  const weighed = typed.measure === "g";
  const known = kind.measures.find((one) => one.many === typed.measure);
  const step = weighed ? (typed.n >= 200 ? 20 : 5) : typed.n >= 60 ? 5 : 1;
  const grams = weighed
    ? typed.n
    : typed.measure === kind.many
      ? typed.n * kind.gramsEach
      : known
        ? typed.n * known.grams
        : undefined;
  const measures = [
    kind.many,
    "g",
    ...new Set([...kind.measures.map((one) => one.many), "handfuls", "bowls", "bunches", "boxes"]),
  ];
  const note = async () => {
    const answer = await send(() =>
      noteOrKeep({
        kind: "picking",
        to: kind.plantingId,
        key: typed.clientKey,
        words: `${kind.name}, ${kind.bed}: ${typed.n} ${typed.measure}`,
        body: {
          speciesId: kind.speciesId,
          day,
          part: a.part,
          amount: `${typed.n} ${typed.measure}`,
          measureWeighs: typed.weighs,
          where: typed.where,
          left: typed.left,
          weather: typed.weather,
          crownsBack: typed.crownsBack && a.crowns,
          tookAnyway: typed.tookAnyway,
        },
      }),
    );
    if (answer === undefined) return;
    if (answer) noted(answer.entry);
    forget();
    onDone();
  };
  const weigh = () => {
    change({ measure: "g", n: Math.round(kind.units * kind.gramsEach) });
    stop.current = readScale(kind.units * kind.gramsEach, (now) => {
      setReading(now);
      if (now.steady) change({ measure: "g", n: now.grams });
    });
  };
  const over = asked.some((question) => question.code === "took anyway") || typed.tookAnyway;
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {kind.name[0]?.toUpperCase() + kind.name.slice(1)}
        </Typography>
        <Button onClick={onBack} color="inherit">
          Back
        </Button>
      </Box>
      <Box>
        {kind.bed} · <b>{kind.today ? kind.planned : a.amount}</b>
      </Box>
      {!kind.today && kind.planned && <Box sx={{ color: "text.secondary" }}>{kind.planned}</Box>}
      <Box sx={{ borderLeft: "5px solid var(--bramble)", pl: 1.5, my: 1 }}>
        <Box sx={{ fontWeight: 700 }}>In the hand: {a.sign}</Box>
        <Box>{a.way}</Box>
        {a.weather && <Box sx={{ color: a.waitFor ? "var(--clay)" : "var(--leaf)" }}>{a.weather}</Box>}
        {a.past && <Box sx={{ color: "var(--clay)" }}>{a.past}</Box>}
        {a.hour && <Box sx={{ color: "text.secondary" }}>Hour: {a.hour}.</Box>}
        {a.beside.length > 0 && <Beside allowance={a} />}
        <Cautions allowance={a} />
      </Box>
      <Box role="group" aria-label="In what" sx={{ display: "flex", gap: 0.7, overflowX: "auto", pb: 0.5 }}>
        {measures.map((one) => (
          <Choice
            key={one}
            chosen={typed.measure === one}
            onChoose={() =>
              change({
                measure: one,
                n: one === kind.many ? kind.units : one === "g" ? Math.round(kind.units * kind.gramsEach) : 1,
              })
            }
          >
            {one === "g" ? "grams" : one}
          </Choice>
        ))}
      </Box>
      <Amount n={typed.n} unit={typed.measure} step={step} onChange={(n) => change({ n })} />
      <Box
        sx={{ display: "flex", justifyContent: "space-between", alignItems: "center", gap: 1, minHeight: 48 }}
      >
        <Box sx={{ color: "text.secondary" }}>
          {grams !== undefined && !weighed && `about ${Math.round(grams)} g`}
        </Box>
        <Button variant="outlined" onClick={weigh} sx={{ minHeight: 48 }}>
          {reading && !reading.steady ? `${reading.grams} g …` : "On the scale (simulated)"}
        </Button>
      </Box>
      {("measureWeighs" in fields || typed.weighs !== "") && (
        <TextField
          label={`One of them weighs`}
          value={typed.weighs}
          onChange={(event) => change({ weighs: event.target.value })}
          error={"measureWeighs" in fields}
          helperText={fields.measureWeighs ?? "Weighed once, it is kept"}
          sx={{ my: 1 }}
        />
      )}
      <Few
        label="Where on the plant"
        words={where}
        chosen={typed.where}
        onChoose={(words) => change({ where: words })}
      />
      <Few
        label="What was left"
        words={left}
        chosen={typed.left}
        onChoose={(words) => change({ left: words })}
      />
      <Few
        label="Weather"
        words={weathers}
        chosen={typed.weather}
        onChoose={(words) => change({ weather: words })}
      />
      {a.crowns && (
        <FormControlLabel
          control={<Checkbox checked={typed.crownsBack} onChange={(_, on) => change({ crownsBack: on })} />}
          label="The crowns with their buds were put back"
        />
      )}
      {over && (
        <FormControlLabel
          control={<Checkbox checked={typed.tookAnyway} onChange={(_, on) => change({ tookAnyway: on })} />}
          label="I took it all the same"
        />
      )}
      {[
        fault,
        ...Object.entries(fields)
          .filter(([name]) => name !== "measureWeighs")
          .map(([, words]) => words),
        ...asked.map((one) => one.words),
      ]
        .filter((words) => words)
        .map((words) => (
          <Alert key={words} severity="error" sx={{ my: 1 }}>
            {words}
          </Alert>
        ))}
      <Button
        variant="contained"
        fullWidth
        disabled={sending || !(typed.n > 0)}
        onClick={() => void note()}
        sx={{ minHeight: 56, mt: 1 }}
      >
        {typed.n} {typed.measure} in the basket
      </Button>
    </>
  );
}

interface AmountProps {
  n: number;
  unit: string;
  step: number;
  onChange: (n: number) => void;
}

/** Amount counts up and down by the thumb. */
function Amount({ n, unit, step, onChange }: AmountProps) {
  const button = { width: 72, minHeight: 60, fontSize: 26 };
  return (
    <Box role="group" aria-label="How much" sx={{ display: "flex", alignItems: "center", gap: 1, my: 1 }}>
      <Button
        variant="outlined"
        aria-label="less"
        sx={button}
        onClick={() => onChange(Math.max(step, n - step))}
      >
        −
      </Button>
      <TextField
        value={String(n)}
        onChange={(event) => onChange(Math.max(0, Math.round(Number(event.target.value)) || 0))}
        slotProps={{
          htmlInput: {
            inputMode: "numeric",
            "aria-label": `How many ${unit}`,
            style: { textAlign: "center", fontSize: 24, fontWeight: 700 },
          },
        }}
        sx={{ flex: 1 }}
      />
      <Button variant="outlined" aria-label="more" sx={button} onClick={() => onChange(n + step)}>
        +
      </Button>
    </Box>
  );
}

interface FewProps {
  label: string;
  words: readonly string[];
  chosen: string;
  onChoose: (words: string) => void;
}

/** Few are a few words of which one may be touched, or none. */
function Few({ label, words, chosen, onChoose }: FewProps) {
  return (
    <Box sx={{ my: 0.8 }}>
      <Box sx={{ fontSize: 14, color: "text.secondary" }}>{label}</Box>
      <ChoiceRow label={label} columns={words.length}>
        {words.map((one) => (
          <Choice key={one} chosen={chosen === one} onChoose={() => onChoose(chosen === one ? "" : one)}>
            <span style={{ fontSize: 14, lineHeight: 1.15 }}>{one}</span>
          </Choice>
        ))}
      </ChoiceRow>
    </Box>
  );
}
