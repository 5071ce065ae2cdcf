import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";

import { Refusal } from "../../api/client";
import { dayMonth } from "../../parts/dates";
import { TroubleDrawing } from "../../parts/drawings/TroubleDrawing";
import { Trouble } from "../../parts/Trouble";
import { troubleQuery } from "./queries";

const urgency: Record<string, string> = {
  today: "See to it today",
  "this week": "See to it this week",
  "can wait": "It can wait",
};

/** TroublePage is a sign of trouble: what it looks like, what commonly brings it, what to do, and how soon. */
export function TroublePage() {
  const { mark = "" } = useParams();
  const [params] = useSearchParams();
  const planting = Number(params.get("planting")) || undefined;
  const query = useQuery(troubleQuery(mark, planting));
  const t = query.data;
  if (query.error instanceof Refusal && query.error.status === 404)
    return (
      <p>
        There is no such sign of trouble. <Link to="/round">Back to the round</Link>
      </p>
    );
  if (query.error) return <Trouble reason={query.error} />;
  if (!t) return <Box sx={{ minHeight: 600 }} />;
  return (
    <Box sx={{ maxWidth: 980 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
        <TroubleDrawing mark={t.mark} size={168} />
        <Box sx={{ flex: "1 1 300px", minWidth: 0 }}>
          <Typography variant="h1">{t.title}</Typography>
          <Box
            sx={{
              fontWeight: 700,
              color: t.urgent === "today" ? "var(--clay)" : "inherit",
              mb: 0.5,
            }}
          >
            {urgency[t.urgent]}
          </Box>
          <Box>{t.looks}</Box>
          <Box sx={{ color: "text.secondary", mt: 0.5 }}>{t.unlike}</Box>
        </Box>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1fr 1fr" },
          columnGap: 4,
          rowGap: 1,
          mt: 2,
        }}
      >
        <Box component="section" aria-label="What to do">
          <Typography variant="h2">What to do</Typography>
          <Box sx={{ color: "text.secondary" }}>{t.why}</Box>
          <Box component="ol" sx={{ pl: 2.5, my: 1, "& li": { mb: 0.6 } }}>
            {t.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </Box>
          {t.picking && <Box sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 1 }}>{t.picking}</Box>}
        </Box>
        <Box component="section" aria-label="What brings it">
          <Typography variant="h2">What brings it</Typography>
          <Box sx={{ color: "text.secondary" }}>{t.lately}</Box>
          <Box component="ul" sx={{ listStyle: "none", p: 0, my: 1 }}>
            {t.causes.map((cause) => (
              <Box
                component="li"
                key={cause.says}
                sx={{
                  borderLeft: `5px solid var(${cause.likely ? "--clay" : "--rule"})`,
                  pl: 1.2,
                  mb: 0.8,
                }}
              >
                {cause.says}
                {cause.likely && <Box sx={{ fontWeight: 700 }}>{cause.likely}</Box>}
              </Box>
            ))}
          </Box>
        </Box>
      </Box>
      {t.plants.length > 0 && (
        <Box component="section" aria-label="On your plants">
          <Typography variant="h2">{planting ? "On this plant" : "On your plants"}</Typography>
          {t.plants.map((plant) => (
            <Box
              key={`${plant.speciesId} ${plant.name}`}
              sx={{ py: 0.8, borderBottom: "1px dotted var(--rule)" }}
            >
              <Link to={`/plants/${plant.speciesId}`}>{plant.plant}</Link>: <b>{plant.name}</b>,{" "}
              {urgency[plant.urgent]?.toLowerCase()}. {plant.sign}{" "}
              {plant.cause && `Brought by ${plant.cause}. `}
              {plant.do}
            </Box>
          ))}
        </Box>
      )}
      {t.seen.length > 0 && (
        <Box component="section" aria-label="Seen of late" sx={{ mt: 2 }}>
          <Typography variant="h2">Seen of late</Typography>
          {t.seen.map((seen) => (
            <Box key={seen.plantingId}>
              <Link to={`/plantings/${seen.plantingId}`}>
                {seen.plant}, {seen.bed}
              </Link>{" "}
              on {dayMonth(seen.day)}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
