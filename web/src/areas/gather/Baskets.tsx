import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { useKept } from "../../parts/shownDay";
import { FreshForm } from "./FreshForm";
import { SortForm } from "./SortForm";

const colours: Record<string, string> = {
  "to sort": "--straw",
  "fit for use": "--leaf",
  "held back": "--forbid",
};
const shownAtFirst = 4;

/** Baskets are the season's pickings on their way to use: sorted at the table, held back, or fit. */
export function Baskets({ baskets }: { baskets: Schemas["BasketView"][] }) {
  const [all, setAll] = useState(false);
  if (baskets.length === 0) return null;
  return (
    <Box component="section" aria-label="At the table" sx={{ mb: 3 }}>
      <Box sx={{ display: "flex", alignItems: "baseline" }}>
        <Typography variant="h2" sx={{ mb: 0.5, flex: 1 }}>
          At the table <span style={{ color: "var(--softInk)" }}>{baskets.length}</span>
        </Typography>
        {baskets.length > shownAtFirst && (
          <Button size="small" onClick={() => setAll(!all)}>
            {all ? "Show the newest" : "Show all"}
          </Button>
        )}
      </Box>
      {(all ? baskets : baskets.slice(0, shownAtFirst)).map((basket) => (
        <Basket key={basket.pickingId} basket={basket} />
      ))}
    </Box>
  );
}

function Basket({ basket: b }: { basket: Schemas["BasketView"] }) {
  const kept = useKept();
  const [open, setOpen] = useState<"sort" | "fresh">();
  const label = `/api/pickings/${b.pickingId}/label`;
  return (
    <Box
      sx={{
        borderLeft: `6px solid var(${colours[b.state] ?? "--rule"})`,
        borderTop: "1px solid var(--rule)",
        pl: 1.5,
        py: 0.6,
      }}
    >
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
        <Box sx={{ flex: 1, minWidth: 240 }}>
          <Link to={kept(`/plantings/${b.plantingId}`)} style={{ color: "inherit", fontWeight: 700 }}>
            {b.name}
          </Link>{" "}
          · {b.words}
          <Box sx={{ fontSize: 14.5 }}>
            <b style={{ color: b.state === "held back" ? "var(--forbid)" : undefined }}>{b.state}</b>
            {b.why && `. ${b.why}`}
            {b.sorted && ` · ${b.sorted}`}
            {b.notes && ` · ${b.notes}`}
            {b.made.length > 0 && ` · used: ${b.made.join("; ")}`}
          </Box>
          {b.cautions.here && b.state !== "held back" && (
            <Box sx={{ fontSize: 14.5, color: "var(--forbid)" }}>{b.cautions.here}</Box>
          )}
        </Box>
        {b.state === "to sort" && (
          <Button
            size="small"
            variant="contained"
            onClick={() => setOpen(open ? undefined : "sort")}
            aria-label={`Sort it: ${b.name}`}
          >
            Sort it
          </Button>
        )}
        {b.state === "fit for use" && (
          <>
            {b.freshAs.length > 0 && (
              <Button
                size="small"
                variant="outlined"
                onClick={() => setOpen(open ? undefined : "fresh")}
                aria-label={`Use it fresh: ${b.name}`}
              >
                Use it fresh
              </Button>
            )}
            {b.left > 0 && (
              <Button
                size="small"
                component={Link}
                to={kept("/store/drier")}
                aria-label={`To the store: ${b.name}`}
              >
                To the store
              </Button>
            )}
            <Button size="small" component="a" href={label} target="_blank" aria-label={`Label of ${b.name}`}>
              Label
            </Button>
          </>
        )}
        {b.state === "held back" && (
          <Button size="small" component={Link} to={kept(`/plantings/${b.plantingId}/check`)}>
            See the check
          </Button>
        )}
      </Box>
      {open === "sort" && b.state === "to sort" && <SortForm basket={b} onClose={() => setOpen(undefined)} />}
      {open === "fresh" && b.state === "fit for use" && (
        <FreshForm basket={b} onClose={() => setOpen(undefined)} />
      )}
    </Box>
  );
}
