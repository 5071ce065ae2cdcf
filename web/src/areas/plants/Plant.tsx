import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { Refusal, type Schemas } from "../../api/client";
import { usePlant } from "../../api/queries";
import { useKept, useShownDay } from "../../parts/shownDay";
import { CautionList } from "../../parts/CautionList";
import { DrawnStates } from "../../parts/CharacterDrawing";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { OwnFigures } from "./OwnFigures";
import { Growing, PlantFacts, Poison, row } from "./Growing";
import { PlantNotes } from "./PlantNotes";
import { PlantYearChart } from "./PlantYearChart";

const grave = (danger: string) => danger === "deadly" || danger === "poisonous";

/** inItsPrime is the stage that shows a plant best: in flower, or in leaf where none is known to come. */
function inItsPrime(p: Schemas["PlantView"]) {
  const flowers = p.years.some((year) => year.stages.some((stage) => stage.stage === "full flower"));
  return flowers ? "full flower" : "full leaf";
}

/** Plant is one plant of the library: its year here, its parts, what it is mistaken for, its cautions. */
export function Plant() {
  const { id = "" } = useParams();
  const { asked } = useShownDay();
  const kept = useKept();
  const query = usePlant(id, asked);
  const p = query.data;
  if (query.error instanceof Refusal && query.error.status === 404)
    return (
      <p>
        There is no such plant. <Link to={kept("/plants")}>Back to the plants</Link>
      </p>
    );
  if (query.error) return <Trouble reason={query.error} />;
  if (!p) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "flex-start", flexWrap: "wrap", mb: 1.5 }}>
        <Box sx={{ width: { xs: 110, md: 170 }, flex: "none", "& svg": { width: "100%", height: "auto" } }}>
          <Sprig species={p.id} stage={inItsPrime(p)} size={190} label={`${p.name}, ${inItsPrime(p)}`} />
        </Box>
        <Box sx={{ flex: 1, minWidth: 220 }}>
          <Typography variant="h1">{p.name.charAt(0).toUpperCase() + p.name.slice(1)}</Typography>
          <Box sx={{ color: "text.secondary" }}>
            <i>{p.botanical}</i> · {p.family} · {p.life}
            {p.former.length > 0 && ` · formerly ${p.former.join(", ")}`}
          </Box>
          <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <Sprig species={p.id} stage={p.stage} size={40} label="" />
            <span>
              Usually <b>{p.stage}</b> now{p.here && ` · ${p.here}`}
            </span>
          </Box>
        </Box>
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }} className="no-print">
          {p.used && (
            <Button variant="contained" component={Link} to={kept(`/plot?where=${p.id}`)}>
              Where would it go best
            </Button>
          )}
          {p.used && (
            <Button variant="outlined" component={Link} to={`/bench/ways?species=${p.id}&plants=6`}>
              Make more of it
            </Button>
          )}
          <Button variant="outlined" component={Link} to={kept(`/plants/own/${p.id}`)}>
            {p.own ? "Change your plant" : "Change a copy"}
          </Button>
          <Button component="a" href={`/api/files/plant/${p.id}`}>
            Save its file
          </Button>
        </Box>
      </Box>
      {!p.used && (
        <Box
          role="alert"
          sx={{
            background: grave(p.danger) ? "var(--forbid)" : "var(--softInk)",
            color: "var(--card)",
            px: 1.5,
            py: 1,
            my: 1,
            fontSize: 17,
          }}
        >
          {p.warning} It is never offered for use.
        </Box>
      )}
      {p.poison.what && <Poison poison={p.poison} />}
      {p.fault && (
        <Box
          role="alert"
          sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 0.7, whiteSpace: "pre-line" }}
        >
          Your own figures of it are not in force: {p.fault}
        </Box>
      )}
      {p.kin && <Note colour="--clay" name="Same name, another plant" words={p.kin} />}
      {p.watch && <Note colour="--straw" name="Needs watching" words={p.watch} />}
      {p.law && <Note colour="--water" name="Law" words={p.law} />}
      {p.sameName.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--clay)", pl: 1.2, my: 0.7 }}>
          {words}
        </Box>
      ))}
      {p.memory.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--rule)", pl: 1.2, my: 0.7 }}>
          {words}
        </Box>
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.62fr) minmax(0, 1fr)" },
          gap: 2.5,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {p.years.map((year) => (
            <PlantYearChart key={year.title} plant={p} year={year} />
          ))}
          <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
            Its parts
          </Typography>
          {p.parts.map((part) => (
            <Part key={part.name} part={part} />
          ))}
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            Known by
          </Typography>
          <KnownBy characters={p.characters} />
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            Mistaken for
          </Typography>
          {p.lookAlikes.map((l) => (
            <Box key={l.botanical} sx={{ fontSize: 15, py: 0.5, borderBottom: "1px dotted var(--rule)" }}>
              {l.id ? (
                <Link to={kept(`/plants/${l.id}`)}>
                  <b>{l.lookAlike}</b>
                </Link>
              ) : (
                <b>{l.lookAlike}</b>
              )}{" "}
              <i>{l.botanical}</i>,{" "}
              <span style={{ color: grave(l.danger) ? "var(--forbid)" : undefined }}>{l.danger}</span>.{" "}
              {l.decides} <span style={{ color: "var(--softInk)" }}>Look: {l.when}.</span>
            </Box>
          ))}
          {p.care.length > 0 && (
            <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
              Care
            </Typography>
          )}
          {p.care.map((words) => (
            <Box key={words} sx={row}>
              {words}
            </Box>
          ))}
          <Growing plant={p} />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            Cautions
          </Typography>
          {p.cautionList.here && (
            <Box sx={{ color: "var(--forbid)", fontWeight: 700 }}>{p.cautionList.here}</Box>
          )}
          <CautionList cautions={p.cautionList} />
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            What it asks and how it grows
          </Typography>
          <PlantFacts facts={p.facts} />
          {p.flowering.length > 0 && (
            <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
              Flowering
            </Typography>
          )}
          <PlantFacts facts={p.flowering} />
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            Is it for me?
          </Typography>
          {p.forMe.map((f) => (
            <Box key={f.question} sx={{ py: 0.5, borderBottom: "1px dotted var(--rule)", fontSize: 15 }}>
              <b>{f.question}</b>{" "}
              <span style={{ color: f.minds ? "var(--clay)" : undefined }}>{f.answer}</span>
            </Box>
          ))}
          <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
            Worth to wildlife
          </Typography>
          <Box sx={{ fontSize: 15 }}>{p.wildlife}</Box>
          <OwnFigures plant={p} />
          <PlantNotes plant={p} />
          {p.plantings.length > 0 && (
            <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
              On the plot
            </Typography>
          )}
          {p.plantings.map((planting) => (
            <Box key={planting.id} sx={{ fontSize: 15, py: 0.4, borderBottom: "1px dotted var(--rule)" }}>
              <Link to={kept(`/plantings/${planting.id}`)}>{planting.bed}</Link>: {planting.plantWords},{" "}
              {planting.stageWords}
            </Box>
          ))}
          <Box sx={{ fontSize: 14, color: "text.secondary", mt: 2 }}>
            Also called {p.otherNames.join(", ")}.
          </Box>
          <Box sx={{ fontSize: 14, color: "text.secondary", mt: 1 }}>
            {p.works.length > 0 && `Rests on ${p.works.join("; ")}. `}
            Usual cautions only, no doses and no advice for a person. Keep to the local list of weeds and
            protected plants.
          </Box>
        </Box>
      </Box>
    </>
  );
}

/** shownAtFirst is how many characters stand on the page before it is asked for all. */
const shownAtFirst = 12;

/** KnownBy are the characters of a plant, drawn; the musts and what tells most first, all on demand. */
function KnownBy({ characters }: { characters: readonly Schemas["PlantCharacter"][] }) {
  const [all, setAll] = useState(false);
  const more = characters.length - shownAtFirst;
  return (
    <>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "repeat(3, minmax(0, 1fr))", md: "repeat(6, minmax(0, 1fr))" },
          gap: 1.2,
        }}
      >
        {(all ? characters : characters.slice(0, shownAtFirst)).map((c) => (
          <Box key={c.id} sx={{ borderTop: `2px solid var(${c.must ? "--bramble" : "--rule"})`, pt: 0.5 }}>
            <Box sx={{ fontSize: 13, color: "text.secondary", lineHeight: 1.2 }}>
              {c.name}
              {c.must && <b> · must</b>}
            </Box>
            <DrawnStates character={c.id} states={c.shows.slice(0, 1)} size={56} bare />
            <Box sx={{ fontSize: 13, lineHeight: 1.25 }}>{c.shows.map((s) => s.words).join(" Or: ")}</Box>
          </Box>
        ))}
      </Box>
      {more > 0 && (
        <Button onClick={() => setAll(!all)} aria-expanded={all} sx={{ mt: 1, minHeight: 44 }}>
          {all ? "Show fewer" : `All ${characters.length} characters`}
        </Button>
      )}
    </>
  );
}

function Note({ colour, name, words }: { colour: string; name: string; words: string }) {
  return (
    <Box sx={{ borderLeft: `5px solid var(${colour})`, pl: 1.2, my: 0.7 }}>
      <b>{name}.</b> {words}
    </Box>
  );
}

function Part({ part }: { part: Schemas["PlantPart"] }) {
  return (
    <Box
      sx={{
        borderLeft: `5px solid var(${part.warns ? "--forbid" : part.when ? "--straw" : "--rule"})`,
        pl: 1.2,
        my: 1,
        fontSize: 15,
      }}
    >
      <Box>
        <b>{part.name}</b>:{" "}
        <span style={{ color: part.warns ? "var(--forbid)" : undefined }}>{part.verdicts.join(", ")}</span>
        {part.standing && <span style={{ color: "var(--softInk)" }}> · {part.standing}</span>}
      </Box>
      {part.use && <Box>{part.use}</Box>}
      {part.when && (
        <Box>
          Taken {part.when}. {part.how}
        </Box>
      )}
      {part.keep.length > 0 && part.when && (
        <Box
          component="dl"
          sx={{
            display: "grid",
            gridTemplateColumns: "52px minmax(0, 1fr)",
            columnGap: 1,
            rowGap: 0.25,
            m: 0,
            mt: 0.4,
            fontSize: 14.5,
          }}
        >
          {part.keep.map((fact) => (
            <Box key={fact.name} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ color: "text.secondary" }}>
                {fact.name}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {fact.words}{" "}
                {fact.standing === "guess" && <span style={{ color: "var(--softInk)" }}>(guess)</span>}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      {part.hazards.map((hazard) => (
        <Box key={hazard} sx={{ color: "var(--clay)" }}>
          {hazard}
        </Box>
      ))}
    </Box>
  );
}
