import { Box, Typography } from "@mui/material";
import { Fragment } from "react";
import { Link, useParams } from "react-router";

import { useCompare } from "../../api/queries";
import { useKept, useShownDay } from "../../parts/shownDay";
import { DrawnStates } from "../../parts/CharacterDrawing";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";

/** Compare sets two to four plants side by side: what tells them apart, what differs, what is the same. */
export function Compare() {
  const { ids = "" } = useParams();
  const { asked } = useShownDay();
  const kept = useKept();
  const query = useCompare(ids.split(","), asked);
  const compared = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!compared)
    return ids.includes(",") ? <Box sx={{ minHeight: 500 }} /> : <p>Choose two to four plants to compare.</p>;
  const firstSame = compared.rows.findIndex((row) => !row.differs);
  return (
    <>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Side by side
      </Typography>
      {compared.apart.map((note) => (
        <Box key={note.pair + note.decides} sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 0.7 }}>
          <b>{note.pair}</b>
          {note.danger && ` (${note.danger})`}: {note.decides} Look: {note.when}.
        </Box>
      ))}
      <Box
        role="group"
        aria-label="Plants side by side"
        sx={{
          display: "grid",
          gridTemplateColumns: {
            xs: `repeat(${compared.plants.length}, minmax(0, 1fr))`,
            md: `110px repeat(${compared.plants.length}, minmax(0, 1fr))`,
          },
          columnGap: { xs: 1, md: 2 },
          overflowWrap: "anywhere",
        }}
      >
        <Box component="span" sx={{ display: { xs: "none", md: "block" } }} />
        {compared.plants.map((plant) => (
          <Box key={plant.id} sx={{ display: "flex", gap: 1, alignItems: "center", pb: 0.7 }}>
            <Sprig species={plant.id} stage={plant.stage} size={34} label="" />
            <Box>
              <Link to={kept(`/plants/${plant.id}`)}>
                <b>{plant.name}</b>
              </Link>
              <Box sx={{ fontSize: 14, fontStyle: "italic", color: "text.secondary" }}>{plant.botanical}</Box>
            </Box>
          </Box>
        ))}
        {compared.characters.map((row, i) => (
          <Fragment key={row.id}>
            {(i === 0 || row.pairs > 0 !== (compared.characters[i - 1]?.pairs ?? 0) > 0) && (
              <Typography variant="h3" component="h2" sx={{ gridColumn: "1 / -1", mt: 1.5, mb: 0.5 }}>
                {row.pairs > 0 ? "What decides" : "Alike, or no safe difference"}
              </Typography>
            )}
            <Box
              sx={{
                fontSize: 14.5,
                pt: 0.5,
                fontWeight: row.all ? 700 : 400,
                borderTop: "1px dotted var(--rule)",
                gridColumn: { xs: "1 / -1", md: "auto" },
              }}
            >
              {row.name}
              {row.pairs > 0 && !row.all && <Box sx={{ color: "text.secondary" }}>tells some apart</Box>}
            </Box>
            {row.cells.map((cell, k) => (
              <Box key={compared.plants[k]?.id ?? k} sx={{ py: 0.5, borderTop: "1px dotted var(--rule)" }}>
                {cell.length === 0 && (
                  <span style={{ fontSize: 14, color: "var(--softInk)" }}>nothing on record</span>
                )}
                {row.pairs > 0 ? (
                  <DrawnStates character={row.id} states={cell} size={52} />
                ) : (
                  <span style={{ fontSize: 14 }}>{cell.map((state) => state.words).join(" ")}</span>
                )}
              </Box>
            ))}
          </Fragment>
        ))}
        <Typography variant="h3" component="h2" sx={{ gridColumn: "1 / -1", mt: 2, mb: 0.5 }}>
          What else differs
        </Typography>
        {compared.rows.map((row, i) => (
          <Fragment key={row.name}>
            {i === firstSame && (
              <Typography variant="h3" component="h2" sx={{ gridColumn: "1 / -1", mt: 2, mb: 0.5 }}>
                The same for all
              </Typography>
            )}
            <Box
              sx={{
                color: "text.secondary",
                fontSize: 14.5,
                pt: 0.5,
                borderTop: "1px dotted var(--rule)",
                gridColumn: { xs: "1 / -1", md: "auto" },
              }}
            >
              {row.name}
            </Box>
            {row.cells.map((cell, k) => (
              <Box
                key={compared.plants[k]?.id ?? k}
                sx={{
                  fontSize: 14.5,
                  py: 0.5,
                  borderTop: "1px dotted var(--rule)",
                  color: row.name === "cautions" ? "var(--forbid)" : undefined,
                }}
              >
                {cell || "nothing on record here"}
              </Box>
            ))}
          </Fragment>
        ))}
      </Box>
    </>
  );
}
