import { Box, Button, Typography } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { usePractice } from "../../api/queries";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";

/** Practice lists the pairs to tell apart: what is due first, and of that what stands on the plot. */
export function Practice() {
  const kept = useKept();
  const query = usePractice();
  const practice = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!practice) return <Box sx={{ minHeight: 600 }} />;
  const first = practice.pairs[0];
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap", mb: 0.5 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Tell apart
        </Typography>
        {first && (
          <Button
            variant="contained"
            component={Link}
            to={kept(`/practice/${first.speciesId}/${first.otherId}`)}
          >
            Practise the next: {first.name}
          </Button>
        )}
      </Box>
      <Box sx={{ color: "text.secondary", mb: 2, maxWidth: 760 }}>{practice.words}</Box>
      {practice.pairs.map((pair) => (
        <Pair key={pair.speciesId + pair.otherId} pair={pair} />
      ))}
    </>
  );
}

function Pair({ pair }: { pair: Schemas["PairView"] }) {
  const kept = useKept();
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr) auto", md: "minmax(0, 1.4fr) 150px 190px 150px auto" },
        columnGap: 2,
        alignItems: "center",
        borderTop: "1px solid var(--rule)",
        py: 0.5,
      }}
    >
      <Box>
        <b>{pair.name}</b> or {pair.other}{" "}
        <span style={{ color: "var(--forbid)", fontSize: 14.5 }}>
          {pair.danger !== "harmless" && pair.danger}
        </span>
        {pair.here && <Box sx={{ fontSize: 14, color: "var(--leaf)" }}>on your plot</Box>}
      </Box>
      <Box
        sx={{ display: { xs: "none", md: "flex" }, gap: 0.4 }}
        role="img"
        aria-label={`box ${pair.box} of ${pair.boxes}`}
      >
        {Array.from({ length: pair.boxes }, (_, i) => (
          <Box
            key={i}
            sx={{
              width: 17,
              height: 12,
              border: "1.5px solid var(--ink)",
              background: i < pair.box ? "var(--lichen)" : "transparent",
            }}
          />
        ))}
      </Box>
      <Box sx={{ display: { xs: "none", md: "block" }, fontSize: 14.5 }}>
        {pair.tries === 0 ? "never tried" : `${pair.correct} of ${pair.tries} right`}
        {pair.deadly > 0 && <Box sx={{ color: "var(--forbid)" }}>{pair.deadly} dangerous mistakes</Box>}
      </Box>
      <Box
        sx={{
          display: { xs: "none", md: "block" },
          fontSize: 14.5,
          color: pair.due ? "var(--clay)" : "text.secondary",
        }}
      >
        {pair.due ? "due" : pair.when}
      </Box>
      <Button
        size="small"
        variant="outlined"
        component={Link}
        to={kept(`/practice/${pair.speciesId}/${pair.otherId}`)}
        aria-label={`Practise ${pair.name} or ${pair.other}`}
      >
        Practise
      </Button>
    </Box>
  );
}
