import { Box, Button, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { PagesHead } from "../../parts/PagesHead";
import { useKept, useShownDay } from "../../parts/shownDay";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { pages } from "../../parts/whatToDo";

const useYear = (on?: string) =>
  useQuery({
    queryKey: ["year", on],
    queryFn: () => answerOf(api.GET("/api/year", { params: { query: { on } } })),
    placeholderData: keepPreviousData,
  });

/** Year is a year looked back at: what came when, what worked where, what was taken, and how the forecasts held. */
export function Year() {
  const { asked, show } = useShownDay();
  const kept = useKept();
  const query = useYear(asked);
  const year = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!year) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <PagesHead
        title={`The year ${year.name}`}
        words={`${year.over ? "" : "so far · "}${year.looks} looks`}
        pages={pages}
        label="What to do"
      >
        {year.years.slice(0, 6).map((choice) => (
          <Button
            key={choice.name}
            color={choice.name === year.name ? "primary" : "inherit"}
            aria-pressed={choice.name === year.name}
            onClick={() => show(choice.on)}
            sx={{ minWidth: 0 }}
          >
            {choice.name}
          </Button>
        ))}
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </PagesHead>
      {year.empty && <p>Nothing was noted in {year.name}.</p>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.5fr) minmax(0, 1fr)" },
          columnGap: 4,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Part title="How the forecasts held">
            <Score score={year.score} />
          </Part>
          {year.came.length > 0 && (
            <Part title="What came when">
              {year.came.map((row) => (
                <Came
                  key={`${row.plantingId} ${row.stage}`}
                  row={row}
                  to={kept(`/plantings/${row.plantingId}`)}
                />
              ))}
            </Part>
          )}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          {year.weather.length > 0 && (
            <Part title="Its weather">
              {year.weather.map((line) => (
                <Box key={line}>{line}</Box>
              ))}
            </Part>
          )}
          {year.yields.length > 0 && (
            <Part title="What was taken">
              {year.yields.map((row) => (
                <Line
                  key={`${row.plant} ${row.part} ${row.bed}`}
                  head={`${row.plant} ${row.part}, ${row.bed}`}
                >
                  {row.taken}
                  {row.perPlant && `, ${row.perPlant} a plant`}; the year before {row.before}.
                  {row.need && ` In all ${row.need} that is needed.`}
                </Line>
              ))}
            </Part>
          )}
          {year.fates.length > 0 && (
            <Part title="What throve and what failed">
              {year.fates.map((row) => (
                <Line
                  key={`${row.plant} ${row.bed} ${row.words}`}
                  head={`${row.plant}, ${row.bed}`}
                  bad={row.failed}
                >
                  {row.words}
                </Line>
              ))}
            </Part>
          )}
          {year.trouble.length > 0 && (
            <Part title="Trouble">
              {year.trouble.map((row) => (
                <Box key={row.mark} sx={{ py: 0.3 }}>
                  <Link to={`/trouble/${encodeURIComponent(row.mark)}`}>{row.mark}</Link>: {row.words}
                </Box>
              ))}
            </Part>
          )}
          {year.hours.total && (
            <Part title="Hours">
              <Box sx={{ color: "text.secondary" }}>
                {year.hours.total} of looks, pickings and jobs that were noted, reckoned by what each takes.
              </Box>
              <Hours rows={year.hours.beds} />
              <Hours rows={year.hours.kinds.slice(0, 8)} />
            </Part>
          )}
        </Box>
      </Box>
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function Line({ head, bad = false, children }: { head: string; bad?: boolean; children: ReactNode }) {
  return (
    <Box sx={{ borderLeft: `5px solid var(${bad ? "--forbid" : "--lichen"})`, pl: 1.2, mb: 0.7 }}>
      <b>{head}</b>
      <Box>{children}</Box>
    </Box>
  );
}

/** Score is how many came within what was told, as a row of marks: a full one came within, an open one did not. */
function Score({ score }: { score: Schemas["HeldView"] }) {
  return (
    <>
      {score.of > 0 && (
        <Box
          role="img"
          aria-label={`${score.within} of ${score.of} within`}
          sx={{ display: "flex", flexWrap: "wrap", gap: "4px", mb: 0.7 }}
        >
          {Array.from({ length: score.of }, (_, i) => (
            <svg key={i} width={14} height={20} viewBox="0 0 14 20" aria-hidden>
              <path
                d="M7 1 C12 6 12 13 7 19 C2 13 2 6 7 1"
                fill={i < score.within ? "var(--leaf)" : "none"}
                stroke="var(--leaf)"
                strokeWidth={1.6}
              />
            </svg>
          ))}
        </Box>
      )}
      <Box>{score.words}</Box>
      <Box sx={{ fontWeight: 700 }}>{score.verdict}</Box>
      {score.byForm.length > 1 &&
        score.byForm.map((row) => (
          <Box key={row.form} sx={{ color: "text.secondary" }}>
            {row.form}: {row.words}
          </Box>
        ))}
      {score.misses.length > 0 && (
        <Box component="ul" sx={{ pl: 2.5, my: 0.7 }}>
          {score.misses.map((miss) => (
            <li key={miss.words}>{miss.words}</li>
          ))}
        </Box>
      )}
    </>
  );
}

function Came({ row, to }: { row: Schemas["CameRow"]; to: string }) {
  return (
    <Box
      sx={{
        display: "flex",
        gap: 1.2,
        alignItems: "center",
        py: 0.4,
        borderBottom: "1px dotted var(--rule)",
        breakInside: "avoid",
      }}
    >
      <Sprig species={row.speciesId} stage={row.stage} size={34} label="" />
      <Box sx={{ minWidth: 0 }}>
        <Link to={to}>
          {row.plant}, {row.bed}
        </Link>
        : <b>{row.stage}</b> {row.words}
        {row.usual && `, ${row.usual}`}
        <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
          {row.told && (
            <>
              Told {row.told}
              {row.held ? ": it held. " : ": it did not hold. "}
            </>
          )}
          {row.others.length > 0 && `In ${row.others.join("; ")}.`}
        </Box>
      </Box>
    </Box>
  );
}

/** Hours are the work at each bed or kind as bars of their length. */
function Hours({ rows }: { rows: Schemas["WorkRow"][] }) {
  const most = Math.max(1, ...rows.map((row) => row.minutes));
  return (
    <Box sx={{ my: 1 }}>
      {rows.map((row) => (
        <Box
          key={row.name}
          sx={{
            display: "grid",
            gridTemplateColumns: "minmax(0, 132px) minmax(0, 1fr) auto",
            gap: 1,
            alignItems: "center",
          }}
        >
          <Box>{row.name}</Box>
          <Box sx={{ height: 10, width: `${(row.minutes / most) * 100}%`, background: "var(--lichen)" }} />
          <Box sx={{ color: "text.secondary" }}>{row.words}</Box>
        </Box>
      ))}
    </Box>
  );
}
