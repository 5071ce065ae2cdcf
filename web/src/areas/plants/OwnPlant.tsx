import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { api, told } from "../../api/client";
import { useSpecies } from "../../api/queries";
import { useKept } from "../../app/shownDay";
import { useUndo } from "../../app/Undo";
import { Trouble } from "../../parts/Trouble";
import { useSend } from "../../parts/useSend";
import { SpeciesField } from "../plot/panels/SpeciesField";

/** OwnPlant puts a plant of the grower's own: from a copy of another, or from a file. */
export function OwnPlant() {
  const { id } = useParams();
  const query = useQuery({
    queryKey: ["own plant", id],
    queryFn: async () => {
      const path = { params: { path: { id: id ?? "" } } };
      const file = await told(api.GET("/api/plants/{id}/file", path));
      return file.own ? file : told(api.GET("/api/plants/{id}/copy", path));
    },
    enabled: id !== undefined,
    staleTime: Infinity,
    gcTime: 0,
  });
  if (query.error) return <Trouble reason={query.error} />;
  if (id !== undefined && !query.data) return <Box sx={{ minHeight: 600 }} />;
  return <Editor key={id ?? ""} text={query.data?.text ?? ""} from={id} />;
}

function Editor({ text: first, from }: { text: string; from?: string }) {
  const kept = useKept();
  const go = useNavigate();
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const [text, setText] = useState(first);
  const input = useRef<HTMLInputElement>(null);
  const species = useSpecies().data ?? [];
  const onSave = async () => {
    const put = await send(() => told(api.POST("/api/own-plants", { body: { text } })));
    if (!put) return;
    noted(put.entry);
    await go(kept(`/plants/${put.id}`));
  };
  return (
    <>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {from ? "A plant of your own" : "Add a plant"}
        </Typography>
        <Link to={kept(from ? `/plants/${from}` : "/plants")}>Leave it</Link>
      </Box>
      <Box sx={{ color: "text.secondary", my: 1, maxWidth: 780 }}>
        A plant is one TOML file, with its names, its year, its parts and what it is known by. Begin with a
        copy of one that is alike, or bring a file. What cannot be relied on is refused with its line or key,
        and nothing changes.
      </Box>
      <Box sx={{ display: "flex", gap: 1, mb: 1 }}>
        {!from && (
          <Box sx={{ width: 340 }}>
            <SpeciesField
              species={species}
              label="Begin with a copy of"
              value=""
              onChange={(id) => void go(kept(`/plants/own/${id}`))}
            />
          </Box>
        )}
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Bring a file
        </Button>
        <input
          ref={input}
          type="file"
          accept=".toml"
          hidden
          aria-label="Plant file"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then(setText);
          }}
        />
      </Box>
      {(fault || fields.text) && (
        <Alert severity="error" sx={{ mb: 1.5, whiteSpace: "pre-line" }}>
          {fault || fields.text}
        </Alert>
      )}
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
      <Button
        variant="contained"
        disabled={sending || text.trim() === ""}
        onClick={() => void onSave()}
        sx={{ mt: 1.5 }}
      >
        Put it in the library
      </Button>
    </>
  );
}
