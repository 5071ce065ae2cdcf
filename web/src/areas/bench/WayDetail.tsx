import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

import type { Schemas } from "../../api/client";
import { shortDay } from "../../parts/dates";

/** WayDetail is one way in full: what it takes, when, why it may fail, and what it rests on. */
export function WayDetail({
  way,
  warnings,
  children,
}: {
  way: Schemas["WayView"];
  warnings: string[];
  children: ReactNode;
}) {
  return (
    <Box component="section" aria-label={`${way.title}, ${way.where}`}>
      <Typography variant="h2">
        {way.title}, {way.where}
      </Typography>
      {way.startText && <Box sx={{ fontWeight: 700, fontSize: 17 }}>{capital(way.startText)}</Box>}
      {way.possible && (
        <Box>
          {way.chanceIs && <b>{way.chanceIs}</b>}
          {way.plants && ` · ${way.plants} plants stand`}
          {way.ready && `, ready ${way.ready.text}`}
        </Box>
      )}
      {way.latestBy && <Box>{capital(way.latestBy)}.</Box>}
      {way.because && <Box sx={{ color: "var(--leaf)" }}>Of these ways: {way.because}.</Box>}
      {children}
      <Steps steps={way.steps} />
      <List title="At hand" items={way.has} mark="✓" colour="var(--leaf)" />
      <List title="Missing" items={way.lacks} mark="–" colour="var(--clay)" />
      {way.harvests.length > 0 && (
        <Part title="First harvest">
          {way.harvests.map((one) => (
            <Box key={one.part}>
              {capital(one.part)}: {one.text}
            </Box>
          ))}
        </Part>
      )}
      <List title="Why it may fail" items={[...way.fails, ...way.wrong]} mark="·" colour="var(--forbid)" />
      {way.how && <Part title="How">{way.how}</Part>}
      {way.loses && way.possible && <Box sx={{ fontSize: 14.5, mt: 0.5 }}>{way.loses}</Box>}
      {warnings.length > 0 && (
        <Part title="Before you make more of it">
          {warnings.map((words) => (
            <Box key={words} sx={{ color: "var(--forbid)" }}>
              {words}
            </Box>
          ))}
        </Part>
      )}
      <Box sx={{ fontSize: 13.5, color: "text.secondary", mt: 1 }}>
        {way.possible && `${capital(way.money)}, ${way.hours} of work. `}It rests on figures whose weakest is{" "}
        {article(way.standing)}.{way.missing.length > 0 && ` Not on record: ${way.missing.join("; ")}.`}
        {way.assumed.length > 0 && ` Range assumed: ${way.assumed.join("; ")}.`}
      </Box>
    </Box>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const article = (word: string) =>
  word === "usual" ? "usual knowledge" : word === "guess" ? "a guess" : word;

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ mt: 1.2, fontSize: 14.5 }}>
      <Typography variant="h3">{title}</Typography>
      {children}
    </Box>
  );
}

function List({
  title,
  items,
  mark,
  colour,
}: {
  title: string;
  items: string[];
  mark: string;
  colour: string;
}) {
  if (items.length === 0) return null;
  return (
    <Part title={title}>
      {items.map((words) => (
        <Box key={words} sx={{ display: "flex", gap: 0.8 }}>
          <Box aria-hidden sx={{ color: colour, fontWeight: 700 }}>
            {mark}
          </Box>
          {capital(words)}
        </Box>
      ))}
    </Part>
  );
}

/** Steps are the way's steps as a line of pieces, each as long as it lasts. */
function Steps({ steps }: { steps: Schemas["WayStepView"][] }) {
  if (steps.length === 0) return null;
  return (
    <Part title="Step by step">
      {steps.map((step) => (
        <Box key={step.step} sx={{ display: "grid", gridTemplateColumns: "132px 1fr", columnGap: 1 }}>
          <Box sx={{ color: "text.secondary" }}>
            {shortDay(step.from)}
            {step.until !== step.from && ` – ${shortDay(step.until)}`}
          </Box>
          <Box>
            {step.words}
            {step.where && `, ${step.where}`}
          </Box>
        </Box>
      ))}
    </Part>
  );
}
