import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { answerOf, api, type Schemas } from "../../api/client";
import { useGather, useSite } from "../../api/queries";
import { Reckoning } from "../../parts/Reckoning";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { AwayDialog } from "./AwayDialog";
import { CustomDayDialog } from "./CustomDayDialog";
import { FeastDialog } from "./FeastDialog";
import { Head } from "./Head";
import { MakeDoDialog } from "./MakeDoDialog";
import { Needs } from "./Needs";
import { useCustomDays, useMakeDo, useSeasonPlan } from "./queries";

/** NeedsAndMeans is what the household needs in a year, and what its pickings have to make do with. */
export function NeedsAndMeans() {
  const gather = useGather();
  const makeDo = useMakeDo().data;
  const plan = useSeasonPlan(undefined, 0).data;
  const site = useSite().data;
  const customs = useCustomDays(site?.customs ?? false).data;
  const [open, setOpen] = useState<"feast" | "away" | "makeDo" | "custom">();
  const close = () => setOpen(undefined);
  if (gather.error) return <Trouble reason={gather.error} />;
  if (!gather.data || !makeDo || !site) return <Reckoning />;
  const needs = gather.data.needs;
  return (
    <>
      <Head
        title="Needs and means"
        words="What a year asks for, and what there is to make do with: the plan of the season is made of them."
      />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 340px" },
          columnGap: 4,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {needs.length > 0 ? (
            <Needs needs={needs} />
          ) : (
            <p>Nothing that stands on the plot can be taken yet.</p>
          )}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Means makeDo={makeDo} onChange={() => setOpen("makeDo")} />
          <Dated
            title="Away"
            empty="Somebody is always there."
            rows={makeDo.away.map((one) => ({
              id: one.id,
              words: one.words + (one.note && `, ${one.note}`),
            }))}
            add="Add days away"
            onAdd={() => setOpen("away")}
            drop={(id) => answerOf(api.DELETE("/api/days-away/{id}", { params: { path: { id } } }))}
          />
          <Dated
            title="Feasts and markets"
            empty="Nothing has to be ready by a day."
            rows={(plan?.feasts ?? []).map((one) => ({
              id: one.id,
              words: `${one.name}: ${one.words}${one.isPast ? " (past)" : ""}`,
            }))}
            add="Add a feast or market"
            onAdd={() => setOpen("feast")}
            drop={(id) => answerOf(api.DELETE("/api/feasts/{id}", { params: { path: { id } } }))}
          />
          {site.customs && (
            <Dated
              title="Days that ask for a plant"
              empty="No custom of yours asks for a plant on a day."
              rows={customs ?? []}
              add="Add a day"
              onAdd={() => setOpen("custom")}
              drop={(id) => answerOf(api.DELETE("/api/custom-days/{id}", { params: { path: { id } } }))}
            />
          )}
        </Box>
      </Box>
      {open === "makeDo" && <MakeDoDialog makeDo={makeDo} onClose={close} />}
      {open === "away" && <AwayDialog today={site.today} onClose={close} />}
      {open === "feast" && <FeastDialog needs={needs} today={site.today} onClose={close} />}
      {open === "custom" && <CustomDayDialog needs={needs} onClose={close} />}
    </>
  );
}

function Means({ makeDo, onChange }: { makeDo: Schemas["MakeDoView"]; onChange: () => void }) {
  const said = makeDo.days
    .map((day, i) => ({ day, minutes: makeDo.minutes[i] ?? "" }))
    .filter((one) => one.minutes !== "");
  return (
    <Box component="section" aria-label="Drier and time" sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Drier and time
        </Typography>
        <Button size="small" onClick={onChange} aria-label="Change the drier and the time for picking">
          Change
        </Button>
      </Box>
      <Box>
        {makeDo.trays === ""
          ? "Nobody said how many trays there are."
          : makeDo.trays === "0"
            ? "There is no drier."
            : `${makeDo.trays} trays of ${makeDo.trayWords}, ${makeDo.warmth}, ${makeDo.movingAir ? "with a fan" : "in still air"}.`}
      </Box>
      <Box>
        {said.length > 0
          ? `Picking: ${said.map((one) => `${one.day} ${one.minutes} min`).join(", ")}.`
          : makeDo.noLimit
            ? "Nobody said how much time there is."
            : "Picking has all the time that there is for the garden."}
      </Box>
    </Box>
  );
}

interface DatedProps {
  title: string;
  empty: string;
  rows: { id: number; words: string }[];
  add: string;
  onAdd: () => void;
  drop: (id: number) => Promise<Schemas["Entry"]>;
}

/** Dated are things of a day that are added and taken off. */
function Dated({ title, empty, rows, add, onAdd, drop }: DatedProps) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {title}
        </Typography>
        <Button size="small" onClick={onAdd}>
          {add}
        </Button>
      </Box>
      {rows.length === 0 && <Box sx={{ color: "text.secondary" }}>{empty}</Box>}
      {rows.map((row) => (
        <Box
          key={row.id}
          sx={{ display: "flex", gap: 1, alignItems: "center", borderTop: "1px dotted var(--rule)" }}
        >
          <Box sx={{ flex: 1 }}>{row.words}</Box>
          <Button
            size="small"
            disabled={sending}
            aria-label={`Take off: ${row.words}`}
            onClick={() => void send(() => drop(row.id)).then((entry) => entry && noted(entry))}
          >
            Take off
          </Button>
        </Box>
      ))}
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
    </Box>
  );
}
