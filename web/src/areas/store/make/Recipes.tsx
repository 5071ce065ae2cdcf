import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../../api/client";
import { Reckoning } from "../../../parts/Reckoning";
import { useKept } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { Head } from "../Head";
import { useMakings, useRecipes } from "../queries";
import { RecipeDialog } from "./RecipeDialog";

/** Recipes are the household's own recipes: open files, in and out. */
export function Recipes() {
  const { data: recipes, error } = useRecipes();
  const makings = useMakings().data;
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const [editing, setEditing] = useState<Schemas["RecipeView"] | "new">();
  const [text, setText] = useState<string>();
  if (error) return <Trouble reason={error} />;
  if (!recipes || !makings) return <Reckoning />;
  const act = async (what: () => Promise<Schemas["Entry"]>) => {
    const entry = await send(what);
    if (entry) noted(entry);
    return entry !== undefined;
  };
  const wrong = [fault, ...Object.values(fields)].filter(Boolean).join(" ");
  return (
    <>
      <Head
        title="Own recipes"
        words={recipes.length === 0 ? "None yet. A recipe says what goes in, in parts by weight." : undefined}
      >
        <Button variant="contained" onClick={() => setEditing("new")}>
          Write one
        </Button>
        <Button onClick={() => setText(text === undefined ? "" : undefined)}>Bring a file in</Button>
        <Button component={Link} to={kept("/store/make")}>
          Back to making
        </Button>
      </Head>
      {text !== undefined && (
        <Box sx={{ maxWidth: 720, mb: 2 }}>
          <Button component="label" variant="outlined" sx={{ mb: 1 }}>
            Choose a file
            <input
              type="file"
              accept=".toml,text/plain,application/toml"
              hidden
              onChange={(event) => {
                void event.target.files?.[0]?.text().then(setText);
              }}
            />
          </Button>
          <TextField
            label="Its text, as TOML"
            value={text}
            onChange={(event) => setText(event.target.value)}
            multiline
            minRows={6}
            fullWidth
          />
          {wrong && <Alert severity="error">{wrong}</Alert>}
          <Button
            variant="contained"
            sx={{ mt: 1 }}
            disabled={sending || text.trim() === ""}
            onClick={() =>
              void act(() => answerOf(api.POST("/api/store/recipes/file", { body: { text } }))).then(
                (done) => {
                  if (done) setText(undefined);
                },
              )
            }
          >
            Keep it
          </Button>
        </Box>
      )}
      {recipes.map((one) => (
        <Box
          component="section"
          key={one.id}
          aria-label={one.recipe.name}
          sx={{ borderTop: "1px solid var(--rule)", py: 1, maxWidth: 760 }}
        >
          <Typography variant="h2">{one.recipe.name || "A recipe that cannot be read"}</Typography>
          {one.wrong && <Box sx={{ color: "var(--forbid)" }}>It cannot be made: {one.wrong}</Box>}
          <Box>
            {[makings.makings.find((m) => m.id === one.recipe.making)?.name, ...one.of]
              .filter(Boolean)
              .join(" · ")}
          </Box>
          {one.recipe.note && <Box sx={{ color: "text.secondary" }}>{one.recipe.note}</Box>}
          <Box sx={{ display: "flex", gap: 0.5, ml: -1 }}>
            <Button size="small" aria-label={`Change ${one.recipe.name}`} onClick={() => setEditing(one)}>
              Change
            </Button>
            <Button
              size="small"
              component="a"
              href={`/api/files/recipes/${one.id}`}
              aria-label={`File of ${one.recipe.name}`}
            >
              Its file
            </Button>
            <Button
              size="small"
              color="error"
              disabled={sending}
              aria-label={`Put ${one.recipe.name} away`}
              onClick={() =>
                void act(() =>
                  answerOf(api.DELETE("/api/store/recipes/{id}", { params: { path: { id: one.id } } })),
                )
              }
            >
              Put it away
            </Button>
          </Box>
        </Box>
      ))}
      {editing && (
        <RecipeDialog
          recipe={editing === "new" ? undefined : editing}
          makings={makings}
          onClose={() => setEditing(undefined)}
        />
      )}
    </>
  );
}
