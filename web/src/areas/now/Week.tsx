import { Box, Button, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answerOf, api, type Schemas } from "../../api/client";
import { PagesHead } from "../../parts/PagesHead";
import { useShownDay } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { HoursDialog } from "./HoursDialog";
import { pages } from "../../parts/whatToDo";

const useWeek = (on?: string) =>
  useQuery({
    queryKey: ["week", on],
    queryFn: () => answerOf(api.GET("/api/week", { params: { query: { on } } })),
    placeholderData: keepPreviousData,
  });

/** Week is the week's list: each day one walk, what a day of rain is good for, and what there is no time for. */
export function Week() {
  const { asked } = useShownDay();
  const query = useWeek(asked);
  const [hours, setHours] = useState(false);
  const week = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!week) return <Box sx={{ minHeight: 600 }} />;
  const busy = week.days.filter((day) => day.walk.length > 0);
  const most = Math.max(1, ...week.days.map((day) => Math.max(day.used, day.of)));
  return (
    <>
      <PagesHead title={`The week ${week.title}`} words={week.summary} pages={pages} label="What to do">
        <Button onClick={() => setHours(true)}>Time there is</Button>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </PagesHead>
      {!week.hoursSaid && (
        <Box className="no-print" sx={{ color: "text.secondary", mb: 1.5 }}>
          Nobody has said how much time there is, so nothing falls off. Say it under Time there is.
        </Box>
      )}
      {/* On paper each day's heading says the same. */}
      <Box
        className="no-print"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(7, minmax(0, 1fr))",
          gap: { xs: 0.5, md: 1.5 },
          mb: 2,
          maxWidth: 900,
        }}
      >
        {week.days.map((day) => (
          <Trough key={day.day} day={day} most={most} said={week.hoursSaid} />
        ))}
      </Box>
      <Box
        className="week"
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.6fr) minmax(0, 1fr)" },
          columnGap: 4,
          rowGap: 1,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {busy.length === 0 && <p>Nothing is to be done on a certain day.</p>}
          {busy.map((day) => (
            <Box
              component="section"
              aria-label={day.name}
              key={day.day}
              sx={{ mb: 1.5, breakInside: "avoid" }}
            >
              <Typography variant="h2">
                {day.name}{" "}
                <Box component="span" sx={{ color: "text.secondary", fontSize: 15, fontWeight: 400 }}>
                  {day.words} · {day.wet}
                </Box>
              </Typography>
              {day.walk.map((stop) => (
                <Box
                  key={stop.bed}
                  className="stop"
                  sx={{
                    display: "grid",
                    gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "118px minmax(0, 1fr)" },
                    columnGap: 1.5,
                    borderBottom: "1px dotted var(--rule)",
                    py: 0.4,
                  }}
                >
                  <Box sx={{ color: "text.secondary" }}>{stop.bed}</Box>
                  <Box sx={{ minWidth: 0 }}>
                    {stop.jobs.map((job) => (
                      <Line key={job.key} job={job} />
                    ))}
                  </Box>
                </Box>
              ))}
            </Box>
          ))}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Apart title="No time for" jobs={week.fallOff} edge="--clay" />
          <Apart title="Waits for next week" jobs={week.waits} edge="--straw" most={6} />
          <Apart title="For a day of rain" jobs={week.rainy} edge="--water" />
          <Apart title="Any time" jobs={week.anyTime} edge="--rule" most={8} />
        </Box>
      </Box>
      {hours && <HoursDialog hours={week.hours} onClose={() => setHours(false)} />}
    </>
  );
}

/** Trough is a day's time as a trough that work fills: how full it is, and how likely rain is. */
function Trough({ day, most, said }: { day: Schemas["WeekDay"]; most: number; said: boolean }) {
  const deep = 46;
  const height = (minutes: number) => (minutes / most) * deep;
  const rim = said ? Math.max(1, height(day.of)) : deep;
  return (
    <Box sx={{ fontSize: 13, minWidth: 0, textAlign: "left" }}>
      <svg
        viewBox={`0 0 60 ${deep + 4}`}
        width="100%"
        height={deep + 4}
        preserveAspectRatio="none"
        role="img"
        aria-label={`${day.name}: ${day.words || "nothing"}; ${day.wet}`}
      >
        <rect x={4} width={52} y={deep - height(day.used)} height={height(day.used)} fill="var(--lichen)" />
        <path
          d={`M4 ${deep - rim} V${deep} H56 V${deep - rim}`}
          fill="none"
          stroke="var(--softInk)"
          strokeWidth={1.5}
          strokeDasharray={said ? undefined : "3 4"}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <Box>{day.name.slice(0, 3)}</Box>
      <Box sx={{ color: "text.secondary", lineHeight: 1.2 }}>{day.words || "–"}</Box>
    </Box>
  );
}

function Line({ job }: { job: Schemas["WeekJob"] }) {
  return (
    <Box sx={{ lineHeight: 1.35 }}>
      <b>{job.verb}</b> {job.what}
      {job.amount && `: ${job.amount}`}{" "}
      <Box component="span" sx={{ color: job.lasting ? "var(--clay)" : "text.secondary", fontSize: 14 }}>
        {job.note}
      </Box>
    </Box>
  );
}

interface ApartProps {
  title: string;
  jobs: Schemas["WeekJob"][];
  edge: string;
  /** How many are shown at once; the others on demand, and none of them on paper. */
  most?: number;
}

function Apart({ title, jobs, edge, most = Infinity }: ApartProps) {
  const [all, setAll] = useState(false);
  if (jobs.length === 0) return null;
  const shown = all ? jobs : jobs.slice(0, most);
  return (
    <Box component="section" aria-label={title} sx={{ mb: 1.5 }}>
      <Typography variant="h2">{title}</Typography>
      {shown.map((job) => (
        <Box key={job.key} sx={{ borderLeft: `5px solid var(${edge})`, pl: 1, mb: 0.6, lineHeight: 1.35 }}>
          <b>{job.verb}</b> {job.what}
          {job.bed && `, ${job.bed}`}: {job.amount}
          <Box sx={{ color: "text.secondary", fontSize: 14 }}>{job.note}</Box>
        </Box>
      ))}
      {shown.length < jobs.length && (
        <Button className="no-print" onClick={() => setAll(true)} sx={{ ml: -1 }}>
          {jobs.length - shown.length} more
        </Button>
      )}
    </Box>
  );
}
