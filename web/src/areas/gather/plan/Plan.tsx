import { Alert, Box, Button, LinearProgress } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, shownVersion } from "../../../api/client";
import { dayMonth } from "../../../parts/dates";
import { Reckoning } from "../../../parts/Reckoning";
import { useKept, useShownDay } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { useWidth } from "../../../parts/useWidth";
import { Head } from "../Head";
import { useSeasonPlan } from "../queries";
import { Compare } from "./Compare";
import { Cover } from "./Covers";
import { acrossOf, headHeight, keyOf, refused, rowHeight, usable, x, type PlanView } from "./field";
import { Field, type Chosen } from "./Field";
import { PickPanel } from "./PickPanel";
import { Prices } from "./Prices";
import { Trough } from "./Trough";

const hours = (minutes: number) =>
  minutes < 60 ? `${Math.round(minutes)} min` : `${Math.round(minutes / 6) / 10} h`;

/** Plan is the plan of the season: which stand is picked on which day and how much, what that takes up, and what it covers. */
export function Plan() {
  const { asked } = useShownDay();
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault, stale, settle } = useSend();
  const [against, setAgainst] = useState(0);
  const [comparing, setComparing] = useState(false);
  const [key, setKey] = useState("");
  const [moving, setMoving] = useState("");
  const [lit, setLit] = useState("");
  const { data: view, error, refetch } = useSeasonPlan(asked, against);
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const chosen = view.stands
    .flatMap((stand) => stand.picks.map((pick) => ({ stand, pick })))
    .find((one) => keyOf(one.stand, one.pick.day) === key);
  const choose = (one: Chosen) => {
    setKey(keyOf(one.stand, one.pick.day));
    setMoving("");
    setLit(one.stand.product);
  };
  const keep = async (anew: boolean) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/season-plan", {
          params: { header: shownVersion(view.version) },
          body: { on: view.season, anew },
        }),
      ),
    );
    if (entry) noted(entry);
  };
  const stop = async () => {
    await send(() => answerOf(api.POST("/api/season-plan/stop", { params: { query: { on: asked } } })));
    await refetch();
  };
  const needsKeeping = !view.kept || view.moved !== "";
  return (
    <>
      <Head
        title="Plan of the season"
        words={`${view.summary}. A hill is a stand's good days, a leaf a picking. ${
          view.kept ? `Followed since ${view.keptOn}.` : "A proposal: not followed yet."
        }`}
      >
        {view.stands.length > 0 && (
          <>
            <Button
              variant={needsKeeping ? "contained" : "outlined"}
              disabled={sending || view.working || !needsKeeping}
              onClick={() => void keep(false)}
            >
              {view.kept ? (needsKeeping ? "Keep it so" : "Kept") : "Follow this plan"}
            </Button>
            {view.kept && (
              <Button variant="outlined" disabled={sending || view.working} onClick={() => void keep(true)}>
                Make it anew
              </Button>
            )}
            <Button aria-pressed={comparing} onClick={() => setComparing(!comparing)}>
              Compare
            </Button>
            <Button component="a" href="/api/files/season" target="_blank">
              Print
            </Button>
          </>
        )}
      </Head>
      {(fault || stale) && (
        <Alert severity="error" onClose={settle}>
          {stale || fault}
        </Alert>
      )}
      {view.working && (
        <Box role="status" sx={{ display: "flex", gap: 1.5, alignItems: "center", mb: 1 }}>
          <Box sx={{ color: "text.secondary" }}>Being planned; this is the best so far.</Box>
          <LinearProgress
            variant="determinate"
            value={100 * view.progress}
            aria-label="How far the planning has got"
            sx={{ width: 180 }}
          />
          <Button size="small" onClick={() => void stop()}>
            Stop here
          </Button>
        </Box>
      )}
      {view.stopped && <Box sx={{ mb: 1 }}>The planning was stopped: this is the best that was found.</Box>}
      {view.moved && (
        <Box sx={{ mb: 1, color: "var(--clay)", fontWeight: 700 }}>Since it was kept {view.moved}.</Box>
      )}
      {view.notes.map((words) => (
        <Box key={words} sx={{ mb: 0.5, color: "var(--clay)" }}>
          {words} {/drier|trays|time/.test(words) && <Link to={kept("/gather/needs")}>Say how it is</Link>}
        </Box>
      ))}
      {view.products.length === 0 ? (
        <Button variant="contained" component={Link} to={kept("/gather/needs")}>
          Say what you need
        </Button>
      ) : (
        <Picture
          view={view}
          chosen={chosen}
          moving={moving}
          lit={lit}
          onChoose={choose}
          onMove={(one, day) => {
            choose(one);
            setMoving(day);
          }}
          onMoving={setMoving}
          onLit={(product) => setLit(lit === product ? "" : product)}
        />
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 3 }}>
        <Box sx={{ flex: 1, minWidth: 260 }}>
          <Prices prices={view.prices} reckoning={view.reckoning} />
        </Box>
      </Box>
      {comparing && <Compare view={view} against={against} onAgainst={setAgainst} />}
    </>
  );
}

interface PictureProps {
  view: PlanView;
  chosen: Chosen | undefined;
  moving: string;
  lit: string;
  onChoose: (chosen: Chosen) => void;
  onMove: (chosen: Chosen, day: string) => void;
  onMoving: (day: string) => void;
  onLit: (product: string) => void;
}

function Picture({ view, chosen, moving, lit, onChoose, onMove, onMoving, onLit }: PictureProps) {
  const [box, width] = useWidth(560);
  const across = acrossOf(view, width);
  const names = { width: { xs: 104, md: 192 } };
  const days = [...new Set(view.stands.flatMap((stand) => stand.picks.map((pick) => pick.day)))].sort();
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 322px" },
        columnGap: 2.5,
        alignItems: "start",
      }}
    >
      <Box sx={{ display: "grid", gridTemplateColumns: "auto minmax(0, 1fr)" }}>
        <Box sx={names}>
          <Box
            sx={{
              height: headHeight,
              fontSize: 13.5,
              color: "text.secondary",
              textAlign: "right",
              pr: 1,
              pt: "20px",
            }}
          >
            rain
          </Box>
          {usable(view).map((stand) => (
            <Name key={keyOf(stand)} stand={stand} lit={stand.product === lit} />
          ))}
        </Box>
        <Box ref={box} sx={{ minWidth: 0 }}>
          <Field
            view={view}
            width={width}
            chosen={chosen}
            moving={moving}
            onChoose={onChoose}
            onMove={onMove}
          />
        </Box>
        <Box sx={{ ...names, fontSize: 13.5, color: "text.secondary", textAlign: "right", pr: 1 }}>
          out on
        </Box>
        <OutOn days={days} across={across} />
        <Label name="Trays" words={view.trays.of.length > 0 ? `of ${view.trays.most}` : "nobody said"} />
        <Trough name="Trays" trough={view.trays} across={across} words={(n) => `${n} trays`} />
        <Label
          name="Time"
          words={view.hours.of.length > 0 ? `of ${hours(view.hours.most)} a day` : "nobody said"}
        />
        <Trough name="Time" trough={view.hours} across={across} words={hours} />
        <NotForUse view={view} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        {chosen && (
          <PickPanel
            key={keyOf(chosen.stand, chosen.pick.day)}
            view={view}
            chosen={chosen}
            moving={moving}
            onMoving={onMoving}
          />
        )}
        <Box component="h2" sx={{ fontSize: 15, m: "6px 0 2px" }}>
          What it covers
        </Box>
        {view.products.map((product) => (
          <Cover
            key={product.key + product.for}
            product={product}
            lit={product.key === lit}
            onLight={() => onLit(product.key)}
          />
        ))}
        <Box sx={{ mt: 1, fontWeight: 700 }}>{view.better}</Box>
      </Box>
    </Box>
  );
}

function Name({ stand, lit }: { stand: PlanView["stands"][number]; lit: boolean }) {
  const kept = useKept();
  const cut = { whiteSpace: "nowrap", overflow: "hidden", textOverflow: "ellipsis" };
  return (
    <Box
      sx={{
        height: rowHeight,
        overflow: "hidden",
        lineHeight: { xs: 1.1, md: 1.2 },
        pr: 1,
        borderBottom: "1px solid var(--rule)",
        background: lit ? "var(--card)" : "none",
        display: "flex",
        flexDirection: "column",
        justifyContent: "center",
      }}
    >
      <Box
        component={Link}
        to={kept(`/plantings/${stand.plantingId}`)}
        title={stand.name}
        sx={{
          ...cut,
          // On a phone a name may take two lines.
          whiteSpace: { xs: "normal", md: "nowrap" },
          color: "inherit",
          textDecoration: "none",
          fontWeight: 700,
          fontSize: { xs: 12, md: 13.5 },
          "&:hover": { textDecoration: "underline" },
        }}
      >
        {stand.name}
      </Box>
      <Box sx={{ ...cut, fontSize: { xs: 12, md: 12.5 }, color: "text.secondary" }}>{stand.bed}</Box>
    </Box>
  );
}

/** NotForUse are the stands of what is needed of which nothing may be taken, each with its reason. */
function NotForUse({ view }: { view: PlanView }) {
  const kept = useKept();
  const stands = refused(view);
  if (stands.length === 0) return null;
  return (
    <Box component="section" aria-label="Needed, and not for use" sx={{ gridColumn: "1 / -1", mt: 1.5 }}>
      <Box component="h2" sx={{ fontSize: 15, m: 0, color: "var(--forbid)" }}>
        Needed, and not for use
      </Box>
      {stands.map((stand) => (
        <Box key={keyOf(stand)} sx={{ fontSize: 14, borderTop: "1px dotted var(--rule)", py: 0.3 }}>
          <Link to={kept(`/plantings/${stand.plantingId}`)}>{stand.name}</Link>, {stand.bed}: {stand.refused}
        </Box>
      ))}
    </Box>
  );
}

function Label({ name, words }: { name: string; words: string }) {
  return (
    <Box sx={{ pr: 1, fontSize: 14, alignSelf: "center", lineHeight: 1.2 }}>
      <b>{name}</b>
      <Box sx={{ fontSize: 12.5, color: "text.secondary" }}>{words}</Box>
    </Box>
  );
}

/** OutOn are the days of the month on which somebody goes out to pick. */
function OutOn({ days, across }: { days: string[]; across: ReturnType<typeof acrossOf> }) {
  const apart = 18;
  const named = days.reduce<string[]>((kept, day) => {
    const last = kept.at(-1);
    return last && x(across, day) - x(across, last) < apart ? kept : [...kept, day];
  }, []);
  return (
    <svg
      width={across.width}
      height={20}
      role="img"
      aria-label={`Out to pick on ${days.map(dayMonth).join(", ")}`}
    >
      {named.map((day) => (
        <text
          key={day}
          x={x(across, day)}
          y={14}
          fontSize={13}
          fontWeight={700}
          textAnchor="middle"
          fill="var(--leaf)"
        >
          {Number(day.slice(8))}
        </text>
      ))}
    </svg>
  );
}
