import { Alert, Box, Button, Typography, useMediaQuery, useTheme } from "@mui/material";
import { useMemo, useState } from "react";

import { useRound } from "../../api/queries";
import { useKept } from "../../api/outbox";
import { useGo } from "../../parts/shownDay";
import { CameUpDialog } from "../../parts/CameUpDialog";
import { RefusedHere, WaitingHere } from "../../parts/RefusedHere";
import { Trouble } from "../../parts/Trouble";
import { PageLine, useUndo } from "../../parts/Undo";
import { AsExpected } from "./AsExpected";
import { Done } from "./Done";
import { OrderDialog } from "./OrderDialog";
import { StopForm } from "./StopForm";

const looks = ["look"] as const;

/** Round is the walk: one planting at a time, bed by bed, the expected answer marked. */
export function Round() {
  const query = useRound();
  const waiting = useKept().filter((kept) => kept.kind === "look" && !kept.refused).length;
  const go = useGo();
  const { line } = useUndo();
  const narrow = useMediaQuery(useTheme().breakpoints.down("md"));
  // The stop by its planting, since what is noted meanwhile may change their order; nothing at the walk's end.
  const [at, setAt] = useState<number | "end">();
  // Looks noted on this walk without a network count as seen, too.
  const [passed, setPassed] = useState<ReadonlySet<number>>(new Set());
  const [ordering, setOrdering] = useState(false);
  const [noting, setNoting] = useState(false);

  const round = query.data;
  const first = useMemo(() => {
    const index = round?.stops.findIndex((stop) => !stop.seenToday) ?? -1;
    return index < 0 ? round?.stops.length : index;
  }, [round]);
  if (query.error && !round) return <Trouble reason={query.error} />;
  if (!round) return <Box sx={{ minHeight: 500 }} />;
  const begun = round.stops.findIndex((one) => one.id === at);
  const index = at === "end" ? round.stops.length : begun >= 0 ? begun : (first ?? 0);
  const goTo = (to: number) => setAt(round.stops[to]?.id ?? "end");
  const stop = round.stops[index];
  const next = round.stops[index + 1];
  // The plants of this bed from here on of which nobody doubts what they are at.
  const sureHere: typeof round.stops = [];
  for (const one of round.stops.slice(index)) {
    if (one.bed !== stop?.bed || !one.sure || one.seenToday || passed.has(one.id)) break;
    sureHere.push(one);
  }
  const done = round.stops.filter((s) => s.seenToday || passed.has(s.id)).length;

  if (round.stops.length === 0)
    return <p>Nothing stands in the beds yet. Set a planting on the plot first.</p>;
  return (
    <Box sx={{ maxWidth: 560, mx: "auto" }}>
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          alignItems: "center",
          gap: 1,
          color: "text.secondary",
          fontSize: 15,
          whiteSpace: { sm: "nowrap" },
          minHeight: { xs: 44, md: 0 },
        }}
      >
        {narrow && line ? (
          <PageLine />
        ) : (
          <>
            <span>
              Round · {stop ? `bed ${stop.bedNumber} of ${round.beds}` : `${round.beds} beds`} · {done} of{" "}
              {round.stops.length} seen
            </span>
            <Button size="small" onClick={() => setOrdering(true)}>
              Order
            </Button>
            <WaitingHere kinds={looks} />
          </>
        )}
      </Box>
      <Box sx={{ height: 6, background: "var(--rule)", borderRadius: "3px", my: 1 }} aria-hidden>
        <Box
          sx={{
            height: 6,
            width: `${(done / round.stops.length) * 100}%`,
            background: "var(--bramble)",
            borderRadius: "3px",
          }}
        />
      </Box>
      <RefusedHere kinds={looks} yes="Seen so" />
      {noting && <CameUpDialog bedId={stop?.bedId} onClose={() => setNoting(false)} />}
      {stop && (stop.missed || stop.worth) && (
        <Box sx={{ color: "var(--clay)", fontSize: 15 }}>
          {stop.missed && <span>Passed by on the last round. </span>}
          <Emphasised words={stop.worth} />
        </Box>
      )}
      {stop ? (
        <StopForm
          key={stop.id}
          stop={stop}
          marks={round.marks}
          next={next?.name}
          onBack={index > 0 ? () => goTo(index - 1) : undefined}
          onDone={(looked) => {
            if (looked) setPassed(new Set([...passed, stop.id]));
            goTo(index + 1);
          }}
        >
          {sureHere.length > 1 && (
            <AsExpected
              stops={sureHere}
              onDone={(looked) => {
                setPassed(new Set([...passed, ...looked.map((one) => one.id)]));
                goTo(index + looked.length);
              }}
            />
          )}
        </StopForm>
      ) : (
        <>
          <Typography variant="h1" sx={{ mt: 3 }}>
            The round is done
          </Typography>
          <p>
            {done} of {round.stops.length} plantings were looked at today.
          </p>
          {waiting > 0 && (
            <Alert severity="info" variant="outlined" sx={{ mb: 2 }}>
              {waiting} looks wait on this device and are sent as soon as the plot can be reached.
            </Alert>
          )}
          <Done />
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button variant="contained" onClick={() => void go("/")}>
              What to do now
            </Button>
            <Button variant="outlined" onClick={() => goTo(0)}>
              From the first bed
            </Button>
          </Box>
        </>
      )}
      <Box sx={{ textAlign: "center", mt: 1 }}>
        <Button onClick={() => setNoting(true)}>Something came up by itself</Button>
      </Box>
      {ordering && <OrderDialog onClose={() => setOrdering(false)} />}
    </Box>
  );
}

/** Emphasised are words of which those between asterisks stand in italics. */
function Emphasised({ words }: { words: string }) {
  return words
    .split("*")
    .map((part, i) => (i % 2 === 1 ? <i key={part}>{part}</i> : <span key={part}>{part}</span>));
}
