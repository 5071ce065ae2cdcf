import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, shownVersion } from "../../../api/client";
import { DayField } from "../../../parts/DayField";
import { dayMonth } from "../../../parts/dates";
import { useKept } from "../../../parts/shownDay";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import type { PlanView } from "./field";
import type { Chosen } from "./Field";

interface Props {
  view: PlanView;
  chosen: Chosen;
  /** The day that it is moved to; empty while it stays. */
  moving: string;
  onMoving: (day: string) => void;
}

/** PickPanel is a picking: what it comes to, what moving it costs, and the knot that ties it to its day. */
export function PickPanel({ view, chosen, moving, onMoving }: Props) {
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale, settle } = useSend();
  const [why, setWhy] = useState("");
  const { stand, pick } = chosen;
  const tie = {
    plantingId: stand.plantingId,
    part: stand.part,
    from: pick.day,
    day: moving || pick.day,
    why,
  };
  const untie = { plantingId: stand.plantingId, part: stand.part, day: pick.day };
  const ask = moving
    ? { on: view.season, tie: { ...tie, why: "" } }
    : pick.tied
      ? { on: view.season, untie }
      : undefined;
  const tried = useQuery({
    queryKey: ["try plan", ask, view.version],
    queryFn: () => answerOf(api.POST("/api/season-plan/try", { body: ask ?? { on: view.season } })),
    enabled: ask !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = async (change: { tie?: typeof tie; untie?: typeof untie }) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/season-plan", {
          params: { header: shownVersion(view.version) },
          body: { on: view.season, ...change },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onMoving("");
  };
  const custom = stand.customs.find((one) => one.day === (moving || pick.day));
  return (
    <Box
      component="section"
      aria-label="The picking"
      sx={{ borderLeft: "4px solid var(--bramble)", pl: 1.5, py: 0.5, fontSize: 14.5 }}
    >
      <Typography variant="h3" component="h2">
        {dayMonth(pick.day)}, {stand.name}
      </Typography>
      <Box>
        <Link to={kept(`/plantings/${stand.plantingId}`)}>{stand.bed}</Link>: {pick.words}.
      </Box>
      {pick.tied && <Box>Tied{pick.why && `: ${pick.why}`}.</Box>}
      {custom && <Box sx={{ color: "var(--bramble)" }}>{custom.words}</Box>}
      <Box sx={{ my: 1, maxWidth: 230 }}>
        <DayField
          label="Pick it on"
          value={moving || pick.day}
          onChange={(day) => onMoving(day === pick.day ? "" : day)}
        />
      </Box>
      {moving && tried.error && <Alert severity="warning">{tried.error.message}</Alert>}
      {ask && tried.data && !tried.error && (
        <Box
          sx={{ color: tried.data.costs ? "var(--clay)" : "var(--leaf)", fontWeight: 700 }}
          aria-live="polite"
        >
          {moving ? tried.data.words : `Untied: ${tried.data.words}`}
          {tried.data.moves && <span style={{ fontWeight: 400 }}> Else {tried.data.moves}.</span>}
        </Box>
      )}
      {(moving || !pick.tied) && (
        <TextField
          label="What for"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          sx={{ my: 1 }}
        />
      )}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {(moving || !pick.tied) && (
          <Button
            variant="contained"
            disabled={sending || (moving !== "" && tried.error !== null)}
            onClick={() => void keep({ tie })}
          >
            Tie it to {dayMonth(moving || pick.day)}
          </Button>
        )}
        {pick.tied && !moving && (
          <Button variant="outlined" disabled={sending} onClick={() => void keep({ untie })}>
            Untie
          </Button>
        )}
        {moving && <Button onClick={() => onMoving("")}>Leave it where it is</Button>}
      </Box>
      {(fault || stale || Object.keys(fields).length > 0) && (
        <Alert severity="error" sx={{ mt: 1 }} onClose={settle}>
          {stale || fault || Object.values(fields).join(" ")}
        </Alert>
      )}
    </Box>
  );
}
