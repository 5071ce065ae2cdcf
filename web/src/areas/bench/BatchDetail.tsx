import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { usePlot, useSite } from "../../api/queries";
import { shortDay } from "../../parts/dates";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { bedChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { StepMark } from "./StepMark";

type Batch = Schemas["BatchView"];

interface Props {
  batch: Batch;
  /** Why it does not fit, and when it would; nothing where it does. */
  unfit?: Schemas["UnfitBatchView"];
  onClose: () => void;
  onMove: (stay: number) => void;
}

/** BatchDetail is one batch: where it is, what comes next, and what can be noted of it. */
export function BatchDetail({ batch, unfit, onClose, onMove }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const [opened, setOpened] = useState<"begin" | "count" | "out" | "first">();
  const end = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/batches/{id}/end", { params: { path: { id: batch.id } }, body: {} })),
    );
    if (entry) noted(entry);
  };
  const close = () => setOpened(undefined);
  const tray = batch.trayIds[0];
  return (
    <Box component="section" aria-label={`Batch of ${batch.name}`} sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {batch.name}
        </Typography>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
        <i>{batch.botanical}</i> · {batch.way}
        {batch.lot && ` · seed ${batch.lot}`}
        {batch.mother && ` · of ${batch.mother}`}
      </Box>
      <Box sx={{ fontWeight: 700 }}>{capital(batch.state)}</Box>
      <Box sx={{ fontSize: 14.5 }}>
        {batch.wanted} wanted{batch.bed && ` in ${batch.bed}`}
        {batch.begun && `; ${batch.standing} stand`}
        {batch.outSoFar > 0 && `, ${batch.outSoFar} are out`}
      </Box>
      {unfit && (
        <Box sx={{ borderLeft: "5px solid var(--clay)", pl: 1, my: 0.7, fontSize: 14.5 }}>
          <b>It does not fit.</b> {unfit.why} {unfit.offer}
        </Box>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.8, my: 1 }}>
        {!batch.begun && (
          <Button variant="contained" size="small" onClick={() => setOpened("begin")}>
            {batch.done}
          </Button>
        )}
        {batch.begun && tray !== undefined && (
          <Button variant="contained" size="small" component={Link} to={`/bench/trays/${tray}`}>
            Count the tray
          </Button>
        )}
        {batch.begun && batch.trays > 0 && tray === undefined && (
          <Button variant="contained" size="small" component={Link} to="/bench/trays">
            Set into cells
          </Button>
        )}
        {batch.begun && (
          <Button variant="outlined" size="small" onClick={() => setOpened("out")}>
            Plant out
          </Button>
        )}
        {batch.begun && tray === undefined && (
          <Button variant="outlined" size="small" onClick={() => setOpened("count")}>
            Count
          </Button>
        )}
        <Button size="small" component="a" href={`/api/files/bench-labels?batch=${batch.id}`} target="_blank">
          Labels
        </Button>
        <Button size="small" onClick={() => setOpened("first")}>
          Goes first?
        </Button>
        <Button size="small" disabled={sending} onClick={() => void end()}>
          {batch.begun ? "End it" : "Give it up"}
        </Button>
      </Box>
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
      {batch.stays.map((stay, i) => (
        <Box
          key={stay.step + stay.from}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            borderTop: "1px dotted var(--rule)",
            fontSize: 14.5,
          }}
        >
          <StepMark.One step={stay.step} />
          <Box sx={{ flex: 1 }}>
            {stay.words}, {stay.place}
            <Box sx={{ color: "text.secondary", fontSize: 13.5 }}>
              {shortDay(stay.from)} – {shortDay(stay.until)}
            </Box>
          </Box>
          <Button size="small" onClick={() => onMove(i)} aria-label={`Move ${stay.words} of ${batch.name}`}>
            Move
          </Button>
        </Box>
      ))}
      <Box sx={{ fontSize: 14.5, borderTop: "1px dotted var(--rule)", pt: 0.5 }}>
        Out about {shortDay(batch.out)}
      </Box>
      {batch.counts.length > 0 && (
        <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>{batch.counts.join(" · ")}</Box>
      )}
      {opened === "begin" && <BeginDialog batch={batch} onClose={close} />}
      {opened === "count" && <CountDialog batch={batch} onClose={close} />}
      {opened === "out" && <PlantOutDialog batch={batch} onClose={close} />}
      {opened === "first" && <FirstDialog batch={batch} onClose={close} />}
    </Box>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

interface DialogProps {
  batch: Batch;
  onClose: () => void;
}

function BeginDialog({ batch, onClose }: DialogProps) {
  const today = useSite().data?.today ?? "";
  return (
    <FormDialog
      title={`${capital(batch.name)}: ${batch.done.toLowerCase()}`}
      act="Note it"
      values={{ day: today, starts: String(batch.starts) }}
      fields={[
        { name: "day", label: "On", kind: "day" },
        { name: "starts", label: "How many", kind: "number" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/batches/{id}/begin", {
            params: { path: { id: batch.id } },
            body: { day: typed.day ?? "", starts: whole(typed.starts) },
          }),
        )
      }
    />
  );
}

function CountDialog({ batch, onClose }: DialogProps) {
  const today = useSite().data?.today ?? "";
  return (
    <FormDialog
      title={`Count ${batch.name}`}
      act="Note the count"
      values={{ kind: "up", plants: String(batch.standing), day: today, note: "" }}
      fields={[
        {
          name: "kind",
          label: "What",
          kind: "choice",
          options: [
            ["up", "came up, or rooted, in all"],
            ["gone", "were lost since"],
            ["potted", "were potted on"],
          ],
        },
        { name: "plants", label: "How many", kind: "number" },
        { name: "day", label: "On", kind: "day" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/batches/{id}/counts", {
            params: { path: { id: batch.id } },
            body: {
              kind: typed.kind as "up",
              plants: whole(typed.plants),
              day: typed.day ?? "",
              note: typed.note,
            },
          }),
        )
      }
    />
  );
}

const stages = ["shooting", "leafing", "full leaf", "in bud", "first flower", "full flower"];

function PlantOutDialog({ batch, onClose }: DialogProps) {
  const today = useSite().data?.today ?? "";
  const beds = usePlot().data?.beds;
  if (!beds) return null;
  return (
    <FormDialog
      title={`Plant out ${batch.name}`}
      act="Plant them out"
      yes="Plant them out all the same"
      values={{
        day: today,
        plants: String(batch.standing),
        bedId: String(batch.bedId || (beds[0]?.id ?? 0)),
        stage: "",
        note: "",
      }}
      fields={[
        {
          name: "bedId",
          label: "Into which bed",
          kind: "choice",
          options: bedChoices(beds, "choose a bed").slice(1),
        },
        { name: "plants", label: "How many plants", kind: "number" },
        { name: "day", label: "On", kind: "day" },
        {
          name: "stage",
          label: "Most of them are",
          kind: "choice",
          options: [["", "not looked at"], ...stages.map((stage) => [stage, stage] as const)],
          help: "The forecast goes on from there",
        },
        { name: "note", label: "Note", wide: true },
      ]}
      onClose={onClose}
      send={(typed, _, affirmed) =>
        answerOf(
          api.POST("/api/batches/{id}/plant-out", {
            params: { path: { id: batch.id } },
            body: {
              day: typed.day ?? "",
              plants: whole(typed.plants),
              bedId: whole(typed.bedId),
              stage: typed.stage || undefined,
              note: typed.note,
              affirmed,
            },
          }),
        )
      }
    >
      <Box sx={{ fontSize: 14.5, color: "text.secondary", mt: 0.5 }}>
        {batch.standing} stand. It becomes a planting with where it came from, and is unproven until it is
        checked.
      </Box>
    </FormDialog>
  );
}

function FirstDialog({ batch, onClose }: DialogProps) {
  const beds = usePlot().data?.beds ?? [];
  return (
    <FormDialog
      title={`${capital(batch.name)}: what goes first`}
      act="Note it"
      values={{ priority: String(batch.priority), food: batch.food ? "yes" : "", bedId: String(batch.bedId) }}
      version={batch.version}
      fields={[
        {
          name: "priority",
          label: "Where not all fits",
          kind: "choice",
          options: [
            ["5", "it goes first"],
            ["4", "it goes early"],
            ["3", "like the others"],
            ["2", "it can wait"],
            ["1", "it goes last"],
          ],
        },
        {
          name: "bedId",
          label: "It is to stand in",
          kind: "choice",
          options: bedChoices(beds, "not decided"),
        },
        { name: "food", label: "It is food, and goes before all others", kind: "tick", wide: true },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/batches/{id}", {
            params: { path: { id: batch.id }, header: { "If-Match": `"${version}"` } },
            body: {
              priority: whole(typed.priority),
              food: typed.food === "yes",
              bedId: whole(typed.bedId) || undefined,
            },
          }),
        )
      }
    />
  );
}
