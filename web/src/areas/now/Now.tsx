import { Box, Button, Typography } from "@mui/material";
import { Fragment, useState } from "react";
import { Link, Navigate } from "react-router";

import type { Schemas } from "../../api/client";
import { useNow, useSite } from "../../api/queries";
import { useShownDay } from "../../parts/shownDay";
import { PagesHead } from "../../parts/PagesHead";
import { Trouble } from "../../parts/Trouble";
import { Meaning } from "../../parts/Meaning";
import { Behind } from "./Behind";
import { JobCard } from "./JobCard";
import { Outlook } from "./Outlook";
import { useRestOfPage } from "../../parts/useRestOfPage";
import { pages } from "../../parts/whatToDo";

const columns = [
  { key: "closing", title: "Closing", note: "", empty: "Nothing closes within the week." },
  { key: "open", title: "Open", note: "", empty: "Nothing is open." },
  { key: "coming", title: "Coming", note: "next 3 weeks", empty: "Nothing opens within three weeks." },
] as const;

/** Now is what to do on the shown day: closing, open, coming. */
export function Now() {
  const { asked } = useShownDay();
  const query = useNow(asked);
  const now = query.data;
  const site = useSite().data;
  if (query.error) return <Trouble reason={query.error} />;
  if (site && !site.placed) return <Navigate to="/begin" replace />;
  if (!now) return <Box sx={{ minHeight: 400 }} />;
  return (
    <>
      <PagesHead
        title={now.title}
        words={`${now.isToday ? "" : "shown, not today · "}${now.summary}`}
        pages={pages}
        label="What to do"
      >
        <Outlook days={now.weather} source={now.source} />
      </PagesHead>
      {now.past ? (
        <Behind noted={now.noted} />
      ) : now.plantings === 0 ? (
        <FirstSteps hasBeds={now.hasBeds} />
      ) : (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1.16fr 1.16fr 1fr" },
            gap: 2.25,
            alignItems: "start",
          }}
        >
          {columns.map(({ key, ...column }) => (
            <Column
              key={key}
              {...column}
              jobs={now[key]}
              canAct={now.isToday}
              explains={columns.find((one) => now[one.key].some((job) => job.kind === "check"))?.key === key}
            />
          ))}
        </Box>
      )}
    </>
  );
}

/** How many checks a column shows at once. */
const mostChecks = 4;

interface ColumnProps {
  title: string;
  note: string;
  empty: string;
  jobs: Schemas["JobView"][];
  canAct: boolean;
  /** True in the column where a check first stands. */
  explains: boolean;
}

/** How many jobs of a column the first picture holds: no phone shows more at once. */
const firstJobs = 2;

function Column({ title, note, empty, jobs, canAct, explains }: ColumnProps) {
  const [all, setAll] = useState(false);
  const rest = useRestOfPage();
  // Checks can wait for months: of many, a few stand for all.
  const checks = jobs.filter((job) => job.kind === "check");
  const few = all ? jobs : jobs.filter((job) => job.kind !== "check" || checks.indexOf(job) < mostChecks);
  const shown = rest ? few : few.slice(0, firstJobs);
  const firstCheck = explains ? shown.findIndex((job) => job.kind === "check") : -1;
  const edges: Record<string, string> = { Closing: "--clay", Open: "--leaf", Coming: "--rule" };
  return (
    <Box component="section" aria-label={title} sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {title}{" "}
        <Box component="span" sx={{ color: "text.secondary" }}>
          {note || jobs.length}
        </Box>
      </Typography>
      {jobs.length === 0 && <Box sx={{ color: "text.secondary" }}>{empty}</Box>}
      {shown.map((job, i) => (
        <Fragment key={job.key}>
          {i === firstCheck && (
            <>
              <Meaning of="unproven" />
              <Meaning of="check" />
            </>
          )}
          <JobCard job={job} edge={edges[title] ?? "--rule"} canAct={canAct && title !== "Coming"} />
        </Fragment>
      ))}
      {few.length < jobs.length && (
        <Button onClick={() => setAll(true)} sx={{ ml: -1 }}>
          {jobs.length - few.length} more checks
        </Button>
      )}
    </Box>
  );
}

function FirstSteps({ hasBeds }: { hasBeds: boolean }) {
  return (
    <Box sx={{ maxWidth: 520 }}>
      <Typography variant="h2">Begin with the ground</Typography>
      <p>
        {hasBeds ? "The beds are laid out. " : ""}
        <Link to="/begin">
          {hasBeds ? "Say what stands in them" : "Lay out a bed and say what stands in it"}
        </Link>
        . From then on this page says what is closing, what is open and what is coming.
      </p>
    </Box>
  );
}
