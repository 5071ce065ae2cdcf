import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answerOf, api } from "../../api/client";

const useRoundAfter = () =>
  useQuery({ queryKey: ["round-after"], queryFn: () => answerOf(api.GET("/api/round/after")) });

/** Done is what today's looks came to: what surprised, what moved and why, and what comes next. */
export function Done() {
  const after = useRoundAfter().data;
  if (!after) return null;
  return (
    <Box sx={{ my: 2 }}>
      {after.looks.map((look) => (
        <Box key={look.plantingId} sx={{ borderTop: "1px solid var(--rule)", py: 0.8 }}>
          <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
            <Box component={Link} to={`/plantings/${look.plantingId}`} sx={{ fontWeight: 700 }}>
              {look.name}
            </Box>
            <Box sx={{ color: "text.secondary" }}>{look.bed}</Box>
            {look.surprise && <Box sx={{ color: "var(--clay)", fontWeight: 700 }}>a surprise</Box>}
          </Box>
          {look.moved && <Box>{look.moved}</Box>}
          <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>{look.why}</Box>
        </Box>
      ))}
      {after.unchanged > 0 && (
        <Box sx={{ borderTop: "1px solid var(--rule)", py: 0.8, color: "text.secondary" }}>
          {after.unchanged === 1 ? "One look was" : `${after.unchanged} looks were`} as expected and moved
          nothing.
        </Box>
      )}
      {after.next.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 2 }}>
            What comes next
          </Typography>
          {after.next.map((job) => (
            <Box key={`${job.what} ${job.bed}`} sx={{ display: "flex", gap: 1, flexWrap: "wrap", py: 0.2 }}>
              <b>{job.what}</b>
              <Box sx={{ color: "text.secondary", flex: 1 }}>{job.bed}</Box>
              <Box sx={{ color: "var(--clay)" }}>{job.deadline}</Box>
            </Box>
          ))}
        </>
      )}
    </Box>
  );
}
