import { Box, Button, Typography } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../../api/client";
import { usePlanting } from "../../../api/queries";
import { useActs } from "../../../parts/acts";
import { useKept, useShownDay } from "../../../parts/shownDay";
import { GroundNotices } from "../../../parts/GroundNotices";
import { Sprig } from "../../../parts/Sprig";
import { PlantingEnd } from "../../../parts/PlantingEnd";

interface Props {
  planted: Schemas["PlantedView"];
  onChange: () => void;
  onRemoved: () => void;
  onBed: () => void;
  onWhere: () => void;
}

/** PlantingPanel is what is known of the planting chosen on the plan. */
export function PlantingPanel({ planted, onChange, onRemoved, onBed, onWhere }: Props) {
  const { asked } = useShownDay();
  const planting = usePlanting(planted.id, asked).data;
  const { observe } = useActs();
  const kept = useKept();
  const next = planting?.stages.filter((s) => !s.past).slice(0, 4) ?? [];
  return (
    <>
      <Typography variant="h1" sx={{ fontSize: "1.6rem" }}>
        {planted.name[0]?.toUpperCase() + planted.name.slice(1)} · {planted.bed}
      </Typography>
      <Box sx={{ color: "text.secondary" }}>
        {planted.plantWords} ·{" "}
        <Box
          component="span"
          sx={{
            color: planted.identity === "sure" ? "inherit" : "var(--forbid)",
            fontWeight: planted.identity === "sure" ? 400 : 700,
          }}
        >
          {planted.identity}
        </Box>
      </Box>
      <Box
        sx={{
          display: "flex",
          gap: 1.5,
          alignItems: "center",
          background: "var(--card)",
          border: "1px solid var(--rule)",
          borderRadius: "3px",
          p: 1,
          my: 1.2,
        }}
      >
        <Sprig species={planted.speciesId} stage={planted.stage} size={54} label="" />
        <Box>
          <Box sx={{ fontWeight: 700 }}>{planted.stageWords}</Box>
          <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>{planted.seenWords}</Box>
          {planted.height && (
            <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
              about {planted.height} tall, {planted.width} wide
            </Box>
          )}
        </Box>
      </Box>
      <GroundNotices notices={planted.ground} />
      {planted.fitWhy && (
        <Box sx={{ borderLeft: "5px solid var(--clay)", pl: 1.2, my: 1, fontSize: 14.5 }}>
          The bed suits it {planted.verdict === "fairly" ? "only fairly" : "badly"}: {planted.fitWhy}.
        </Box>
      )}
      {next.map((stage) => (
        <Box
          key={stage.bbch}
          sx={{ display: "flex", py: 0.5, borderBottom: "1px dotted var(--rule)", fontSize: 15, gap: 1 }}
        >
          <Box sx={{ flex: 1 }}>{stage.stage}</Box>
          <Box sx={{ textAlign: "right" }}>{stage.dates.text}</Box>
        </Box>
      ))}
      {planting?.allowances
        .filter((a) => a.refusal?.kind !== "unsafe ground")
        .map((a) => (
          <Box key={a.part} sx={{ py: 0.5, borderBottom: "1px dotted var(--rule)", fontSize: 15 }}>
            <b>{a.part}:</b>{" "}
            {a.refusal ? (
              <span style={{ color: "var(--softInk)" }}>{a.refusal.why}</span>
            ) : (
              `${a.amount}${a.offered ? `, ${a.weight}` : ""}`
            )}
          </Box>
        ))}
      <Box sx={{ display: "flex", gap: 1, mt: 2, flexWrap: "wrap" }}>
        <Button variant="contained" onClick={() => observe(planted.id)}>
          Note what you see
        </Button>
        <Button variant="outlined" component={Link} to={kept(`/plantings/${planted.id}`)}>
          Open
        </Button>
        <Button color="inherit" onClick={onBed}>
          To the bed
        </Button>
        <Button color="inherit" onClick={onChange}>
          Change
        </Button>
        <Button color="inherit" onClick={onWhere}>
          Where would it go best
        </Button>
        <PlantingEnd planting={{ id: planted.id, name: planted.name, bed: planted.bed }} onGone={onRemoved} />
      </Box>
    </>
  );
}
