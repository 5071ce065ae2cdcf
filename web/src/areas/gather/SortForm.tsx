import { Alert, Box, Button, Checkbox, FormControlLabel, TextField } from "@mui/material";
import { useState } from "react";

import type { Schemas } from "../../api/client";
import { myName } from "../../api/device";
import { dayNoted, keptWords, noteOrKeep } from "../../api/outbox";
import { useHousehold, useSite } from "../../api/queries";
import { useUndo } from "../../parts/Undo";
import { DrawnStates } from "../../parts/CharacterDrawing";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { same, SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";

const answers = ["seen", "not seen", "cannot tell"] as const;

/** SortForm is the second, short check at the table. */
export function SortForm({ basket, onClose }: { basket: Schemas["BasketView"]; onClose: () => void }) {
  const { noted, say } = useUndo();
  const site = useSite().data;
  const { send, sending, fault, fields, at } = useSend();
  const people = useHousehold().data?.people ?? [];
  const [by, setBy] = useState(myName);
  const [rejected, setRejected] = useState("");
  const [rejectedTo, setRejectedTo] = useState<"compost" | "hens">("compost");
  const [handling, setHandling] = useState<string[]>([]);
  const [given, setGiven] = useState<Record<string, string>>({});
  // What was on the page for each answer: it speaks of that, and of nothing that came since.
  const [shown, setShown] = useState<Record<string, string[]>>({});
  const [speciesId] = useState(basket.speciesId);
  const onSave = async () => {
    const entry = await send(() =>
      noteOrKeep({
        kind: "sorting",
        to: basket.pickingId,
        words: `${basket.name}, ${basket.part}: sorted at the table`,
        body: {
          by,
          day: dayNoted(site?.today ?? "", site?.pinned ?? false),
          answers: given,
          shown,
          speciesId,
          rejected,
          rejectedTo,
          handling,
        },
      }),
    );
    if (entry === undefined) return;
    if (entry) noted(entry);
    else say(keptWords);
    onClose();
  };
  return (
    <Box sx={{ mt: 1, mb: 1.5, maxWidth: 860 }}>
      {basket.questions.length === 0 && (
        <Box sx={{ mb: 1 }}>Pick it over piece by piece: strangers, grit and spoilt pieces go out.</Box>
      )}
      {basket.questions.map((q) => (
        <Box
          key={q.id}
          component="section"
          aria-label={q.name}
          sx={{ borderTop: "1px dotted var(--rule)", py: 1 }}
        >
          <Box sx={{ fontWeight: 700 }}>
            {q.ask} Every piece of it. {q.how}
          </Box>
          <Box sx={{ display: "flex", gap: 3, my: 0.8, flexWrap: "wrap" }}>
            <DrawnStates character={q.id} states={q.shows} size={58} />
            {q.others.map((o) => (
              <Box key={o.names} sx={{ borderLeft: "3px solid var(--forbid)", pl: 1.2 }}>
                <Box sx={{ fontSize: 13.5, color: "var(--forbid)" }}>{o.names}</Box>
                <DrawnStates character={q.id} states={o.shows} size={46} />
              </Box>
            ))}
          </Box>
          <ChoiceRow label={`Answer: ${q.name}`} columns={3}>
            {answers.map((answer) => (
              <Choice
                key={answer}
                chosen={given[q.id] === answer}
                onChoose={() => {
                  setGiven({ ...given, [q.id]: answer });
                  setShown({ ...shown, [q.id]: q.shows.map((state) => state.id) });
                }}
                label={`${q.name}: ${answer}`}
              >
                {answer === "seen" ? "all of it" : answer === "not seen" ? "a stranger in it" : "cannot tell"}
              </Choice>
            ))}
          </ChoiceRow>
        </Box>
      ))}
      <Box role="group" aria-label="What was done with it" sx={{ display: "flex", flexWrap: "wrap", mt: 1 }}>
        {basket.handling.map((one) => (
          <FormControlLabel
            key={one}
            control={
              <Checkbox
                checked={handling.includes(one)}
                onChange={(_, on) =>
                  setHandling(on ? [...handling, one] : handling.filter((other) => other !== one))
                }
              />
            }
            label={one}
          />
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1.5, mt: 1, alignItems: "flex-start", flexWrap: "wrap" }}>
        <TextField
          label="Who sorted it"
          value={by}
          onChange={(event) => setBy(event.target.value)}
          slotProps={{ htmlInput: { list: "sorters" } }}
          {...at("by")}
          sx={{ width: 200 }}
        />
        <datalist id="sorters">
          {people.map((p) => (
            <option key={p.id} value={p.name} />
          ))}
        </datalist>
        <TextField
          label="Rejected"
          placeholder={basket.leftWeight}
          value={rejected}
          onChange={(event) => setRejected(event.target.value)}
          {...at("rejected")}
          sx={{ width: 170 }}
        />
        {basket.hensToo && (
          <SelectField
            label="It goes to"
            value={rejectedTo}
            onChange={(to) => setRejectedTo(to as "hens")}
            options={same(["compost", "hens"])}
            width={130}
          />
        )}
        <Button variant="contained" disabled={sending} onClick={() => void onSave()}>
          It is sorted
        </Button>
        <Button onClick={onClose}>Leave</Button>
      </Box>
      {(fault || fields.answers || fields.handling || fields.rejectedTo) && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault || fields.answers || fields.handling || fields.rejectedTo}
        </Alert>
      )}
    </Box>
  );
}
