import { Alert, Box, Button, Chip, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { api, answerOf, type Schemas } from "../../api/client";
import { useCharacters, useFinds, useSite, useWhatIsThis } from "../../api/queries";
import { useKept } from "../../parts/shownDay";
import { useUndo } from "../../parts/Undo";
import { CharacterDrawing } from "../../parts/CharacterDrawing";
import { Choice } from "../../parts/Choices";
import { SelectField } from "../../parts/SelectField";
import { Trouble } from "../../parts/Trouble";
import { useSend } from "../../parts/useSend";

const mostDangers = 12;

/** What narrows a strange plant down, and ends in what it is to be checked as. */
export function What() {
  const kept = useKept();
  const characters = useCharacters().data ?? [];
  const [seen, setSeen] = useState<Record<string, string>>({});
  const [skipped, setSkipped] = useState<string[]>([]);
  const [asked, setAsked] = useState("");
  const query = useWhatIsThis(seen, skipped);
  const what = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!what) return <Box sx={{ minHeight: 600 }} />;
  const question = characters.find((c) => c.id === asked) ?? what.next[0];
  const nameOf = (id: string) => characters.find((c) => c.id === id)?.name ?? id;
  const wordsOf = (id: string) =>
    characters.find((c) => c.id === id)?.states.find((s) => s.id === seen[id])?.words ?? "";
  const enter = (state: string) => {
    if (!question) return;
    setSeen({ ...seen, [question.id]: state });
    setAsked("");
  };
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h1">What is this?</Typography>
        <Box sx={{ flex: { xs: "1 1 100%", md: 1 }, order: { xs: 1, md: 0 } }} role="status">
          {what.words}
        </Box>
        <Button
          disabled={Object.keys(seen).length === 0}
          onClick={() => {
            setSeen({});
            setSkipped([]);
            setAsked("");
          }}
        >
          Start again
        </Button>
      </Box>
      <Box sx={{ display: "flex", gap: 0.7, flexWrap: "wrap", my: 1 }} role="group" aria-label="Seen so far">
        {Object.keys(seen).map((id) => (
          <Chip
            key={id}
            variant="outlined"
            size="small"
            label={`${nameOf(id)}: ${wordsOf(id).replace(/\.$/, "").toLowerCase()}`}
            onDelete={() =>
              setSeen(Object.fromEntries(Object.entries(seen).filter(([other]) => other !== id)))
            }
          />
        ))}
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
          {question && (
            <Box
              component="section"
              aria-label={question.name}
              sx={{ borderTop: "2px solid var(--ink)", pt: 1.2 }}
            >
              <Box sx={{ display: "flex", gap: 1, alignItems: "baseline", flexWrap: "wrap" }}>
                <Typography variant="h2" sx={{ flex: 1, minWidth: 220 }}>
                  {question.ask}
                </Typography>
                <SelectField
                  label="Look at"
                  value={question.id}
                  onChange={setAsked}
                  options={[
                    ...(what.next.some((n) => n.id === question.id)
                      ? []
                      : [[question.id, question.name] as const]),
                    ...what.next.map((n) => [n.id, `${n.name} (tells most)`] as const),
                    ...characters
                      .filter(
                        (c) =>
                          !(c.id in seen) && c.id !== question.id && !what.next.some((n) => n.id === c.id),
                      )
                      .map((c) => [c.id, c.name] as const),
                  ]}
                  width={230}
                />
              </Box>
              {question.how && <Box sx={{ color: "var(--clay)", fontSize: 15 }}>{question.how}</Box>}
              <Box
                sx={{
                  display: "grid",
                  gridTemplateColumns: { xs: "repeat(2, 1fr)", sm: "repeat(4, 1fr)" },
                  gap: 1,
                  mt: 1.2,
                }}
              >
                {question.states.map((state) => (
                  <Choice
                    key={state.id}
                    chosen={seen[question.id] === state.id}
                    onChoose={() => enter(state.id)}
                    label={state.words}
                  >
                    <CharacterDrawing character={question.id} state={state.id} label="" size={76} />
                    <Box sx={{ fontSize: 13.5, lineHeight: 1.2 }}>{state.words}</Box>
                  </Choice>
                ))}
              </Box>
              <Button
                sx={{ mt: 1 }}
                onClick={() => {
                  setSkipped([...skipped, question.id]);
                  setAsked("");
                }}
              >
                Cannot tell
              </Button>
            </Box>
          )}
          {!question && <p>Nothing more on record would tell them apart.</p>}
          <Finds />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Candidates what={what} seen={seen} />
          <Box sx={{ fontSize: 14, color: "text.secondary", mt: 2 }}>
            This narrows down; it never says that a plant may be eaten. Only a check over two looks proves a
            plant, and <Link to={kept("/practice")}>practice</Link> comes first. All{" "}
            <Link to={kept("/characters")}>words and drawings</Link>.
          </Box>
        </Box>
      </Box>
    </>
  );
}

function Candidates({ what, seen }: { what: Schemas["WhatIsThisView"]; seen: Record<string, string> }) {
  const kept = useKept();
  const [finding, setFinding] = useState<string>();
  return (
    <>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        It can be
      </Typography>
      {what.candidates.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>No harmless plant on record.</Box>
      )}
      {what.candidates.map((c) => (
        <Box
          key={c.id}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            py: 0.4,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ flex: 1, fontSize: 15 }}>
            <Link to={kept(`/plants/${c.id}`)}>{c.name}</Link>{" "}
            <i style={{ color: "var(--softInk)" }}>{c.botanical}</i>
          </Box>
          {c.used && (
            <Button
              size="small"
              variant="outlined"
              onClick={() => setFinding(c.id)}
              aria-label={`Check as this: ${c.name}`}
            >
              Check as this
            </Button>
          )}
        </Box>
      ))}
      {what.harmless > what.candidates.length && (
        <Box sx={{ color: "text.secondary", py: 0.3 }}>and {what.harmless - what.candidates.length} more</Box>
      )}
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5, color: "var(--forbid)" }}>
        Dangerous, and not ruled out <span style={{ fontWeight: 400 }}>{what.dangers.length}</span>
      </Typography>
      {what.dangers.slice(0, mostDangers).map((c) => (
        <Box key={c.id} sx={{ fontSize: 15, py: 0.3, borderBottom: "1px dotted var(--rule)" }}>
          <Link to={kept(`/plants/${c.id}`)}>{c.name}</Link>, {c.danger}
          {c.against.length > 0 && (
            <span style={{ color: "var(--softInk)" }}> · only {c.against.join(", ")} speaks against it</span>
          )}
        </Box>
      ))}
      {what.dangers.length > mostDangers && (
        <Box sx={{ color: "text.secondary", py: 0.3 }}>and {what.dangers.length - mostDangers} more</Box>
      )}
      {finding && <FindForm speciesId={finding} seen={seen} onClose={() => setFinding(undefined)} />}
    </>
  );
}

function FindForm({
  speciesId,
  seen,
  onClose,
}: {
  speciesId: string;
  seen: Record<string, string>;
  onClose: () => void;
}) {
  const site = useSite().data;
  const kept = useKept();
  const go = useNavigate();
  const { noted } = useUndo();
  const { send, sending, fault, fields, at } = useSend();
  const [place, setPlace] = useState("");
  const onSave = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/finds", { body: { day: site?.today ?? "", place, speciesId, seen } })),
    );
    if (!entry) return;
    noted(entry);
    onClose();
    await go(kept(`/finds/${entry.made}/check`));
  };
  return (
    <Box sx={{ border: "1px solid var(--rule)", background: "var(--card)", p: 1.5, mt: 1.5 }}>
      <TextField
        label="Where does it stand"
        value={place}
        onChange={(event) => setPlace(event.target.value)}
        autoFocus
        {...at("place")}
      />
      {(fault || fields.speciesId) && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault || fields.speciesId}
        </Alert>
      )}
      <Box sx={{ mt: 1, display: "flex", gap: 1 }}>
        <Button variant="contained" disabled={sending} onClick={() => void onSave()}>
          Begin the check
        </Button>
        <Button onClick={onClose}>Leave</Button>
      </Box>
    </Box>
  );
}

function Finds() {
  const kept = useKept();
  const { noted } = useUndo();
  const { send } = useSend();
  const finds = useFinds().data ?? [];
  if (finds.length === 0) return null;
  return (
    <Box component="section" aria-label="Finds" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Finds being checked
      </Typography>
      {finds.map((f) => (
        <Box
          key={f.id}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            py: 0.5,
            borderBottom: "1px dotted var(--rule)",
          }}
        >
          <Box sx={{ flex: 1, fontSize: 15 }}>
            <Link to={kept(`/finds/${f.id}/check`)}>{f.place}</Link>, as {f.name}
            <Box sx={{ color: f.state === "sure" ? "var(--leaf)" : "var(--forbid)", fontSize: 14 }}>
              {f.proof}
            </Box>
          </Box>
          <Button
            size="small"
            onClick={() =>
              void send(async () =>
                noted(await answerOf(api.DELETE("/api/finds/{id}", { params: { path: { id: f.id } } }))),
              )
            }
            aria-label={`Take off ${f.place}`}
          >
            Take off
          </Button>
        </Box>
      ))}
    </Box>
  );
}
