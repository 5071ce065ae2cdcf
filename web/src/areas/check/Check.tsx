import { Alert, Box, Button, Chip, TextField, Typography } from "@mui/material";
import { useState, type FormEvent } from "react";
import { Link, useParams } from "react-router";

import { newKey, type Schemas } from "../../api/client";
import { dayNoted, keptWords, noteOrKeep } from "../../api/outbox";
import { lastLooker, rememberLooker } from "../../api/device";
import { useCheck, useFindCheck, useSite } from "../../api/queries";
import { useKept, useShownDay } from "../../parts/shownDay";
import { useUndo } from "../../parts/Undo";
import { DrawnStates } from "../../parts/CharacterDrawing";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { dayMonth } from "../../parts/dates";
import { Trouble } from "../../parts/Trouble";
import { useDraft } from "../../parts/useDraft";
import { useInView } from "../../parts/useInView";
import { useSend } from "../../parts/useSend";
import { Photographs } from "../../parts/Photographs";
import { PlantFind } from "./PlantFind";
import { Standing } from "./Standing";

type View = Schemas["CheckView"];
type Look = Schemas["LookInput"];

const answers = ["seen", "not seen", "cannot tell"] as const;

/** An answer with the states that were on the page when it was given. */
interface Given {
  answer: string;
  shown: string[];
}

const idsOf = (states: readonly { id: string }[]) => states.map((state) => state.id);

/** changedSince says what the page showed otherwise when a look was begun: those answers speak of that alone. */
function changedSince(view: View, speciesId: string, name: string, given: Record<string, Given>): string[] {
  if (speciesId && speciesId !== view.speciesId)
    return [`It is down as ${view.name} now; what you answered was asked of ${name}.`];
  return view.known
    .filter((one) => one.id in given && given[one.id]?.shown.toString() !== idsOf(one.shows).toString())
    .map((one) => `Of its ${one.name} the page said something else when you answered.`);
}

/** Check is the identity check of a planting. */
export function Check() {
  const id = Number(useParams().id);
  const { asked } = useShownDay();
  const [by, setBy] = useState(lastLooker);
  const query = useCheck(id, asked, by);
  if (query.error) return <Trouble reason={query.error} />;
  if (query.data?.plantingId !== id) return <Box sx={{ minHeight: 600 }} />;
  return (
    <CheckPage
      key={id}
      view={query.data}
      onBy={setBy}
      note={(body, words) => noteOrKeep({ kind: "check", to: id, words, body, key: body.clientKey })}
    />
  );
}

/** FindCheck is the identity check of a plant that was found. */
export function FindCheck() {
  const id = Number(useParams().id);
  const { asked } = useShownDay();
  const [by, setBy] = useState(lastLooker);
  const query = useFindCheck(id, asked, by);
  if (query.error) return <Trouble reason={query.error} />;
  if (query.data?.findId !== id) return <Box sx={{ minHeight: 600 }} />;
  return (
    <CheckPage
      key={id}
      view={query.data}
      onBy={setBy}
      note={(body, words) => noteOrKeep({ kind: "findCheck", to: id, words, body, key: body.clientKey })}
    />
  );
}

interface PageProps {
  view: View;
  onBy: (who: string) => void;
  note: (look: Look, words: string) => Promise<Schemas["Entry"] | null>;
}

/** CheckPage asks for one character after another, the one that excludes most danger first. */
function CheckPage({ view, onBy, note }: PageProps) {
  const kept = useKept();
  const { isToday } = useShownDay();
  const site = useSite().data;
  const today = dayNoted(view.today, site?.pinned ?? false);
  const { noted, say } = useUndo();
  const { send, sending, fault, at, fields } = useSend();
  const [draft, change, done] = useDraft(`look:${view.plantingId}:${view.findId}`, {
    day: view.today,
    given: {} as Record<string, Given>,
    speciesId: "",
    name: "",
    clientKey: "",
    photos: [] as string[],
    words: "",
  });
  const { day, photos, words } = draft;
  // What was answered elsewhere in the meantime is asked no more, and not sent unseen.
  const changed = changedSince(view, draft.speciesId, draft.name, draft.given);
  const changedBox = useInView(changed.join());
  const given = Object.fromEntries(
    Object.entries(draft.given).filter(
      ([id]) => changed.length > 0 || view.questions.some((q) => q.id === id),
    ),
  );
  const isBegun = Object.keys(given).length > 0;
  // A look is of the day of its first answer: a device may keep it until there is a network again.
  const setGiven = (answered: Record<string, Given>) =>
    change({
      given: answered,
      ...(isBegun ? {} : { day: today, speciesId: view.speciesId, name: view.name, clientKey: newKey() }),
    });
  const open = view.questions.filter((q) => q.needed && !(q.id in given));
  const question = open[0];
  const untold = view.questions.filter((q) => given[q.id]?.answer === "cannot tell" && q.against.length > 0);
  const ended = Object.values(given).some((one) => one.answer === "not seen");
  const onNote = async () => {
    const look = {
      day,
      kept: day !== today,
      by: view.by,
      answers: Object.fromEntries(Object.entries(given).map(([id, one]) => [id, one.answer])),
      shown: Object.fromEntries(Object.entries(given).map(([id, one]) => [id, one.shown])),
      speciesId: draft.speciesId,
      clientKey: draft.clientKey,
      photos,
      note: words,
    };
    const entry = await send(() =>
      note(look, `${view.name}, ${view.where}: ${Object.keys(given).length} characters`),
    );
    if (entry === undefined) return;
    if (entry) noted(entry);
    else say(keptWords);
    done();
  };
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap", mb: 1 }}>
        <Typography variant="h1">Is it {view.name}?</Typography>
        <Box sx={{ color: "text.secondary", flex: { xs: "1 1 100%", md: 1 } }}>
          <i>{view.botanical}</i> · {view.where}
        </Box>
        {view.plantingId > 0 ? (
          <Link to={kept(`/plantings/${view.plantingId}`)}>Back to the planting</Link>
        ) : (
          <Link to={kept("/what")}>Back to the finds</Link>
        )}
      </Box>
      <Box
        role="status"
        sx={{
          borderLeft: `6px solid var(${view.state === "sure" ? "--leaf" : "--forbid"})`,
          background: "var(--card)",
          px: 1.5,
          py: 1,
          mb: 2,
          fontSize: 16.5,
        }}
      >
        {view.proof}
        {view.heldBack.map((picking) => (
          <Box key={picking} sx={{ color: "var(--forbid)", fontSize: 15 }}>
            Held back: {picking}
          </Box>
        ))}
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.45fr) minmax(0, 1fr)" },
          gap: 3,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {Object.keys(given).length > 0 && (
            <Box
              sx={{ display: "flex", gap: 0.7, flexWrap: "wrap", mb: 1.5 }}
              aria-label="Answered on this look"
            >
              {view.questions
                .filter((q) => q.id in given)
                .map((q) => (
                  <Chip
                    key={q.id}
                    size="small"
                    variant="outlined"
                    label={`${q.name}: ${given[q.id]?.answer}`}
                    onDelete={() =>
                      setGiven(Object.fromEntries(Object.entries(given).filter(([id]) => id !== q.id)))
                    }
                  />
                ))}
            </Box>
          )}
          {isBegun && changed.length > 0 && (
            <Alert ref={changedBox} tabIndex={-1} severity="warning" variant="outlined" sx={{ mb: 1.5 }}>
              {changed.join(" ")} Nothing of it was noted, and it proves nothing of what stands here now:{" "}
              {Object.entries(given)
                .map(([id, one]) => `${nameOf(view, id)} ${one.answer}`)
                .join(", ")}
              .
              <Box sx={{ mt: 1 }}>
                <Button variant="outlined" onClick={done} sx={{ minHeight: 44 }}>
                  Look anew
                </Button>
              </Box>
            </Alert>
          )}
          {ended && changed.length === 0 && (
            <Alert severity="error" variant="outlined" sx={{ mb: 1.5 }}>
              One character that does not fit ends the check: it is not {view.name}. Look once more, and take
              the answer off if it was misread; else note the look.
            </Alert>
          )}
          <WhoLooks view={view} onBy={onBy} fault={fields.by} locked={isBegun && view.by !== ""} />
          {view.unproved && (
            <Box sx={{ borderLeft: "5px solid var(--clay)", pl: 1.2, mb: 1.5, fontSize: 15 }}>
              {view.unproved}
            </Box>
          )}
          {view.state === "sure" && question && (
            <Box sx={{ color: "text.secondary", mb: 1 }}>
              A look now and then keeps it so: what contradicts reopens the check.
            </Box>
          )}
          {question && !ended && changed.length === 0 && (
            <QuestionCard
              question={question}
              name={view.name}
              left={open.length}
              isToday={isToday}
              onAnswer={(answer) =>
                setGiven({ ...given, [question.id]: { answer, shown: idsOf(question.shows) } })
              }
            />
          )}
          {!question && !ended && view.state === "unproven" && (
            <Box sx={{ borderTop: "2px solid var(--ink)", py: 1.5 }}>
              {isBegun
                ? "That is all this season shows that is still owed. Note the look."
                : view.from > view.today
                  ? `${view.by} has read all of it. A second reading of theirs counts from ${dayMonth(view.from)}; another person's counts now.`
                  : "Nothing that is owed shows on this day."}
            </Box>
          )}
          {untold.map((q) => (
            <Box key={q.id} sx={{ color: "var(--clay)", fontSize: 15, mt: 1 }}>
              {q.name} could not be told: {list(q.against)} {q.against.length === 1 ? "stays" : "stay"} open
              until it is seen. Take the answer off if you did not look.
            </Box>
          ))}
          {isBegun && changed.length === 0 && (
            <Box sx={{ borderTop: "1px solid var(--rule)", mt: 2, pt: 1.5 }}>
              <Box sx={{ display: "grid", gap: 1.5 }}>
                <TextField
                  label="Note"
                  value={words}
                  onChange={(event) => change({ words: event.target.value })}
                  {...at("note")}
                />
              </Box>
              <Photographs
                photos={photos}
                onChange={(chosen) => change({ photos: chosen })}
                fault={fields.photos}
              />
              {(fault || fields.answers || fields.day) && (
                <Alert severity="error" sx={{ mt: 1.5 }}>
                  {fault || fields.answers || fields.day}
                </Alert>
              )}
              <Button variant="contained" disabled={sending} onClick={() => void onNote()} sx={{ mt: 1.5 }}>
                Note the look: {Object.keys(given).length}{" "}
                {Object.keys(given).length === 1 ? "character" : "characters"}
              </Button>
            </Box>
          )}
          {view.findId > 0 && view.state !== "excluded" && <PlantFind findId={view.findId} />}
          {view.later.length > 0 && (
            <>
              <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
                Owed, and to be seen another time
              </Typography>
              {view.later.map((l) => (
                <Box
                  key={l.id}
                  sx={{
                    display: "flex",
                    gap: 1.5,
                    fontSize: 15,
                    py: 0.4,
                    borderBottom: "1px dotted var(--rule)",
                  }}
                >
                  <Box sx={{ flex: 1 }}>
                    {l.name}
                    {l.must && <b> · must be seen</b>}
                  </Box>
                  <Box sx={{ color: "text.secondary" }}>{l.when}</Box>
                </Box>
              ))}
            </>
          )}
        </Box>
        <Standing view={view} />
      </Box>
    </>
  );
}

const nameOf = (view: View, id: string) => view.known.find((one) => one.id === id)?.name ?? id;

/** list puts names together; of many the first three, and how many more. */
function list(names: string[]): string {
  const shown = names.slice(0, 3).join(", ");
  return names.length > 3 ? `${shown} and ${names.length - 3} more` : shown;
}

interface WhoProps {
  view: View;
  onBy: (who: string) => void;
  fault: string | undefined;
  /** Once a look is begun, it is one person's. */
  locked: boolean;
}

/** WhoLooks chooses whose look it is: each person's own reading is asked for what it still lacks. */
function WhoLooks({ view, onBy, fault, locked }: WhoProps) {
  const [other, setOther] = useState("");
  const choose = (who: string) => {
    rememberLooker(who);
    onBy(who);
  };
  const people = view.people.includes(view.by) || view.by === "" ? view.people : [...view.people, view.by];
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mb: 1.5 }}>
      <Box component="span" id="who-looks" sx={{ fontSize: 15, color: "text.secondary" }}>
        {locked ? "Looking" : "Who looks?"}
      </Box>
      <Box role="group" aria-labelledby="who-looks" sx={{ display: "flex", gap: 0.7, flexWrap: "wrap" }}>
        {(locked ? [view.by] : people).map((who) => (
          <Button
            key={who}
            variant={who === view.by ? "contained" : "outlined"}
            aria-pressed={who === view.by}
            onClick={() => choose(who)}
            sx={{ minHeight: 44 }}
          >
            {who}
          </Button>
        ))}
      </Box>
      {!locked && (
        <Box
          component="form"
          sx={{ display: "flex", gap: 0.7 }}
          onSubmit={(event: FormEvent) => {
            event.preventDefault();
            if (other.trim()) choose(other.trim());
            setOther("");
          }}
        >
          <TextField
            label="Someone else"
            size="small"
            value={other}
            onChange={(event) => setOther(event.target.value)}
            onBlur={(event) => event.target.form?.requestSubmit()}
            sx={{ width: 150 }}
          />
        </Box>
      )}
      {fault && <Box sx={{ color: "var(--forbid)", fontSize: 14.5, flexBasis: "100%" }}>{fault}</Box>}
    </Box>
  );
}

interface QuestionProps {
  question: Schemas["CheckQuestion"];
  name: string;
  left: number;
  isToday: boolean;
  onAnswer: (answer: string) => void;
}

function QuestionCard({ question: q, name, left, isToday, onAnswer }: QuestionProps) {
  return (
    <Box component="section" aria-label={q.name} sx={{ borderTop: "2px solid var(--ink)", pt: 1.2 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {q.ask}
        </Typography>
        <Box sx={{ color: "text.secondary", fontSize: 14 }}>
          {left} to look at{q.must ? " · must be seen" : ""}
        </Box>
      </Box>
      <Box sx={{ color: "var(--clay)", fontSize: 15 }}>
        {q.how} {q.misread === "easily" && "It is easily misread: look twice."}
      </Box>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", my: 1.5 }}>
        <Box>
          <Box sx={{ fontWeight: 700, fontSize: 14.5, mb: 0.5, color: "var(--leaf)" }}>{name} shows</Box>
          <DrawnStates character={q.id} states={q.shows} size={84} />
        </Box>
        {q.others.map((other) => (
          <Box key={other.names} sx={{ borderLeft: "3px solid var(--forbid)", pl: 1.5 }}>
            <Box sx={{ fontWeight: 700, fontSize: 14.5, mb: 0.5, color: "var(--forbid)", maxWidth: 220 }}>
              {other.names} ({other.danger})
            </Box>
            <DrawnStates character={q.id} states={other.shows} size={62} />
          </Box>
        ))}
      </Box>
      {isToday ? (
        <ChoiceRow label="Answer" columns={3}>
          {answers.map((answer) => (
            <Choice key={answer} chosen={false} onChoose={() => onAnswer(answer)}>
              {answer === "seen"
                ? `seen, as ${name}`
                : answer === "not seen"
                  ? "not so: it differs"
                  : "cannot tell"}
            </Choice>
          ))}
        </ChoiceRow>
      ) : (
        <Box sx={{ color: "text.secondary" }}>
          This is what shows on the shown day. Answers are given on the day of the look: go back to today.
        </Box>
      )}
    </Box>
  );
}
