import { Box, Button } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { api, answerOf, type Schemas } from "../../api/client";
import { useActs } from "../../parts/acts";
import { useKept } from "../../parts/shownDay";
import { useUndo } from "../../parts/Undo";
import { Sprig } from "../../parts/Sprig";

/** JobCard is one job: what, where, how much, until when and why, and the three answers. */
export function JobCard({ job, edge, canAct }: { job: Schemas["JobView"]; edge: string; canAct: boolean }) {
  const kept = useKept();
  const { pick } = useActs();
  const { noted, say } = useUndo();
  const [cautions, setCautions] = useState(false);
  const [why, setWhy] = useState(false);
  const answer = async (word: string) => {
    try {
      noted(await answerOf(api.POST("/api/jobs/answer", { body: { key: job.key, answer: word } })));
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  const small = { minHeight: { xs: 44, md: 28 }, py: 0, px: 1, minWidth: 0 };
  const planting = `/plantings/${job.plantingId}`;
  const check = job.findId ? `/finds/${job.findId}/check` : `${planting}/check`;
  const bench = job.volunteerId
    ? "/bench/volunteers"
    : job.seedOf
      ? "/bench/seeds"
      : `/bench?batch=${job.batchId}`;
  const water = `/weather/water?bed=${job.bedId}`;
  const spread = job.plantingId ? `/spread/hold/${job.plantingId}` : `/spread/after?bed=${job.bedId}`;
  const store = job.recall
    ? "/store/held"
    : job.jarId
      ? `/store?jar=${job.jarId}`
      : job.lotId && job.step
        ? `/store/lots/${job.lotId}`
        : job.lotId
          ? "/store"
          : "/store/drier";
  const to = { store, round: "/round", check, pick: planting, care: planting, bench, water, spread }[
    job.kind
  ];
  const markStep = async () => {
    try {
      noted(
        await answerOf(
          api.POST("/api/store/lots/{id}/steps", {
            params: { path: { id: job.lotId } },
            body: { step: job.step },
          }),
        ),
      );
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  /** A round, a find and a batch are no planting's, so there is nothing to answer for a season: they are done there. */
  const answered = job.plantingId !== 0;
  return (
    <Box
      component="article"
      aria-label={`${job.verb} ${job.what}, ${job.bed}`}
      sx={{
        display: "flex",
        gap: 1.2,
        background: "var(--card)",
        border: "1px solid var(--rule)",
        borderLeft: `5px solid var(${job.kind === "check" ? "--bramble" : edge})`,
        borderRadius: "3px",
        p: "7px 10px 3px",
        mb: 1,
      }}
    >
      <Sprig species={job.speciesId} stage={job.stage} size={38} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1, alignItems: "baseline" }}>
          <Box sx={{ flex: "1 1 172px", minWidth: 0 }}>
            <Box
              component={Link}
              to={kept(to)}
              sx={{ color: "inherit", textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
            >
              <b>{job.verb}</b> {job.what}
            </Box>{" "}
            <Box
              component="span"
              sx={{ color: "text.secondary", display: "inline-block", whiteSpace: "nowrap" }}
            >
              {job.bed}
            </Box>
          </Box>
          <Box sx={{ color: "var(--clay)", fontSize: 14, whiteSpace: "nowrap" }}>{job.deadline}</Box>
        </Box>
        <Box sx={{ fontWeight: 700, fontSize: 15.5 }}>{job.amount}</Box>
        <Box sx={{ fontSize: 14, color: "text.secondary", lineHeight: 1.35 }}>
          {job.reason}
          {job.best && ` Best ${job.best}.`}
          {job.trouble && (
            <>
              {" "}
              <Link to={`/trouble/${encodeURIComponent(job.trouble)}?planting=${job.plantingId}`}>
                What to do
              </Link>
            </>
          )}
        </Box>
        {job.cost && why && (
          <Box sx={{ fontSize: 14, lineHeight: 1.35 }}>
            <b>Left undone:</b> {job.cost}
          </Box>
        )}
        {job.caution && (
          <Box
            className={cautions ? undefined : "print-only"}
            sx={{ fontSize: 14, color: "var(--forbid)", lineHeight: 1.35 }}
          >
            {job.caution}
          </Box>
        )}
        {canAct && job.step && (
          <Box className="no-print" sx={{ ml: -1 }}>
            <Button size="small" sx={small} onClick={() => void markStep()}>
              Done
            </Button>
          </Box>
        )}
        {canAct && answered && (
          <Box className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, ml: -1 }}>
            {job.kind === "pick" && (
              <Button size="small" sx={small} onClick={() => pick(job.plantingId, job.part)}>
                Done
              </Button>
            )}
            {(job.kind === "care" || job.kind === "spread") && (
              <Button size="small" sx={small} onClick={() => void answer("done")}>
                Done
              </Button>
            )}
            <Button size="small" sx={small} color="inherit" onClick={() => void answer("not yet")}>
              Not yet
            </Button>
            <Button size="small" sx={small} color="inherit" onClick={() => void answer("skip")}>
              Skip
            </Button>
            {job.cost && (
              <Button
                size="small"
                sx={small}
                color="inherit"
                aria-expanded={why}
                onClick={() => setWhy(!why)}
              >
                If left
              </Button>
            )}
            {job.caution && (
              <Button
                size="small"
                sx={small}
                color="error"
                aria-expanded={cautions}
                onClick={() => setCautions(!cautions)}
              >
                Cautions
              </Button>
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}
