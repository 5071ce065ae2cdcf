import { Box, Button, Typography } from "@mui/material";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { useBaskets, useGather, useSite } from "../../api/queries";
import { useActs } from "../../parts/acts";
import { useKept, useShownDay } from "../../parts/shownDay";
import { DayLine, SeasonAxis, type Axis } from "../../parts/SeasonAxis";
import { Trouble } from "../../parts/Trouble";
import { useWidth } from "../../parts/useWidth";
import { WindowBar } from "../../parts/WindowBar";
import { Baskets } from "./Baskets";
import { Head } from "./Head";

const lane = 30;
const names = 18;

const groups = [
  { title: "Open", states: ["closing", "open"] },
  { title: "Still to come", states: ["coming", "later"] },
  { title: "Over for this year", states: ["over"] },
] as const;

/** Gather is every window of the year by month, and picking from those that are open. */
export function Gather() {
  const { asked, isToday, shown } = useShownDay();
  const site = useSite().data;
  const query = useGather(asked);
  const gather = query.data;
  const baskets = useBaskets().data;
  if (query.error) return <Trouble reason={query.error} />;
  // Both at once: baskets that came later would push the windows down under the hand.
  if (!gather || !baskets) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Head
        title="Gather"
        words="Full colour: open 9 times in 10. Pale ends: the days in which it may open or close. A dark stroke: at its best. A dashed red outline: not for use."
      >
        <Button variant="contained" component={Link} to="/gather/out">
          Go out and pick
        </Button>
      </Head>
      <Baskets baskets={baskets} />
      {gather.windows.length === 0 && <p>Nothing that stands on the plot can be taken yet.</p>}
      {groups.map((group) => {
        const windows = gather.windows.filter((w) => (group.states as readonly string[]).includes(w.state));
        if (windows.length === 0) return null;
        return (
          <Box component="section" key={group.title} aria-label={group.title} sx={{ mb: 2.5 }}>
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              {group.title} <span style={{ color: "var(--softInk)" }}>{windows.length}</span>
            </Typography>
            {windows.map((w, i) => (
              <Row
                key={`${w.plantingId}${w.part}${w.first}`}
                window={w}
                named={i === 0}
                gather={gather}
                today={site?.today ?? ""}
                shown={shown ?? ""}
                canPick={isToday && group.title === "Open"}
              />
            ))}
          </Box>
        );
      })}
    </>
  );
}

interface RowProps {
  window: Schemas["WindowView"];
  gather: Schemas["GatherView"];
  today: string;
  shown: string;
  canPick: boolean;
  named: boolean;
}

function Row({ window: w, gather, today, shown, canPick, named }: RowProps) {
  const kept = useKept();
  const { pick } = useActs();
  const [box, width] = useWidth(520);
  const height = named ? lane + names : lane;
  const axis: Axis = { start: gather.seasonStart, end: gather.seasonEnd, left: 0, width };
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "232px minmax(0, 1fr) 330px" },
        columnGap: 2,
        alignItems: "center",
        borderTop: "1px solid var(--rule)",
        py: 0.4,
      }}
    >
      <Box>
        <Box
          component={Link}
          to={kept(`/plantings/${w.plantingId}`)}
          sx={{ color: "inherit", textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
        >
          <b>{w.verb}</b> {w.name} {w.part}
        </Box>
        <Box sx={{ fontSize: 14, color: "text.secondary" }}>
          {w.bed}
          {w.flush && ` · ${w.flush}`}
        </Box>
      </Box>
      <Box ref={box} sx={{ minWidth: 0 }}>
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`${w.part} ${w.words}`}
          style={{ display: "block" }}
        >
          <SeasonAxis axis={axis} height={height} named={named} />
          <WindowBar axis={axis} window={w} y={height - 23} />
          <DayLine axis={axis} day={today} height={height} top={named ? names : 0} />
          {shown !== today && (
            <DayLine axis={axis} day={shown} height={height} top={named ? names : 0} shown />
          )}
        </svg>
      </Box>
      <Box sx={{ fontSize: 14.5, display: "flex", gap: 1, alignItems: "center" }}>
        <Box sx={{ flex: 1 }}>
          {w.refused ? (
            <Box sx={{ color: "var(--forbid)", fontSize: 13.5, lineHeight: 1.3 }}>{w.refused}</Box>
          ) : (
            <>
              {w.amount && (
                <Box sx={{ fontWeight: 700 }}>
                  {w.amount}
                  {w.weight && <span style={{ fontWeight: 400 }}> · {w.weight}</span>}
                </Box>
              )}
              <Box sx={{ color: w.state === "closing" || w.missed ? "var(--clay)" : "text.secondary" }}>
                {w.words}
                {w.neverSeen && "; never looked at, so wide"}
              </Box>
              {w.notices.map((words) => (
                <Box key={words} sx={{ color: "var(--clay)", fontSize: 13.5, lineHeight: 1.3 }}>
                  {words}
                </Box>
              ))}
            </>
          )}
        </Box>
        {canPick && !w.refused && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => pick(w.plantingId, w.part)}
            aria-label={`Pick ${w.name} ${w.part}, ${w.bed}`}
          >
            Pick
          </Button>
        )}
      </Box>
    </Box>
  );
}
