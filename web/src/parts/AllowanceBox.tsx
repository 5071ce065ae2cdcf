import { Box, Button } from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../api/client";

interface Props {
  allowance: Schemas["AllowanceView"];
  /** Shown where a picking can be noted. */
  onPick?: () => void;
  /** Shown where a rule of what stays can be set. */
  onKeep?: () => void;
  /** Opened from the start, as beside the act itself. */
  open?: boolean;
  /** The checks owed are listed once on a page, not with every part. */
  listOwed?: boolean;
}

/** AllowanceBox is how much may be taken, with every limit one click away, and the cautions beside it. */
export function AllowanceBox({ allowance: a, onPick, onKeep, open = false, listOwed = true }: Props) {
  const [shown, setShown] = useState(open);
  const edge = a.refusal ? "--rule" : a.offered ? "--leaf" : "--straw";
  return (
    <Box
      sx={{
        borderLeft: `5px solid var(${edge})`,
        background: "var(--card)",
        border: "1px solid var(--rule)",
        borderLeftWidth: 5,
        borderLeftColor: `var(${edge})`,
        borderRadius: "3px",
        p: "8px 12px",
        mb: 1.2,
      }}
      data-testid={`allowance-${a.part}`}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "baseline", flexWrap: "wrap" }}>
        <Box component="b" sx={{ flex: 1 }}>
          {a.verb} {a.part}
        </Box>
        {a.limits.length > 0 && (
          <Button size="small" aria-expanded={shown} onClick={() => setShown(!shown)} sx={{ minHeight: 30 }}>
            {shown ? "Less" : "Why"}
          </Button>
        )}
        {onPick && !a.refusal && (
          <Button
            size="small"
            variant={a.offered ? "contained" : "outlined"}
            onClick={onPick}
            sx={{ minHeight: 30 }}
          >
            Note picking
          </Button>
        )}
      </Box>
      <Box sx={{ fontWeight: a.offered ? 700 : 400 }}>
        {a.amount}
        {a.offered && <span style={{ fontWeight: 400 }}> · {a.weight}</span>}
      </Box>
      {a.refusal && <Refused refusal={a.refusal} listOwed={listOwed} />}
      {a.weather && (
        <Box sx={{ fontSize: 14, color: a.waitFor ? "var(--clay)" : "var(--leaf)" }}>{a.weather}</Box>
      )}
      {a.past && <Box sx={{ fontSize: 14, color: "var(--clay)" }}>{a.past}</Box>}
      {a.keeps && <Box sx={{ fontSize: 14 }}>{a.keeps}: your own rule.</Box>}
      {a.notices.map((words) => (
        <Box key={words} sx={{ fontSize: 14, color: "var(--clay)" }}>
          {words}
        </Box>
      ))}
      {a.beside.length > 0 && !a.refusal && <Beside allowance={a} />}
      {shown && !a.refusal && (
        <Box sx={{ fontSize: 14.5, mt: 0.6 }}>
          <Box component="ul" aria-label="Limits" sx={{ m: 0, p: 0, listStyle: "none" }}>
            {a.limits.map((limit) => (
              <Box
                component="li"
                key={limit.kind}
                sx={{
                  display: "flex",
                  gap: 1.5,
                  py: 0.3,
                  borderTop: "1px dotted var(--rule)",
                  fontWeight: limit.binding ? 700 : 400,
                }}
              >
                <Box sx={{ width: 130, flex: "none" }}>{limit.amount}</Box>
                <Box>{limit.reason}</Box>
              </Box>
            ))}
          </Box>
          <Box sx={{ borderTop: "1px dotted var(--rule)", pt: 0.6, mt: 0.3 }}>
            <b>In the hand:</b> {a.sign} <b>How:</b> {a.way}
          </Box>
          <Told name="Its age" words={a.age} />
          <Told name="Hour" words={a.hour} />
          <Told name="Weather" words={a.fit} />
          <Told name="Before" words={a.taken} />
          {onKeep && (
            <Button size="small" onClick={onKeep} aria-label={`What stays of the ${a.part}`}>
              {a.keeps ? "Change what stays" : "Leave more for bees, birds or seed"}
            </Button>
          )}
          <Box sx={{ color: "text.secondary", fontSize: 13.5, mt: 0.3 }}>
            Rests on figures of standing “{a.standing}”.
          </Box>
        </Box>
      )}
      {shown && <Cautions allowance={a} />}
    </Box>
  );
}

function Told({ name, words }: { name: string; words: string }) {
  if (!words) return null;
  return (
    <Box>
      <b>{name}:</b> {words}
    </Box>
  );
}

/** Beside is what stands within reach of the spade, before roots are lifted. */
export function Beside({ allowance: a }: { allowance: Schemas["AllowanceView"] }) {
  return (
    <Box sx={{ fontSize: 14 }}>
      Within reach of the spade:{" "}
      {a.beside.map((n) => `${n.name}${n.bed ? ` (${n.bed})` : ""}, ${n.words}`).join("; ")}.
    </Box>
  );
}

/** Cautions stand where the act is. */
export function Cautions({ allowance: a }: { allowance: Schemas["AllowanceView"] }) {
  return (
    <Box sx={{ mt: 0.8, fontSize: 14 }}>
      {a.hazards.map((hazard) => (
        <Box key={hazard} sx={{ color: "var(--clay)" }}>
          {hazard}
        </Box>
      ))}
      {a.cautions.length === 0 ? (
        <Box sx={{ color: "text.secondary" }}>No caution on record here.</Box>
      ) : (
        <Box component="ul" aria-label="Cautions" sx={{ m: "4px 0 0", pl: 2.2, color: "var(--forbid)" }}>
          {a.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </Box>
      )}
      {a.customs.map((custom) => (
        <Box key={custom} sx={{ fontStyle: "italic", mt: 0.3 }}>
          Custom of {custom}
        </Box>
      ))}
      <Box sx={{ color: "text.secondary", fontSize: 13.5, mt: 0.4 }}>
        Ask a doctor or pharmacist before use as a remedy.
      </Box>
    </Box>
  );
}

function Refused({ refusal, listOwed }: { refusal: Schemas["RefusalView"]; listOwed: boolean }) {
  const grave = refusal.kind === "unproven" || refusal.kind === "unsafe ground";
  return (
    <Box sx={{ fontSize: 14.5 }}>
      <Box sx={{ color: grave ? "var(--forbid)" : "text.secondary" }}>{refusal.why}</Box>
      {listOwed && refusal.owed.length > 0 && (
        <Box component="ul" aria-label="Checks owed" sx={{ m: "4px 0 0", pl: 2.2 }}>
          {refusal.owed.map((check) => (
            <li key={check.botanical}>
              Not {check.lookAlike} <i>({check.botanical})</i>, {check.danger}: {check.decides}{" "}
              <span style={{ color: "var(--softInk)" }}>Look: {check.when}.</span>
            </li>
          ))}
        </Box>
      )}
    </Box>
  );
}
