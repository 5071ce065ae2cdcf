import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import { answerOf, api, Refusal, type Schemas } from "../../../api/client";
import { AskBack } from "../../../parts/AskBack";
import { CautionList } from "../../../parts/CautionList";
import { Choice } from "../../../parts/Choices";
import { Reckoning } from "../../../parts/Reckoning";
import { SelectField } from "../../../parts/SelectField";
import { useKept } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { Head } from "../Head";
import { useMakings, useRecipes } from "../queries";

type From = Schemas["FromView"];
type Making = Schemas["MakingView"];

interface Taken {
  key: string;
  amount: string;
}

const keyOf = (from: From) => (from.pickingId ? `p${from.pickingId}` : `j${from.jarId}`);

/** Make is making something of what was picked, or of what stands in jars: its sums, its steps, its cautions. */
export function Make() {
  const { data: view, error } = useMakings();
  const recipes = useRecipes().data ?? [];
  const [params] = useSearchParams();
  const asked = params.get("picking")
    ? `p${params.get("picking")}`
    : params.get("jar")
      ? `j${params.get("jar")}`
      : "";
  const [taken, setTaken] = useState<Taken[]>(asked ? [{ key: asked, amount: "" }] : []);
  const [making, setMaking] = useState("");
  const [recipe, setRecipe] = useState("0");
  const kept = useKept();
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const all = [...view.baskets, ...view.jars];
  const chosen = taken
    .map((one) => all.find((from) => keyOf(from) === one.key))
    .filter((from) => from !== undefined);
  // What the verdicts of all that goes in allow.
  const suits = (id: string) => (chosen[0]?.suits.includes(id) ? 0 : 1);
  const may = view.makings
    .filter((one) => chosen.length > 0 && chosen.every((from) => from.mayMake.includes(one.id)))
    .sort((a, b) => suits(a.id) - suits(b.id));
  const one = may.find((m) => m.id === making) ?? may.find((m) => chosen[0]?.suits.includes(m.id)) ?? may[0];
  const toggle = (key: string) =>
    setTaken((before) =>
      before.some((t) => t.key === key)
        ? before.filter((t) => t.key !== key)
        : [...before, { key, amount: "" }],
    );
  return (
    <>
      <Head
        title="Make"
        words="Of what was picked, or of what stands in jars. What the verdict of a part does not allow is not offered."
      >
        <Button component={Link} to={kept("/store/recipes")}>
          Own recipes
        </Button>
      </Head>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}>
        <Box sx={{ flex: "1 1 340px", minWidth: 0, maxWidth: { md: 480 } }}>
          <Sources
            title="In baskets"
            from={view.baskets}
            taken={taken}
            onToggle={toggle}
            onAmount={setTaken}
          />
          <Sources title="In jars" from={view.jars} taken={taken} onToggle={toggle} onAmount={setTaken} />
        </Box>
        <Box sx={{ flex: "1 1 420px", minWidth: 0 }}>
          {chosen.length === 0 && (
            <Box sx={{ color: "text.secondary" }}>
              Choose what goes in: a basket, a jar, or several for a mix.
            </Box>
          )}
          {chosen.length > 0 && may.length === 0 && (
            <Box sx={{ color: "var(--clay)" }}>Nothing can be made of all this together.</Box>
          )}
          {one && (
            <>
              <Box
                role="group"
                aria-label="What is made"
                sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1.5 }}
              >
                {may.map((m) => (
                  <Choice key={m.id} chosen={m.id === one.id} onChoose={() => setMaking(m.id)}>
                    <b>{m.name}</b>
                    {chosen[0]?.suits.includes(m.id) && <span style={{ fontSize: 13 }}>suits it</span>}
                  </Choice>
                ))}
              </Box>
              {recipes.some((r) => r.recipe.making === one.id && !r.wrong) && (
                <SelectField
                  label="By the recipe"
                  value={recipe}
                  onChange={setRecipe}
                  options={[
                    ["0", "None"],
                    ...recipes
                      .filter((r) => r.recipe.making === one.id && !r.wrong)
                      .map((r): [string, string] => [String(r.id), r.recipe.name]),
                  ]}
                />
              )}
              <Sums
                key={one.id}
                making={one}
                taken={taken}
                recipe={Number(recipe)}
                of={chosen}
                onDone={() => setTaken([])}
              />
            </>
          )}
        </Box>
      </Box>
    </>
  );
}

function Sources({
  title,
  from,
  taken,
  onToggle,
  onAmount,
}: {
  title: string;
  from: From[];
  taken: Taken[];
  onToggle: (key: string) => void;
  onAmount: (change: (before: Taken[]) => Taken[]) => void;
}) {
  if (from.length === 0) return null;
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2 }}>
      <Typography variant="h2">{title}</Typography>
      {from.map((one) => {
        const key = keyOf(one);
        const mine = taken.find((t) => t.key === key);
        return (
          <Box key={key} sx={{ borderTop: "1px solid var(--rule)", py: 0.5 }}>
            <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <b>{one.name}</b> {one.left}
                <Box sx={{ fontSize: 14, color: one.why ? "var(--forbid)" : "text.secondary" }}>
                  {one.why || one.from}
                </Box>
              </Box>
              {one.mayMake.length > 0 && (
                <Button
                  size="small"
                  variant={mine ? "contained" : "outlined"}
                  aria-pressed={mine !== undefined}
                  aria-label={`${mine ? "In" : "Take"}: ${one.name}, ${one.from}`}
                  onClick={() => onToggle(key)}
                >
                  {mine ? "In" : "Take"}
                </Button>
              )}
            </Box>
            {mine && (
              <TextField
                label={`How much of ${one.name}`}
                value={mine.amount}
                onChange={(event) =>
                  onAmount((before) =>
                    before.map((t) => (t.key === key ? { ...t, amount: event.target.value } : t)),
                  )
                }
                helperText={`Empty: all of it, ${one.left}`}
                sx={{ mt: 0.5 }}
              />
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** Sums is what a making comes to as it is typed, and the act of noting it. */
function Sums({
  making,
  taken,
  recipe,
  of,
  onDone,
}: {
  making: Making;
  taken: Taken[];
  recipe: number;
  of: From[];
  onDone: () => void;
}) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, asked, at } = useSend();
  const navigate = useNavigate();
  const kept = useKept();
  const [name, setName] = useState("");
  const [liquid, setLiquid] = useState("");
  const [strength, setStrength] = useState("");
  const [diluteTo, setDiluteTo] = useState("");
  const [days, setDays] = useState("");
  const [bag, setBag] = useState("");
  const [out, setOut] = useState("");
  const several =
    new Set(of.map((one) => `${one.speciesId}/${one.part}`)).size > 1 ||
    of.some((one) => one.speciesId === "");
  const named = making.mix || several;
  const body: Schemas["MakeLotInput"] = {
    making: making.id,
    recipeId: recipe,
    name,
    liquid,
    strength,
    diluteTo,
    days,
    bag,
    from: taken.map((one) => ({
      ...(one.key.startsWith("p")
        ? { pickingId: Number(one.key.slice(1)) }
        : { jarId: Number(one.key.slice(1)) }),
      amount: one.amount,
    })),
  };
  const preview = { ...body, name: named && name === "" ? "A mix" : name };
  const sum = useQuery({
    queryKey: ["making sum", preview],
    queryFn: () => answerOf(api.POST("/api/store/making-sum", { body: preview })),
    retry: false,
    placeholderData: (before) => before,
  });
  const wrong =
    sum.error instanceof Refusal ? Object.values(sum.error.fields).join(" ") || sum.error.message : "";
  const make = async (affirmed: string[]) => {
    const entry = await send(() =>
      answerOf(api.POST("/api/store/lots", { body: { ...body, out: making.days > 0 ? "" : out, affirmed } })),
    );
    if (!entry) return;
    noted(entry);
    onDone();
    void navigate(kept("/store"));
  };
  const field = (label: string, value: string, set: (value: string) => void, key: string, help?: string) => (
    <TextField label={label} value={value} onChange={(event) => set(event.target.value)} {...at(key, help)} />
  );
  const shown = sum.error ? undefined : sum.data;
  const rest = Object.entries(fields)
    .filter(([key]) => !["name", "liquid", "strength", "days", "bag", "out"].includes(key))
    .map(([, words]) => words)
    .join(" ");
  return (
    <Box component="section" aria-label={making.name} sx={{ mt: 1.5 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "1fr 1fr" }, gap: 1.5 }}>
        {named && field("Its name", name, setName, "name", "It is of several plants")}
        {making.liquid &&
          field(`How much ${making.liquid}`, liquid, setLiquid, "liquid", "Empty: what covers it")}
        {making.strength &&
          field(
            "Strength, in %",
            strength,
            setStrength,
            "strength",
            `As on the bottle; empty: ${making.strength}`,
          )}
        {making.id === "spirit" &&
          field("Filled up with water to, in %", diluteTo, setDiluteTo, "diluteTo", "Empty: as it is")}
        {making.days > 0 && field("Stands how many days", days, setDays, "days", `Empty: ${making.days}`)}
        {making.bags && field("A bag holds", bag, setBag, "bag", "500 ml, 1 quart; empty: a litre")}
      </Box>
      {wrong && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {wrong}
        </Alert>
      )}
      {shown && (
        <>
          <Box component="ul" aria-label="What it comes to" sx={{ m: 0, mt: 1, pl: 2.2, fontSize: 16 }}>
            {shown.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Box>
          <Box sx={{ fontSize: 14.5, color: "text.secondary", mt: 0.5 }}>
            {shown.ready && `Ready on ${shown.ready}. `}Keeps {shown.keeps}. Rests on{" "}
            {shown.standing === "guess" ? "guesses of ours" : "what is usual"}. How much to take is not told
            here.
          </Box>
          <Typography variant="h3" sx={{ mt: 1.5 }}>
            Steps
          </Typography>
          <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
            {shown.steps.map((step) => (
              <li key={step.text}>
                <b>{step.when}.</b> {step.text}
              </li>
            ))}
          </Box>
          <Typography variant="h3" sx={{ mt: 1.5 }}>
            Cautions
          </Typography>
          <CautionList cautions={shown.cautions} />
        </>
      )}
      {making.days === 0 && (
        <Box sx={{ mt: 1.5 }}>
          {field(
            "What came of it",
            out,
            setOut,
            "out",
            shown ? `About ${shown.expected}; empty where it is not done yet` : undefined,
          )}
        </Box>
      )}
      {(fault || rest) && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {fault || rest}
        </Alert>
      )}
      <AskBack asked={asked} sending={sending} yes="Yes, so it is" onYes={(words) => void make(words)} />
      <Button
        variant="contained"
        sx={{ mt: 1.5 }}
        disabled={sending || wrong !== ""}
        onClick={() => void make([])}
      >
        {making.days > 0 ? "Begin it" : "Note it"}
      </Button>
    </Box>
  );
}
