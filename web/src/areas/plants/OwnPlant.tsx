import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { usePlantWords, useSpecies } from "../../api/queries";
import { useKept } from "../../parts/shownDay";
import { useUndo } from "../../parts/Undo";
import { ChangedMeanwhile } from "../../parts/ChangedMeanwhile";
import { Trouble } from "../../parts/Trouble";
import { useDraft } from "../../parts/useDraft";
import { useSend } from "../../parts/useSend";
import { SpeciesField } from "../../parts/SpeciesField";
import { SheetForm } from "./sheet/SheetForm";
import { asText, read, type Sheet, putIn } from "./sheet/sheet";

/** OwnPlant puts a plant of the grower's own: new, from a copy of another, or from a file. */
export function OwnPlant() {
  const { id } = useParams();
  const words = usePlantWords();
  const query = useQuery({
    queryKey: ["own plant", id],
    queryFn: async () => {
      const path = { params: { path: { id: id ?? "" } } };
      const file = await answerOf(api.GET("/api/plants/{id}/file", path));
      return file.own ? file : answerOf(api.GET("/api/plants/{id}/copy", path));
    },
    enabled: id !== undefined,
    staleTime: Infinity,
    gcTime: 0,
  });
  const trouble = query.error ?? words.error;
  if (trouble) return <Trouble reason={trouble} />;
  if (!words.data || (id !== undefined && !query.data)) return <Box sx={{ minHeight: 600 }} />;
  return (
    <Editor
      key={id ?? ""}
      words={words.data}
      sheet={query.data?.sheet ?? blankPlant}
      version={query.data?.version ?? words.data.newVersion}
      from={id}
    />
  );
}

/** What a new plant begins with: the format of the file, and nothing that would be a guess. */
const blankPlant: Sheet = { format: 1, growth: { year: [{ from: 1, course: "" }] } };

/** withID gives a plant without a short name one from its name. */
function withID(sheet: Sheet): Sheet {
  if (asText(sheet.id).trim() !== "") return sheet;
  const id = asText(read(sheet, ["names", "name"]))
    .normalize("NFD")
    .replace(/\p{Mn}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[-0-9]+|-+$/g, "");
  return putIn(sheet, ["id"], id);
}

interface Props {
  words: Schemas["PlantWords"];
  sheet: Sheet;
  /** The version of the file that the sheet was opened from. */
  version: string;
  from?: string;
}

/** apart are the lines of a file that another does not have, so many at most. */
function apart(text: string, other: string): string {
  const lines = text.split("\n").filter((line) => line.trim() !== "" && !other.split("\n").includes(line));
  return lines.slice(0, 20).join("\n");
}

function Editor({ words, sheet: first, version: opened, from }: Props) {
  const kept = useKept();
  const go = useNavigate();
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale, settle } = useSend();
  // A draft keeps the version that it was begun from: what was put meanwhile is not written over.
  const [draft, change, done] = useDraft(`plant:${from ?? ""}`, { sheet: first, version: opened });
  const sheet = draft.sheet;
  const setSheet = (filled: Sheet) => change({ sheet: filled });
  const [brought, setBrought] = useState(0);
  const [text, setText] = useState<string>();
  const [sent, setSent] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const species = useSpecies().data ?? [];
  const asFile = text !== undefined;
  const faults = Object.fromEntries(
    Object.entries(fields)
      .filter(([key]) => key.startsWith("sheet"))
      .map(([key, what]) => [key.replace(/^sheet\.?/, ""), what]),
  );
  const turn = (body: Schemas["PlantFileInput"]) =>
    send(() => answerOf(api.POST("/api/plant-files", { body })));
  const onFile = async () => setText((await turn({ sheet }))?.text ?? text);
  const onForm = async (written: string) => {
    const file = await turn({ text: written });
    if (!file) return setText(written);
    setSheet(file.sheet);
    setBrought(brought + 1);
    setText(undefined);
  };
  const id = asText(withID(sheet).id);
  const standing = useQuery({
    queryKey: ["standing plant", id, stale],
    queryFn: () => answerOf(api.GET("/api/plants/{id}/file", { params: { path: { id } } })),
    enabled: stale !== "" && id !== "",
  }).data;
  const onSave = async (version = draft.version) => {
    setSent(asFile ? text : ((await turn({ sheet: withID(sheet) }))?.text ?? ""));
    const answer = await send(() =>
      answerOf(
        api.POST("/api/own-plants", {
          params: { header: shownVersion(version) },
          body: asFile ? { text } : { sheet: withID(sheet) },
        }),
      ),
    );
    if (!answer) return;
    noted(answer.entry);
    done();
    await go(kept(`/plants/${answer.id}`));
  };
  const wrong = Object.keys(faults).length;
  return (
    <>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap", mb: 1.5 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {asText(read(sheet, ["names", "name"])) || "A plant of your own"}
        </Typography>
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Bring a file
        </Button>
        <Button variant="outlined" disabled={sending} onClick={() => void (asFile ? onForm(text) : onFile())}>
          {asFile ? "Fill in the form" : "See it as a file"}
        </Button>
        <Button variant="contained" disabled={sending} onClick={() => void onSave()}>
          Put it in the library
        </Button>
        <Link to={kept(from ? `/plants/${from}` : "/plants")} onClick={done}>
          Leave it
        </Link>
        <input
          ref={input}
          type="file"
          accept=".toml"
          hidden
          aria-label="Plant file"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then(onForm);
          }}
        />
      </Box>
      {sheet !== first && !asFile && (
        <Box sx={{ color: "text.secondary", mb: 1 }}>
          What is begun stands on this device until it is put or left.
          <Button
            size="small"
            onClick={() => {
              done();
              setBrought(brought + 1);
            }}
          >
            Start over
          </Button>
        </Box>
      )}
      {!from && !asFile && (
        <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap", mb: 1.5 }}>
          <Box sx={{ color: "text.secondary" }}>The quickest way is a copy of one that is alike:</Box>
          <Box sx={{ width: 340 }}>
            <SpeciesField
              species={species}
              label="Begin with a copy of"
              value=""
              onChange={(id) => void go(kept(`/plants/own/${id}`))}
            />
          </Box>
        </Box>
      )}
      {standing && (
        <ChangedMeanwhile
          why={stale}
          rows={[{ label: "Lines", stands: apart(standing.text, sent), yours: apart(sent, standing.text) }]}
          sending={sending}
          onTheirs={() => {
            setText(undefined);
            change({ sheet: standing.sheet, version: standing.version });
            setBrought(brought + 1);
            settle();
          }}
          onMine={() => {
            change({ version: standing.version });
            void onSave(standing.version);
          }}
        />
      )}
      {!(stale && standing) && (fault || fields.text || wrong > 0) && (
        <Alert severity="error" sx={{ mb: 1.5, whiteSpace: "pre-line" }}>
          {fault ||
            fields.text ||
            "It cannot be relied on yet, so nothing was changed. A number at a section says how much there is to mend."}
        </Alert>
      )}
      {asFile ? (
        <TextField
          label="The plant’s file"
          multiline
          minRows={18}
          maxRows={30}
          value={text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{
            htmlInput: {
              spellCheck: false,
              style: { fontFamily: "monospace", fontSize: 13.5, lineHeight: 1.4 },
            },
          }}
        />
      ) : (
        <SheetForm key={brought} sheet={sheet} words={words} faults={faults} onChange={setSheet} />
      )}
    </>
  );
}
