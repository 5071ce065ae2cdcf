import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";

import { Fault } from "../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../api/client";
import { usePractice, useRefresh, useSpecimen } from "../../api/queries";
import { useKept } from "../../parts/shownDay";
import { CharacterDrawing, DrawnStates } from "../../parts/CharacterDrawing";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { useSend } from "../../parts/useSend";

const newSeed = () => String(Math.floor(Math.random() * 2 ** 31));

/** Specimen shows one plant to be told: choose what to look at, then decide. */
export function Specimen() {
  const { species = "", other = "" } = useParams();
  const [params] = useSearchParams();
  const [seed, setSeed] = useState(() => params.get("seed") ?? newSeed());
  const query = useSpecimen(species, other, seed);
  if (query.error) return <Trouble reason={query.error} />;
  if (!query.data) return <Box sx={{ minHeight: 600 }} />;
  return <Round key={species + other + seed} round={query.data} onNext={() => setSeed(newSeed())} />;
}

function Round({ round, onNext }: { round: Schemas["SpecimenView"]; onNext: () => void }) {
  const kept = useKept();
  const refresh = useRefresh();
  const { send, sending, fault } = useSend();
  const [looks, setLooks] = useState<Schemas["LookAtView"][]>([]);
  const [result, setResult] = useState<Schemas["DecisionView"]>();
  const query = { species: round.speciesId, other: round.otherId, seed: round.seed };
  const inspect = async (character: string) => {
    const look = await send(() =>
      answerOf(api.GET("/api/practice/look", { params: { query: { ...query, character } } })),
    );
    if (look) setLooks((before) => [...before.filter((l) => l.id !== look.id), look]);
  };
  const decide = async (decision: "it is" | "it is not" | "cannot tell") => {
    const view = await send(() =>
      answerOf(
        api.POST("/api/practice/decisions", {
          body: {
            speciesId: round.speciesId,
            otherId: round.otherId,
            seed: round.seed,
            looked: looks.map((l) => l.id),
            decision,
          },
        }),
      ),
    );
    if (!view) return;
    setResult(view);
    await refresh();
  };
  const nameOf = (id: string) => round.inspectable.find((c) => c.id === id)?.name ?? id;
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap", mb: 1 }}>
        <Candidate species={round.speciesId} name={round.name} stage={round.stage} />
        <Candidate species={round.otherId} name={round.other} stage={round.stage} />
        <Box sx={{ flex: 1, minWidth: 240 }}>
          <Typography variant="h1">Is this {round.name}?</Typography>
          <Box sx={{ color: "text.secondary" }}>
            <i>{round.botanical}</i>, or {round.other}
            {round.danger !== "harmless" && (
              <>
                , which is <span style={{ color: "var(--forbid)" }}>{round.danger}</span>
              </>
            )}
            . It is {round.stage}.
          </Box>
        </Box>
        <Link to={kept("/practice")}>All pairs</Link>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.5fr) minmax(0, 1fr)" },
          gap: 3,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box
            aria-label="What you have looked at"
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "repeat(2, 1fr)", sm: "repeat(4, 1fr)" },
              gap: 1,
              minHeight: 150,
              border: "1px solid var(--rule)",
              background: "var(--card)",
              p: 1.2,
            }}
          >
            {looks.length === 0 && (
              <Box
                sx={{
                  gridColumn: "1 / -1",
                  color: "text.secondary",
                  alignSelf: "center",
                  textAlign: "center",
                }}
              >
                Choose what to look at. Each look costs: an expert takes two or three.
              </Box>
            )}
            {looks.map((look) => (
              <Box key={look.id} sx={{ textAlign: "center" }}>
                <Box sx={{ display: "grid", placeItems: "center" }}>
                  <CharacterDrawing
                    character={look.id}
                    state={look.shows.id}
                    label={look.shows.words}
                    size={84}
                  />
                </Box>
                <Box sx={{ fontSize: 13.5, lineHeight: 1.25 }}>
                  <b>{nameOf(look.id)}</b>
                  <br />
                  {look.told ? look.shows.words : "This one does not show it."}
                </Box>
              </Box>
            ))}
          </Box>
          {!result && (
            <Box sx={{ mt: 2 }}>
              <ChoiceRow label="Decide" columns={3}>
                <Choice chosen={false} onChoose={() => void decide("it is")}>
                  it is {round.name}
                </Choice>
                <Choice chosen={false} onChoose={() => void decide("it is not")}>
                  it is not
                </Choice>
                <Choice chosen={false} onChoose={() => void decide("cannot tell")}>
                  cannot tell
                </Choice>
              </ChoiceRow>
              {looks.length > 0 && (
                <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.5 }}>
                  {looks.length} {looks.length === 1 ? "look" : "looks"} so far
                </Box>
              )}
            </Box>
          )}
          <Fault words={fault} />
          {result && <Result result={result} round={round} looks={looks.length} onNext={onNext} />}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 0.7 }}>
            Look at
          </Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.7 }}>
            {round.inspectable.map((c) => {
              const looked = looks.some((l) => l.id === c.id);
              return (
                <Button
                  key={c.id}
                  size="small"
                  variant="outlined"
                  disabled={looked || sending || Boolean(result)}
                  onClick={() => void inspect(c.id)}
                  sx={{ justifyContent: "flex-start", textAlign: "left" }}
                >
                  {c.name}
                </Button>
              );
            })}
          </Box>
        </Box>
      </Box>
    </>
  );
}

/** Candidate is one of the two that the specimen may be: named, so that no drawing is taken for the specimen. */
function Candidate({ species, name, stage }: { species: string; name: string; stage: string }) {
  return (
    <Box sx={{ width: 76, textAlign: "center", fontSize: 12.5, lineHeight: 1.15 }}>
      <Box sx={{ display: "grid", placeItems: "center" }}>
        <Sprig species={species} stage={stage} size={56} label="" />
      </Box>
      {name}
    </Box>
  );
}

function Result({
  result,
  round,
  looks,
  onNext,
}: {
  result: Schemas["DecisionView"];
  round: Schemas["SpecimenView"];
  looks: number;
  onNext: () => void;
}) {
  const kept = useKept();
  const next = usePractice().data?.pairs.find(
    (p) => p.due && !(p.speciesId === round.speciesId && p.otherId === round.otherId),
  );
  const good = result.outcome === "right";
  return (
    <Box
      role="status"
      sx={{
        mt: 2,
        borderLeft: `6px solid var(${good ? "--leaf" : result.outcome === "unsure" ? "--straw" : "--forbid"})`,
        pl: 1.5,
      }}
    >
      <Box sx={{ fontSize: 17, fontWeight: 700 }}>{result.words}</Box>
      <Box sx={{ color: "text.secondary", mb: 1 }}>
        Box {result.pair.box} of {result.pair.boxes};{" "}
        {result.pair.when === "now" ? "due again at once" : result.pair.when}.
      </Box>
      {result.decided.length > 0 && (
        <>
          <Box sx={{ fontWeight: 700 }}>What decided</Box>
          {result.decided.map((d) => (
            <Line key={d.id} seen={d} />
          ))}
        </>
      )}
      <Box sx={{ fontWeight: 700, mt: 1 }}>An expert would have looked at</Box>
      <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
        {looks === 0 ? "You took no look" : looks === 1 ? "You took 1 look" : `You took ${looks} looks`};
        these {result.expert.length} tell most, and most of what is dangerous.
      </Box>
      {result.expert.map((d) => (
        <Line key={d.id} seen={d} />
      ))}
      <Box sx={{ display: "flex", gap: 1, mt: 1.5 }}>
        <Button variant="contained" onClick={onNext}>
          Another of these two
        </Button>
        {next && (
          <Button
            variant="outlined"
            component={Link}
            to={kept(`/practice/${next.speciesId}/${next.otherId}`)}
          >
            Next: {next.name} or {next.other}
          </Button>
        )}
      </Box>
    </Box>
  );
}

function Line({ seen }: { seen: Schemas["CheckSeen"] }) {
  return (
    <Box sx={{ display: "flex", gap: 1.2, alignItems: "center", py: 0.3 }}>
      <DrawnStates character={seen.id} states={seen.shows} size={44} bare />
      <Box sx={{ fontSize: 14.5 }}>
        <b>{seen.name}</b>. {seen.who}
      </Box>
    </Box>
  );
}
