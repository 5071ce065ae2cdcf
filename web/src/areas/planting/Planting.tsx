import { Alert, Box, Button, Typography } from "@mui/material";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";

import { Refusal } from "../../api/client";
import { usePlanting, usePlot } from "../../api/queries";
import { Meaning } from "../../parts/Meaning";
import { useActs } from "../../parts/acts";
import { useKept, useShownDay } from "../../parts/shownDay";
import { AllowanceBox } from "../../parts/AllowanceBox";
import { GroundNotices } from "../../parts/GroundNotices";
import { MovedBox } from "../../parts/MovedBox";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { LedgerList } from "../../parts/LedgerList";
import { PlantingDialog } from "../../parts/PlantingDialog";
import { PlantingEnd } from "../../parts/PlantingEnd";
import { CareYear } from "./CareYear";
import { KeepShareDialog } from "./KeepShareDialog";
import { Looks } from "./Looks";
import { SharesBar } from "./SharesBar";
import { YearChart } from "./YearChart";

/** Planting is everything about one planting: its year, what was seen, what may be taken, what was noted. */
export function Planting() {
  const id = Number(useParams().id);
  const { asked, isToday } = useShownDay();
  const query = usePlanting(id, asked);
  const beds = usePlot(asked).data?.beds ?? [];
  const { select, observe, pick } = useActs();
  const kept = useKept();
  const [changing, setChanging] = useState(false);
  const [keeping, setKeeping] = useState<string>();
  useEffect(() => {
    select(id);
    return () => select(undefined);
  }, [id, select]);
  const p = query.data;
  if (query.error instanceof Refusal && query.error.status === 404)
    return (
      <p>
        There is no such planting. <Link to="/plot">Back to the plot</Link>
      </p>
    );
  if (query.error) return <Trouble reason={query.error} />;
  if (!p) return <Box sx={{ minHeight: 600 }} />;
  const unproven = p.identity !== "sure";
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "flex-start", flexWrap: "wrap", mb: 1.5 }}>
        <Sprig species={p.speciesId} stage={p.stage} size={62} label="" />
        <Box sx={{ flex: 1, minWidth: 220 }}>
          <Typography variant="h1">
            {p.name[0]?.toUpperCase() + p.name.slice(1)} · {p.bed}
          </Typography>
          <Box sx={{ color: "text.secondary" }}>
            <i>{p.botanical}</i> · {p.family} · {p.plantWords} ·{" "}
            <b style={{ color: unproven ? "var(--forbid)" : undefined }}>{p.identity}</b>
          </Box>
          <Box>
            <b>{p.stageWords}</b>
            {isToday ? " today" : " on the shown day"} · {p.seenWords}
            {p.height && ` · about ${p.height} tall`}
          </Box>
          {unproven && <Meaning of="unproven" />}
        </Box>
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }} className="no-print">
          <Button variant="contained" onClick={() => observe(p.id)} disabled={p.removed}>
            Note what you see
          </Button>
          <Button variant="outlined" onClick={() => pick(p.id)} disabled={p.removed}>
            Note a picking
          </Button>
          <Button variant="outlined" component={Link} to={kept(`/plantings/${p.id}/check`)}>
            {unproven ? "Check what it is" : "Look again"}
          </Button>
          <Button color="inherit" onClick={() => setChanging(true)} disabled={p.removed}>
            Change
          </Button>
        </Box>
      </Box>
      {p.removed && (
        <Alert severity="info" variant="outlined" sx={{ mb: 2 }}>
          This planting was removed. The <Link to={kept("/ledger")}>ledger</Link> can take that back.
        </Alert>
      )}
      <Box
        sx={{
          borderLeft: `5px solid var(${p.identity === "sure" ? "--leaf" : "--forbid"})`,
          pl: 1.2,
          my: 1,
        }}
      >
        {p.proof}
      </Box>
      <GroundNotices notices={p.ground} />
      {p.fates.map((fate) => (
        <Box
          key={fate.id}
          sx={{
            borderLeft: `5px solid var(${fate.outcome === "failed" ? "--forbid" : "--leaf"})`,
            pl: 1.2,
            my: 1,
          }}
        >
          {fate.words}
        </Box>
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.62fr) minmax(0, 1fr)" },
          gap: 2.5,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {p.shares.length > 0 && <SharesBar shares={p.shares} species={p.speciesId} />}
          {p.stages.length > 0 && <YearChart planting={p} />}
          <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.7 }}>
            A bar is when the stage is reached, 8 in 10; a diamond is a look
            {p.moved ? "; the dashed line, where it stood before the last look" : ""}. {p.pace} Rests on
            figures of standing “{p.standing}”.
          </Box>
          {p.moved && p.moved.stages.length > 0 && (
            <Box sx={{ mt: 2 }}>
              <Typography variant="h2" sx={{ mb: 1 }}>
                How the last look moved the dates
              </Typography>
              <MovedBox moved={p.moved} />
            </Box>
          )}
          <CareYear care={p.care} />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            {isToday ? "What may be taken today" : "What may be taken on that day"}
          </Typography>
          {p.allowances.length === 0 && <p>No part of it is taken.</p>}
          {p.allowances.map((a, i) => (
            <AllowanceBox
              key={a.part}
              allowance={a}
              listOwed={i === 0}
              onPick={isToday && !p.removed ? () => pick(p.id, a.part) : undefined}
              onKeep={isToday && !p.removed ? () => setKeeping(a.part) : undefined}
            />
          ))}
          {p.verdicts
            .filter((v) => !p.allowances.some((a) => a.part === v.part))
            .map((v) => (
              <Box key={v.part} sx={{ color: "text.secondary", fontSize: 14.5 }}>
                {v.part}: {v.verdicts.join(", ")}
              </Box>
            ))}
          {!unproven && (
            <>
              <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
                Told apart from
              </Typography>
              {p.lookAlikes.map((l) => (
                <Box
                  key={l.botanical}
                  sx={{ fontSize: 14.5, py: 0.5, borderBottom: "1px dotted var(--rule)" }}
                >
                  <b>{l.lookAlike}</b> <i>{l.botanical}</i>,{" "}
                  <span
                    style={{
                      color: l.danger === "deadly" || l.danger === "poisonous" ? "var(--forbid)" : undefined,
                    }}
                  >
                    {l.danger}
                  </span>
                  . {l.decides}
                </Box>
              ))}
            </>
          )}
          {p.labelled && <Box sx={{ fontSize: 14.5, mt: 1 }}>Label: {p.source}</Box>}
          {p.note && <Box sx={{ fontSize: 14.5, mt: 1 }}>Note: {p.note}</Box>}
          <Box sx={{ fontSize: 14, color: "text.secondary", mt: 1 }}>
            Also called {p.otherNames.join(", ")}.
          </Box>
          {p.neighbours.length > 0 && (
            <>
              <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
                Within reach of a spade
              </Typography>
              {p.neighbours.map((n) => (
                <Box
                  key={n.plantingId}
                  sx={{ fontSize: 14.5, py: 0.4, borderBottom: "1px dotted var(--rule)" }}
                >
                  <Link to={kept(`/plantings/${n.plantingId}`)}>{n.name}</Link>, {n.bed}: {n.words}
                </Box>
              ))}
            </>
          )}
          <Looks looks={p.looks} plantingId={p.id} />
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            History
          </Typography>
          <LedgerList lines={p.history} short />
          {!p.removed && (
            <Box className="no-print" sx={{ mt: 1.5, ml: -1 }}>
              <PlantingEnd planting={{ id: p.id, name: p.name, bed: p.bed }} />
            </Box>
          )}
        </Box>
      </Box>
      {changing && <PlantingDialog plantingId={p.id} beds={beds} onClose={() => setChanging(false)} />}
      {p.allowances
        .filter((a) => a.part === keeping)
        .map((a) => (
          <KeepShareDialog
            key={a.part}
            plantingId={p.id}
            allowance={a}
            onClose={() => setKeeping(undefined)}
          />
        ))}
    </>
  );
}
