import { Box, Button, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { Schemas } from "../../api/client";
import { fullDay } from "../../parts/dates";
import { Trouble } from "../../parts/Trouble";
import { Reckoning } from "../../parts/Reckoning";
import { useShown } from "../../parts/useShown";
import { HatchMark, hatches, type Hatch } from "./hatch";
import { Head } from "./Head";
import { useSpread } from "./queries";
import { SeenDialog } from "./SeenDialog";
import { SpreadMap } from "./SpreadMap";
import { YearSlider } from "./YearSlider";

type Stand = Schemas["SpreadStand"];

/** The year that the map shows first. */
const firstYear = 3;

/** Spread is how far each kind may get, year by year, on the plot's own plan, and what it reaches when. */
export function Spread() {
  const [params, setParams] = useSearchParams();
  const free = params.get("free") === "yes";
  const [year, setYear] = useState(firstYear);
  const [placing, setPlacing] = useState(false);
  const [seen, setSeen] = useState<Schemas["SpreadPoint"] | "typed">();
  const { data: view, error, whole } = useSpread(free, firstYear);
  const hatch = useMemo(() => hatches(view?.stands.map((stand) => stand.speciesId) ?? []), [view]);
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const chosen =
    view.stands.find((stand) => String(stand.plantingId) === params.get("stand")) ??
    view.stands.find((stand) => stand.over && stand.policy === "") ??
    view.stands[0];
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(name, value);
    else next.delete(name);
    setParams(next, { replace: true });
  };
  const choose = (planting: number) => set("stand", String(planting));
  return (
    <>
      <Head
        title="Spread"
        words={`${view.free ? "If nothing is done" : view.anyHeld ? "As each is held" : "If nothing is done: no stand is held yet"}. Denser is likelier; lines at 2, 5 and 8 in 10.`}
      >
        {view.anyHeld || view.free ? (
          <Button variant="outlined" aria-pressed={free} onClick={() => set("free", free ? "" : "yes")}>
            {free ? "As each is held" : "If nothing is done"}
          </Button>
        ) : null}
      </Head>
      {view.stands.length === 0 ? (
        <p>Nothing on the plan runs or seeds about, by what is on record.</p>
      ) : (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 350px" },
            columnGap: 3,
            alignItems: "start",
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            <SpreadMap
              view={view}
              year={year}
              chosen={chosen}
              hatch={hatch}
              onChoose={choose}
              onPlace={
                placing
                  ? (at) => {
                      setSeen(at);
                      setPlacing(false);
                    }
                  : undefined
              }
              mark={typeof seen === "object" ? seen : undefined}
            />
            <YearSlider
              view={view}
              year={whole ? year : firstYear}
              hatch={hatch}
              chosen={chosen}
              onYear={setYear}
            />
          </Box>
          <Box sx={{ minWidth: 0 }}>
            {chosen && (
              <Detail
                stand={chosen}
                year={year}
                when={view.years[year]?.words ?? ""}
                hatch={hatch.get(chosen.speciesId)}
                placing={placing}
                onPlacing={() => setPlacing(!placing)}
                onTyped={() => setSeen("typed")}
              />
            )}
            <Typography variant="h3" sx={{ mt: 2 }}>
              All that spreads
            </Typography>
            <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {view.stands.map((stand) => (
                <li key={stand.plantingId}>
                  <Row
                    stand={stand}
                    hatch={hatch.get(stand.speciesId)}
                    chosen={stand === chosen}
                    onChoose={() => choose(stand.plantingId)}
                  />
                </li>
              ))}
            </Box>
            {view.deadlines.length > 0 && (
              <>
                <Typography variant="h3" sx={{ mt: 2 }}>
                  Last days to behead
                </Typography>
                <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, fontSize: 14.5 }}>
                  {view.deadlines.slice(0, 8).map((one) => (
                    <li key={one.plantingId}>
                      <Box
                        component="span"
                        sx={{ color: one.passed ? "var(--clay)" : "inherit", fontWeight: 700 }}
                      >
                        {fullDay(one.last)}
                      </Box>{" "}
                      <Link to={`/spread/hold/${one.plantingId}`}>
                        {one.name}, {one.bed}
                      </Link>
                      {one.passed && one.late[0] && ` · ${one.late[0].words}`}
                    </li>
                  ))}
                </Box>
              </>
            )}
            {view.unknown.map((one) => (
              <Box
                key={one.plantingId}
                sx={{ borderTop: "1px solid var(--rule)", py: 0.5, color: "var(--forbid)" }}
              >
                <Link to={`/plantings/${one.plantingId}`}>{one.name}</Link>, {one.bed}: {one.words}
              </Box>
            ))}
            <Box component="details" sx={{ borderTop: "1px solid var(--rule)", pt: 0.5 }}>
              <summary>{view.gentle.length} that keep to their room, by what is on record</summary>
              {view.gentle.map((one) => (
                <Box key={one.plantingId} sx={{ fontSize: 14.5 }}>
                  <Link to={`/plantings/${one.plantingId}`}>{one.name}</Link>, {one.bed}: {one.words}
                </Box>
              ))}
            </Box>
          </Box>
        </Box>
      )}
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 1 }}>{view.basis}</Box>
      {seen && chosen && (
        <SeenDialog
          stand={chosen}
          today={view.today}
          at={typeof seen === "object" ? seen : undefined}
          onClose={() => setSeen(undefined)}
        />
      )}
    </>
  );
}

interface RowProps {
  stand: Stand;
  hatch: Hatch | undefined;
  chosen: boolean;
  onChoose: () => void;
}

/** Row is a kind in the list: its hatching, where it stands, and what it reaches first. */
function Row({ stand, hatch, chosen, onChoose }: RowProps) {
  const first = stand.reaches.find((reach) => !reach.today) ?? stand.reaches[0];
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        display: "flex",
        gap: 1,
        width: "100%",
        textAlign: "left",
        font: "inherit",
        color: "inherit",
        border: 0,
        borderTop: "1px solid var(--rule)",
        background: chosen ? "var(--card)" : "none",
        p: "6px 4px",
        minHeight: 44,
        cursor: "pointer",
      }}
    >
      {hatch && <HatchMark hatch={hatch} />}
      <Box sx={{ minWidth: 0, fontSize: 14.5 }}>
        <b>{stand.name}</b>, {stand.bed}
        {stand.over && (
          <Box component="span" sx={{ color: "var(--clay)", fontWeight: 700 }}>
            {" "}
            · past its edge
          </Box>
        )}
        {first && (
          <Box sx={{ color: "text.secondary" }}>
            {first.where} {first.words}
          </Box>
        )}
      </Box>
    </Box>
  );
}

interface DetailProps {
  stand: Stand;
  year: number;
  /** The month of that year, in words. */
  when: string;
  hatch: Hatch | undefined;
  placing: boolean;
  onPlacing: () => void;
  onTyped: () => void;
}

/** Detail is the chosen kind: where it stands, what it reaches by when, and what may be done. */
function Detail({ stand, year, when, hatch, placing, onPlacing, onTyped }: DetailProps) {
  const box = useShown<HTMLDivElement>(stand.plantingId);
  return (
    <Box ref={box}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        {hatch && <HatchMark hatch={hatch} size={26} />}
        <Typography variant="h2">
          {stand.name}, {stand.bed}
        </Typography>
      </Box>
      <Box sx={{ color: stand.over ? "var(--clay)" : "inherit", fontWeight: stand.over ? 700 : 400 }}>
        {stand.state}
      </Box>
      {stand.reaches.length > 0 && (
        <>
          <Box sx={{ textAlign: "right", fontSize: 13.5, color: "text.secondary", mt: 0.5 }}>by {when}</Box>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: "6px 0" }} aria-label="What it reaches">
            {stand.reaches.slice(0, 5).map((reach) => (
              <Box
                component="li"
                key={reach.key}
                sx={{
                  display: "flex",
                  justifyContent: "space-between",
                  gap: 1,
                  borderTop: "1px dotted var(--rule)",
                }}
              >
                <span>
                  <b>{reach.where}</b> {reach.words}
                </span>
                <Box component="span" sx={{ whiteSpace: "nowrap", color: "text.secondary" }}>
                  {reach.today ? "" : `${Math.round((reach.byYear[year] ?? 0) * 100)} %`}
                </Box>
              </Box>
            ))}
          </Box>
        </>
      )}
      {stand.reaches.length === 0 && <p>Within ten years it hardly reaches anything else.</p>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
        <Button variant="contained" component={Link} to={`/spread/hold/${stand.plantingId}`}>
          Hold it
        </Button>
        <Button variant="outlined" aria-pressed={placing} onClick={onPlacing}>
          {placing ? "Touch the map" : "Here it came up"}
        </Button>
        <Button onClick={onTyped}>Nothing past its edge</Button>
      </Box>
      {stand.hold && <Box sx={{ fontWeight: 600 }}>{stand.hold}</Box>}
      {stand.deadline.words && (
        <Box sx={{ color: stand.deadline.passed ? "var(--clay)" : "inherit", fontWeight: 600 }}>
          {stand.deadline.words}
        </Box>
      )}
      <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
        {stand.how} {stand.bank}
      </Box>
      {stand.seen.map((one) => (
        <Box key={`${one.day} ${one.id}`} sx={{ fontSize: 14.5 }}>
          {fullDay(one.day)}: {one.words}
        </Box>
      ))}
    </Box>
  );
}
