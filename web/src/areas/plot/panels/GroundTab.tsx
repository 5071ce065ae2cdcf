import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import { useGround } from "../../../api/queries";
import { useUndo } from "../../../parts/Undo";
import { shortDay } from "../../../parts/dates";
import { LineButton } from "../../../parts/LineButton";
import { Trouble } from "../../../parts/Trouble";
import { ReadingDialog } from "../dialogs/ReadingDialog";
import { SunMonths } from "./SunMonths";

interface Props {
  bedId: number;
  onSaved: (entry: Schemas["Entry"]) => void;
}

const strengthMark: Record<string, string> = { strong: "●●●", fair: "●●", slight: "●" };

/** GroundTab is what is known of a bed's ground and sun, and what it is known from. */
export function GroundTab({ bedId, onSaved }: Props) {
  const query = useGround(bedId);
  const { say } = useUndo();
  const [reading, setReading] = useState(false);
  const ground = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!ground) return <Box sx={{ minHeight: 300 }} />;
  const against = ground.aspects.flatMap((a) => a.against);
  const drop = async (id: number) => {
    try {
      onSaved(await answerOf(api.DELETE("/api/readings/{id}", { params: { path: { id } } })));
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  return (
    <>
      <Button variant="contained" onClick={() => setReading(true)} sx={{ mb: 1 }}>
        Read a sign or make a test
      </Button>
      {against.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--clay)", pl: 1.2, my: 1, fontSize: 14.5 }}>
          This does not go together. {words}
        </Box>
      ))}
      {ground.aspects.map((aspect) => (
        <Aspect key={aspect.id} aspect={aspect} />
      ))}
      <Typography variant="h3" component="h2" sx={{ mt: 2 }}>
        Sun
      </Typography>
      <Box sx={{ fontSize: 14.5 }}>{ground.sun.words}</Box>
      <SunMonths months={ground.sun.months} open={ground.sun.open} />
      {ground.sun.takers.map((taker) => (
        <Box
          key={taker.itemId}
          sx={{ fontSize: 14.5, display: "flex", borderBottom: "1px dotted var(--rule)", py: 0.4 }}
        >
          <Box sx={{ flex: 1 }}>{taker.name} takes</Box>
          <Box>{taker.words}</Box>
        </Box>
      ))}
      <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
        Its place
      </Typography>
      <Box sx={{ fontSize: 14.5, "& > div": { py: 0.3, borderBottom: "1px dotted var(--rule)" } }}>
        <div>Shelter: {ground.shelter}</div>
        <div>Warmth: {ground.warmth}</div>
        <div>Edge: {ground.edge}</div>
        <div>
          {ground.winter} Hardiness zone of the plot: {ground.zone}.
        </div>
        {ground.beside.map((b) => (
          <div key={b.words}>Next to {b.words}</div>
        ))}
      </Box>
      {ground.readings.length > 0 && (
        <Typography variant="h3" component="h2" sx={{ mt: 2, mb: 0.5 }}>
          What was read
        </Typography>
      )}
      {ground.readings.map((r) => (
        <Box
          key={r.id}
          sx={{ display: "flex", gap: 1, fontSize: 14.5, py: 0.3, borderBottom: "1px dotted var(--rule)" }}
        >
          <Box sx={{ width: 62, color: "text.secondary", flex: "none" }}>{shortDay(r.day)}</Box>
          <Box sx={{ flex: 1 }}>
            {r.name}
            {r.note && <Box sx={{ color: "text.secondary" }}>{r.note}</Box>}
          </Box>
          <Button
            size="small"
            color="inherit"
            sx={{ minHeight: 28, minWidth: 30, p: 0 }}
            onClick={() => void drop(r.id)}
            aria-label={`Take away: ${r.name}`}
          >
            ×
          </Button>
        </Box>
      ))}
      {reading && <ReadingDialog ground={ground} onSaved={onSaved} onClose={() => setReading(false)} />}
    </>
  );
}

/** Aspect is one scale: how sure each class is, and the evidence with its strength. */
function Aspect({ aspect }: { aspect: Schemas["AspectView"] }) {
  const [open, setOpen] = useState(false);
  const known = aspect.evidence.length > 0;
  return (
    <Box sx={{ borderBottom: "1px dotted var(--rule)", py: 0.7 }}>
      <LineButton onClick={() => setOpen(!open)} expanded={open} disabled={!known}>
        <Box sx={{ display: "flex", fontSize: 15, gap: 1 }}>
          <Box sx={{ flex: 1 }}>{aspect.name}</Box>
          <Box
            sx={{
              color: known ? "inherit" : "text.secondary",
              fontWeight: known ? 700 : 400,
              textAlign: "right",
            }}
          >
            {known ? aspect.words : "not known"}
          </Box>
        </Box>
        {known && (
          <Box sx={{ display: "flex", gap: "2px", mt: 0.4 }} aria-hidden>
            {aspect.classes.map((c) => (
              <Box
                key={c.word}
                title={c.word}
                sx={{
                  flex: 1,
                  height: 9,
                  background: `color-mix(in srgb, var(--bramble) ${Math.round(8 + c.chance * 92)}%, var(--card))`,
                  border: "1px solid var(--rule)",
                }}
              />
            ))}
          </Box>
        )}
      </LineButton>
      {open &&
        aspect.evidence.map((e) => (
          <Box key={`${e.name}${e.from}`} sx={{ fontSize: 14, pl: 1, pt: 0.5 }}>
            <span aria-label={e.strength}>{strengthMark[e.strength]}</span> {e.name}: {e.strength} for{" "}
            {e.speaksFor}{" "}
            <span style={{ color: "var(--softInk)" }}>
              ({e.from}; {e.standing})
            </span>
          </Box>
        ))}
    </Box>
  );
}
