import { Box, Typography } from "@mui/material";
import { Fragment } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { fullDay } from "../../parts/dates";

/** Looks are the looks at a planting, the newest first, with their photographs; each sign of trouble leads to its page. */
export function Looks({ looks, plantingId }: { looks: Schemas["PastLook"][]; plantingId: number }) {
  if (looks.length === 0) return null;
  return (
    <Box component="section" aria-label="What was seen">
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        What was seen
      </Typography>
      {looks.map((look, i) => (
        <Box
          key={`${look.day} ${i}`}
          sx={{ fontSize: 14.5, py: 0.5, borderBottom: "1px dotted var(--rule)" }}
        >
          <span style={{ color: "var(--softInk)" }}>{fullDay(look.day)}</span> {look.words}
          {look.marks.map((mark) => (
            <Fragment key={mark}>
              ; <Link to={`/trouble/${encodeURIComponent(mark)}?planting=${plantingId}`}>{mark}</Link>
            </Fragment>
          ))}
          {look.note && <Box>{look.note}</Box>}
          {look.photos.length > 0 && (
            <Box sx={{ display: "flex", gap: 0.8, flexWrap: "wrap", my: 0.6 }}>
              {look.photos.map((id) => (
                <a key={id} href={`/api/photographs/${id}`} target="_blank" rel="noreferrer">
                  <img
                    src={`/api/photographs/${id}/small`}
                    alt={`Photograph of ${fullDay(look.day)}`}
                    loading="lazy"
                    height={84}
                    style={{ display: "block", maxWidth: 160, objectFit: "cover" }}
                  />
                </a>
              ))}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
