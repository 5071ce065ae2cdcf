import { Box, Typography } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { useKept } from "../../parts/shownDay";
import { CharacterDrawing } from "../../parts/CharacterDrawing";
import { dayMonth } from "../../parts/dates";

/** plainWords say that enough was seen and too little of it is hard to misread. */
const plainWords = (d: Schemas["CheckDanger"]) =>
  d.count >= d.needed && d.plainOwed > 0 ? `, ${d.plainOwed} plain one still` : "";

/** Standing is where a check stands: the dangers ruled out or not, what was seen, and every look. */
export function Standing({ view }: { view: Schemas["CheckView"] }) {
  const kept = useKept();
  const others = view.dangers.filter((d) => !d.listed);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        To be told apart from
      </Typography>
      {view.dangers.length === 0 && view.othersOut === 0 && <p>No dangerous look-alike is on record.</p>}
      {view.dangers
        .filter((d) => d.listed)
        .map((d) => (
          <Box
            key={d.botanical}
            sx={{ display: "flex", gap: 1, fontSize: 15, py: 0.5, borderBottom: "1px dotted var(--rule)" }}
          >
            <Box sx={{ flex: 1 }}>
              {d.id ? <Link to={kept(`/plants/${d.id}`)}>{d.name}</Link> : d.name}{" "}
              <span style={{ color: "var(--forbid)" }}>{d.danger}</span>
              {!d.ruledOut && d.deciding.length > 0 && (
                <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>
                  {d.deciding.slice(0, 5).join(", ")}
                </Box>
              )}
            </Box>
            <Box sx={{ display: "flex", gap: 0.5, alignItems: "center", flex: "none" }}>
              {Array.from({ length: d.needed }, (_, i) => (
                <Box
                  key={i}
                  aria-hidden
                  sx={{
                    width: 12,
                    height: 12,
                    border: "1.5px solid var(--ink)",
                    background: i < d.count ? "var(--leaf)" : "transparent",
                  }}
                />
              ))}
              <Box sx={{ fontSize: 14, width: 72, textAlign: "right" }}>
                {d.ruledOut ? (
                  <b>ruled out</b>
                ) : d.untold ? (
                  "left open"
                ) : (
                  `${d.count} of ${d.needed}${plainWords(d)}`
                )}
              </Box>
            </Box>
          </Box>
        ))}
      {others.length > 0 && (
        <Box sx={{ fontSize: 14, py: 0.7, lineHeight: 1.5 }}>
          And from {others.length} other dangerous {others.length === 1 ? "plant" : "plants"} on record:{" "}
          {others.map((d, i) => (
            <span key={d.botanical}>
              {i > 0 && ", "}
              {d.name}{" "}
              <span style={{ color: "var(--softInk)" }}>
                {d.count}/{d.needed}
                {plainWords(d)}
              </span>
            </span>
          ))}
          .
        </Box>
      )}
      {view.othersOut > 0 && (
        <Box sx={{ fontSize: 14.5, color: "text.secondary", py: 0.5 }}>
          {view.othersOut} further dangerous plants are ruled out.
        </Box>
      )}
      {view.against.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5, color: "var(--forbid)" }}>
            Contradicted
          </Typography>
          {view.against.map((seen) => (
            <SeenLine key={seen.id} seen={seen} />
          ))}
        </>
      )}
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Seen <span style={{ color: "var(--softInk)" }}>{view.seen.length}</span>
      </Typography>
      {view.seen.length === 0 && <Box sx={{ color: "text.secondary" }}>Nothing yet.</Box>}
      <Box sx={{ maxHeight: 420, overflowY: "auto" }}>
        {view.seen.map((seen) => (
          <SeenLine key={seen.id} seen={seen} />
        ))}
      </Box>
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Looks
      </Typography>
      {view.looks.length === 0 && <Box sx={{ color: "text.secondary" }}>Nobody has looked yet.</Box>}
      {view.looks.map((look) => (
        <Box key={look.id} sx={{ fontSize: 15, py: 0.5, borderBottom: "1px dotted var(--rule)" }}>
          <b>{look.by}</b>, {dayMonth(look.day)}: {look.answers.length} characters
          {look.note && <Box sx={{ color: "text.secondary" }}>{look.note}</Box>}
          <Box sx={{ display: "flex", gap: 0.7, flexWrap: "wrap" }}>
            {look.photos.map((id) => (
              <a key={id} href={`/api/photographs/${id}`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/photographs/${id}/small`}
                  alt="Photograph of the look"
                  width={72}
                  height={54}
                  style={{ objectFit: "cover" }}
                />
              </a>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function SeenLine({ seen }: { seen: Schemas["CheckSeen"] }) {
  return (
    <Box
      sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.3, borderBottom: "1px dotted var(--rule)" }}
    >
      {seen.shows[0] && (
        <CharacterDrawing
          character={seen.id}
          state={seen.shows[0].id}
          label={seen.shows[0].words}
          size={34}
        />
      )}
      <Box sx={{ fontSize: 14.5, flex: 1 }}>
        {seen.name}
        <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>{seen.who}</Box>
      </Box>
    </Box>
  );
}
