import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../../api/client";
import { Choice, ChoiceRow } from "../../../parts/Choices";
import { Reckoning } from "../../../parts/Reckoning";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { Head } from "../Head";
import { BedPicture } from "./BedPicture";
import { Curve } from "./Curve";
import { FiguresDialog } from "./FiguresDialog";
import { Futures } from "./Futures";
import { useRoot, useRoots, type RootAsk } from "./queries";

/** Roots are the stands whose roots are lifted: how many may go every year, which, and what becomes of the stand. */
export function Roots() {
  const { species = "", bed = "" } = useParams();
  const { data, error } = useRoots();
  if (error) return <Trouble reason={error} />;
  if (!data) return <Reckoning />;
  const first =
    data.stands.find((one) => one.speciesId === species && String(one.bedId) === bed) ??
    [...data.stands].sort(
      (a, b) => Number(a.refused !== "") - Number(b.refused !== "") || b.plants - a.plants,
    )[0];
  return (
    <>
      <Head title="Roots" words="Which plants to lift, and how many a year so that the stand lasts." />
      {!first ? (
        <p>No kind stands on the plot whose root is lifted and which lives on.</p>
      ) : (
        <>
          <Box
            component="nav"
            aria-label="Stands"
            sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1.5 }}
          >
            {data.stands.map((one) => (
              <Button
                key={`${one.speciesId}${one.bedId}`}
                component={Link}
                to={`/gather/roots/${one.speciesId}/${one.bedId}`}
                variant={one === first ? "contained" : "outlined"}
                aria-current={one === first ? "page" : undefined}
                sx={{ lineHeight: 1.25, textAlign: "left" }}
              >
                {one.name}, {one.bed}: {one.plants}
              </Button>
            ))}
          </Box>
          <Stand key={`${first.speciesId}${first.bedId}`} species={first.speciesId} bed={first.bedId} />
        </>
      )}
    </>
  );
}

const schools = [
  ["whole", "The whole plant"],
  ["part", "A part, the rest goes back"],
] as const;

function Stand({ species, bed }: { species: string; bed: number }) {
  const { noted } = useUndo();
  const { send, sending, fault, stale, fields, settle } = useSend();
  const [ask, setAsk] = useState<RootAsk>({});
  const [year, setYear] = useState<number>();
  const [asking, setAsking] = useState(false);
  const { data: root, error } = useRoot(species, bed, ask);
  if (error) return <Trouble reason={error} />;
  if (!root) return <Reckoning />;
  const keep = async () => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/roots/{species}/{bed}", {
          params: { path: { species, bed }, header: shownVersion(root.version) },
          body: {
            school: root.school,
            survival: ask.survival,
            offspring: ask.offspring,
            crowns: ask.crowns,
            take: root.thisYear,
          },
        }),
      ),
    );
    if (entry) {
      noted(entry);
      setAsk({});
    }
  };
  const isSettled = root.settled === root.thisYear && Object.keys(ask).length === 0;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 400px" },
        columnGap: 3,
        alignItems: "start",
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="h2">
          {year ? `In ${year}` : `Lift ${root.plants.filter((p) => p.lift).length}, ${root.liftOn}`}
        </Typography>
        <Box sx={{ color: "text.secondary", mb: 0.5 }}>
          {root.words}. The number is a plant&apos;s year of life; of age from its year {root.firstYear}.
        </Box>
        {root.refused && <Alert severity="error">{root.refused}</Alert>}
        {root.plants.length > 0 ? (
          <>
            <BedPicture root={root} year={year} />
            <Rotation root={root} year={year} onYear={setYear} />
            <Which root={root} />
          </>
        ) : (
          <p>Its plants are too many, or too unsure in their places, to be drawn one by one.</p>
        )}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <ChoiceRow label="How roots are taken" columns={2}>
          {schools.map(([school, words]) => (
            <Choice
              key={school}
              label={words}
              chosen={root.school === school}
              onChoose={() => setAsk({ ...ask, school, crowns: undefined, take: undefined })}
            >
              {words}
            </Choice>
          ))}
        </ChoiceRow>
        <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
          {root.take}
        </Typography>
        <Box sx={{ fontWeight: 600 }}>{root.steadyWords}</Box>
        <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
          Without anything put back: {root.noCrowns} a year.{" "}
          {root.lifted > 0 && `${root.lifted} of this year's are lifted. `}
          {root.basis}
        </Box>
        <Curve curve={root.curve} take={root.thisYear} onTake={(take) => setAsk({ ...ask, take })} />
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
          <Button variant="contained" disabled={sending || isSettled} onClick={() => void keep()}>
            {isSettled ? `Settled: ${root.thisYear} a year` : `Settle on ${root.thisYear} a year`}
          </Button>
          <Button onClick={() => setAsking(true)}>What you saw</Button>
        </Box>
        {(fault || stale || Object.keys(fields).length > 0) && (
          <Alert severity="error" onClose={settle}>
            {stale || fault || Object.values(fields).join(" ")}
          </Alert>
        )}
        <Typography variant="h3" component="h2">
          If every year so many of those of age go
        </Typography>
        <Futures futures={root.futures} plants={root.plants.length || root.curve.length} />
        <Box component="ul" sx={{ m: 0, pl: 2.2, fontSize: 14.5 }}>
          {root.futures.map((one) => (
            <li key={one.name}>
              <b>{one.name}</b>: {one.words}
            </li>
          ))}
        </Box>
      </Box>
      {asking && (
        <FiguresDialog
          root={root}
          onClose={() => setAsking(false)}
          onTry={(figures) => setAsk({ ...ask, ...figures })}
        />
      )}
    </Box>
  );
}

/** Rotation goes through the years: who is lifted when, were each to live on. */
function Rotation({
  root,
  year,
  onYear,
}: {
  root: Schemas["RootView"];
  year: number | undefined;
  onYear: (year: number | undefined) => void;
}) {
  return (
    <Box component="section" aria-label="The rotation" sx={{ mt: 1 }}>
      <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
        The rotation, each year with as many strokes as plants. Choose one to see which they are.
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        {root.rotation.map((one, i) => {
          const shown = (year ?? root.rotation[0]?.year) === one.year;
          return (
            <Box
              key={one.year}
              component="button"
              type="button"
              aria-pressed={shown}
              aria-label={`${one.year}: ${one.lifted.length} lifted`}
              onClick={() => onYear(i === 0 ? undefined : one.year)}
              sx={{
                font: "inherit",
                fontSize: 14,
                color: "inherit",
                border: "1px solid var(--rule)",
                borderBottom: `3px solid ${shown ? "var(--bramble)" : "var(--rule)"}`,
                background: shown ? "var(--card)" : "none",
                minHeight: 44,
                minWidth: 64,
                cursor: "pointer",
              }}
            >
              {one.year}
              <Box sx={{ display: "flex", gap: "2px", justifyContent: "center", height: 10 }} aria-hidden>
                {one.lifted.map((plant) => (
                  <span key={plant} style={{ width: 4, background: "var(--bramble)" }} />
                ))}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** Which says in words which plants go and which stay, and what else the spade would cut. */
function Which({ root }: { root: Schemas["RootView"] }) {
  const why = new Map<string, number>();
  root.plants.forEach((p) => why.set(p.why, (why.get(p.why) ?? 0) + 1));
  return (
    <Box sx={{ fontSize: 14.5, mt: 1 }}>
      {[...why].map(([words, n]) => `${n} ${words}`).join("; ")}.
      {root.beside.length > 0 && (
        <Box sx={{ color: "var(--clay)", fontWeight: 600 }}>
          Within the spade&apos;s reach, and would be hurt: {root.beside.join("; ")}.
        </Box>
      )}
    </Box>
  );
}
