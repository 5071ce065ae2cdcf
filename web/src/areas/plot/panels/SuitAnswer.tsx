import { Box, Button } from "@mui/material";
import { useState, type ReactNode } from "react";

import type { Schemas } from "../../../api/client";
import { LineButton } from "../../../parts/LineButton";

type Suit = Schemas["SuitView"];

const tone: Record<string, string> = {
  well: "var(--leaf)",
  fairly: "var(--straw)",
  hardly: "var(--clay)",
  no: "var(--forbid)",
};

/** Gauge is a score as a bar, with where it would come after mending. */
export function Gauge({ value, after, verdict }: { value: number; after?: number; verdict?: string }) {
  return (
    <Box
      role="img"
      aria-label={`${Math.round(value * 100)} in 100${after === undefined ? "" : `, mended ${Math.round(after * 100)}`}`}
      sx={{
        position: "relative",
        height: 8,
        border: "1px solid var(--softInk)",
        background: "var(--card)",
        borderRadius: "1px",
      }}
    >
      {after !== undefined && (
        <Box
          sx={{
            position: "absolute",
            inset: 0,
            width: `${after * 100}%`,
            background: "repeating-linear-gradient(90deg, var(--lichen) 0 3px, transparent 3px 6px)",
          }}
        />
      )}
      <Box
        sx={{
          position: "absolute",
          inset: 0,
          width: `${value * 100}%`,
          background: tone[verdict ?? ""] ?? "var(--ink)",
        }}
      />
    </Box>
  );
}

interface Props {
  suit: Suit;
  title: string;
  act?: ReactNode;
  startOpen?: boolean;
}

/** SuitAnswer is how well a bed suits a plant: what was learned before, what decides, what mends it. */
export function SuitAnswer({ suit, title, act, startOpen = false }: Props) {
  const [open, setOpen] = useState(startOpen);
  const falls = suit.needs.filter((n) => n.falls);
  const good = suit.needs.filter((n) => !n.falls);
  return (
    <Box sx={{ borderBottom: "1px solid var(--rule)", py: 1 }}>
      <LineButton onClick={() => setOpen(!open)} expanded={open}>
        <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
          <Box sx={{ fontWeight: 700, flex: 1, minWidth: 0 }}>{title}</Box>
          <Box sx={{ fontSize: 14.5 }}>{suit.verdict}</Box>
        </Box>
        {suit.memory.map((words) => (
          <Box
            key={words}
            sx={{
              color: words.startsWith("Failed") ? "var(--forbid)" : "var(--leaf)",
              fontSize: 14.5,
              fontWeight: 700,
            }}
          >
            {words}
          </Box>
        ))}
        <Box sx={{ my: 0.5 }}>
          <Gauge value={suit.value} after={suit.mended?.value} verdict={suit.verdict} />
        </Box>
        <Box sx={{ fontSize: 14.5 }}>{suit.words}</Box>
        {suit.purpose && (
          <Box sx={{ fontSize: 14.5, color: suit.serves ? "var(--leaf)" : "text.secondary" }}>
            {suit.purpose}
          </Box>
        )}
        {suit.mended && (
          <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
            Mended, {suit.mended.verdict}: {suit.mended.steps.join(", ")}; {suit.mended.hours}.
          </Box>
        )}
        {suit.forbids.map((words) => (
          <Box key={words} sx={{ color: "var(--forbid)", fontSize: 14.5 }}>
            {words}
          </Box>
        ))}
      </LineButton>
      {open && (
        <Box sx={{ pl: 1, borderLeft: "3px solid var(--rule)", mt: 0.7, fontSize: 14.5 }}>
          {falls.map((need) => (
            <Need key={need.need} need={need} />
          ))}
          {suit.mates.map((words) => (
            <Box key={words} sx={{ color: "var(--clay)", py: 0.3 }}>
              {words}
            </Box>
          ))}
          {good.length > 0 && <Box sx={{ py: 0.3 }}>Right: {good.map((n) => n.need).join(", ")}.</Box>}
          {suit.unknown.length > 0 && (
            <Box sx={{ color: "text.secondary", py: 0.3 }}>
              Nothing known of its {suit.unknown.join(", ")}: read the signs.
            </Box>
          )}
          <Box sx={{ color: "text.secondary", py: 0.3 }}>There is {suit.room}.</Box>
          {act}
        </Box>
      )}
    </Box>
  );
}

function Need({ need }: { need: Schemas["SiteNeedView"] }) {
  return (
    <Box sx={{ py: 0.4 }}>
      <Box>
        <b>{need.need}</b>: {need.words} <span style={{ color: "var(--softInk)" }}>({need.standing})</span>
      </Box>
      {need.remedies.map((r) => (
        <Box key={r.name} sx={{ pl: 1.2 }}>
          <b>{r.name}</b>: this need {Math.round(need.value * 100)} → {Math.round(r.after * 100)}, the whole{" "}
          {Math.round(r.whole * 100)}; {r.hours}.{" "}
          <span style={{ color: "var(--softInk)" }}>
            {r.how} ({r.standing})
          </span>
        </Box>
      ))}
      {need.noRemedy && <Box sx={{ pl: 1.2, color: "var(--forbid)" }}>{need.noRemedy}</Box>}
    </Box>
  );
}

/** PlantHere sets the plant that an answer is about. */
export function PlantHere({ onPlant }: { onPlant: () => void }) {
  return (
    <Button size="small" variant="outlined" onClick={onPlant} sx={{ mt: 0.5, mb: 0.5 }}>
      Set it here
    </Button>
  );
}
