import { Alert, Box, Button, Chip, TextField, Typography } from "@mui/material";
import { Link, useParams } from "react-router";

import { api, told, type Schemas } from "../../api/client";
import { useCheck, useFindCheck } from "../../api/queries";
import { useKept, useShownDay } from "../../app/shownDay";
import { useUndo } from "../../app/Undo";
import { DrawnStates } from "../../parts/CharacterDrawing";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { Trouble } from "../../parts/Trouble";
import { useDraft } from "../../parts/useDraft";
import { useSend } from "../../parts/useSend";
import { Photographs } from "./Photographs";
import { PlantFind } from "./PlantFind";
import { Standing } from "./Standing";

type View = Schemas["CheckView"];
type Look = Schemas["LookInput"];

const answers = ["seen", "not seen", "cannot tell"] as const;

/** Check is the identity check of a planting. */
export function Check() {
  const id = Number(useParams().id);
  const { asked } = useShownDay();
  const query = useCheck(id, asked);
  if (query.error) return <Trouble reason={query.error} />;
  if (!query.data) return <Box sx={{ minHeight: 600 }} />;
  return (
    <CheckPage
      key={id}
      view={query.data}
      note={(body) => told(api.POST("/api/plantings/{id}/looks", { params: { path: { id } }, body }))}
    />
  );
}

/** FindCheck is the identity check of a plant that was found. */
export function FindCheck() {
  const id = Number(useParams().id);
  const { asked } = useShownDay();
  const query = useFindCheck(id, asked);
  if (query.error) return <Trouble reason={query.error} />;
  if (!query.data) return <Box sx={{ minHeight: 600 }} />;
  return (
    <CheckPage
      key={id}
      view={query.data}
      note={(body) => told(api.POST("/api/finds/{id}/looks", { params: { path: { id } }, body }))}
    />
  );
}

interface PageProps {
  view: View;
  note: (look: Look) => Promise<Schemas["Entry"]>;
}

/** CheckPage asks for one character after another, the one that excludes most danger first. */
function CheckPage({ view, note }: PageProps) {
  const kept = useKept();
  const { isToday } = useShownDay();
  const { noted } = useUndo();
  const { send, sending, fault, at, fields } = useSend();
  const [draft, change, done] = useDraft(`look:${view.plantingId}:${view.findId}`, {
    by: view.people[0] ?? "",
    day: view.today,
    given: {} as Record<string, string>,
    photos: [] as string[],
    words: "",
  });
  const { by, day, photos, words } = draft;
  // What was answered elsewhere in the meantime is asked no more, and not sent unseen.
  const given = Object.fromEntries(
    Object.entries(draft.given).filter(([id]) => view.questions.some((q) => q.id === id)),
  );
  const setGiven = (answered: Record<string, string>) => change({ given: answered });
  // Where some cannot be told, others stand in for them.
  const untold = Object.values(given).filter((answer) => answer === "cannot tell").length;
  const extra = view.questions.filter((q) => !q.needed).slice(0, 2 * untold);
  const open = view.questions.filter((q) => (q.needed || extra.includes(q)) && !(q.id in given));
  const question = open[0];
  const ended = Object.values(given).includes("not seen");
  const onNote = async () => {
    const entry = await send(() => note({ day, by, answers: given, photos, note: words }));
    if (!entry) return;
    noted(entry);
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
                    label={`${q.name}: ${given[q.id]}`}
                    onDelete={() =>
                      setGiven(Object.fromEntries(Object.entries(given).filter(([id]) => id !== q.id)))
                    }
                  />
                ))}
            </Box>
          )}
          {ended && (
            <Alert severity="error" variant="outlined" sx={{ mb: 1.5 }}>
              One character that does not fit ends the check: it is not {view.name}. Look once more, and take
              the answer off if it was misread; else note the look.
            </Alert>
          )}
          {view.state === "sure" && question && (
            <Box sx={{ color: "text.secondary", mb: 1 }}>
              A look now and then keeps it so: what contradicts reopens the check.
            </Box>
          )}
          {question && !ended && (
            <QuestionCard
              question={question}
              name={view.name}
              left={open.length}
              isToday={isToday}
              onAnswer={(answer) => setGiven({ ...given, [question.id]: answer })}
            />
          )}
          {!question && !ended && view.state === "unproven" && (
            <Box sx={{ borderTop: "2px solid var(--ink)", py: 1.5 }}>
              {Object.keys(given).length > 0
                ? "That is all this season shows that is still owed. Note the look."
                : view.questions.length === 0
                  ? "Nothing that is owed shows on this day."
                  : ""}
            </Box>
          )}
          {Object.keys(given).length > 0 && (
            <Box sx={{ borderTop: "1px solid var(--rule)", mt: 2, pt: 1.5 }}>
              <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1.5 }}>
                <TextField
                  label="Who looked"
                  value={by}
                  onChange={(event) => change({ by: event.target.value })}
                  slotProps={{ htmlInput: { list: "lookers" } }}
                  {...at("by", "Two people, or two days, prove it")}
                />
                <datalist id="lookers">
                  {view.people.map((name) => (
                    <option key={name} value={name} />
                  ))}
                </datalist>
                <TextField
                  label="Day"
                  type="date"
                  value={day}
                  onChange={(event) => change({ day: event.target.value })}
                  slotProps={{ inputLabel: { shrink: true } }}
                  {...at("day")}
                />
                <TextField
                  label="Note"
                  value={words}
                  onChange={(event) => change({ words: event.target.value })}
                  {...at("note")}
                  sx={{ gridColumn: "1 / -1" }}
                />
              </Box>
              <Photographs
                photos={photos}
                onChange={(chosen) => change({ photos: chosen })}
                fault={fields.photos}
              />
              {(fault || fields.answers) && (
                <Alert severity="error" sx={{ mt: 1.5 }}>
                  {fault || fields.answers}
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
      {q.how && <Box sx={{ color: "var(--clay)", fontSize: 15 }}>{q.how}</Box>}
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
