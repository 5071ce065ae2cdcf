import { Box } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { fullDay } from "../../parts/dates";
import { useKept } from "../../parts/shownDay";

/** Behind is what was seen, picked and done in the week up to a day that is past. */
export function Behind({ noted }: { noted: Schemas["Noted"][] }) {
  const kept = useKept();
  if (noted.length === 0) return <p>The day is past, and nothing was noted in the week up to it.</p>;
  return (
    <Box component="ul" aria-label="What was noted" sx={{ listStyle: "none", p: 0, m: 0, maxWidth: 860 }}>
      {noted.map((one, i) => (
        <Box
          component="li"
          key={`${one.day} ${one.plantingId} ${i}`}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "150px minmax(0, 1fr)" },
            columnGap: 2,
            py: 0.7,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ color: "text.secondary" }}>{fullDay(one.day)}</Box>
          <Box>
            <Link to={kept(`/plantings/${one.plantingId}`)}>
              {one.plant}, {one.bed}
            </Link>
            : {one.words}
            {one.photos.length > 0 && (
              <Box sx={{ display: "flex", gap: 0.8, flexWrap: "wrap", mt: 0.5 }}>
                {one.photos.map((id) => (
                  <a key={id} href={`/api/photographs/${id}`} target="_blank" rel="noreferrer">
                    <img
                      src={`/api/photographs/${id}/small`}
                      alt={`Photograph of ${fullDay(one.day)}`}
                      loading="lazy"
                      height={84}
                    />
                  </a>
                ))}
              </Box>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
