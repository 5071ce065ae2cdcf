import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { useUndo } from "../../parts/Undo";
import { ChangedMeanwhile, readings } from "../../parts/ChangedMeanwhile";
import { useSend } from "../../parts/useSend";

/** OwnFigures shows the figures that can be replaced, and puts the grower's own in their place. */
export function OwnFigures({ plant }: { plant: Schemas["PlantView"] }) {
  const [open, setOpen] = useState(false);
  const own = plant.figures.filter((f) => f.own);
  return (
    <Box component="section" aria-label="Your own figures">
      <Box sx={{ display: "flex", alignItems: "baseline", mt: 2.5, mb: 0.5 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Your own figures
        </Typography>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)} className="no-print">
          {open ? "Close" : "Measure one yourself"}
        </Button>
      </Box>
      {!open && own.length === 0 && (
        <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>None: the library’s figures hold.</Box>
      )}
      {(open ? plant.figures : own).map((figure) => (
        <Figure key={figure.key} id={plant.id} figure={figure} />
      ))}
    </Box>
  );
}

function Figure({ id, figure }: { id: string; figure: Schemas["FigureView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault, stale, settle, at } = useSend();
  const [typed, setTyped] = useState<string>();
  const [opened, setOpened] = useState(figure.version);
  const put = async (words: string, version: string) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/plants/{id}/figures", {
          params: { path: { id }, header: shownVersion(version) },
          body: { key: figure.key, figure: words },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    setTyped(undefined);
  };
  return (
    <Box sx={{ fontSize: 15, py: 0.4, borderBottom: "1px dotted var(--rule)" }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <Box sx={{ flex: 1, minWidth: 130 }}>
          {figure.name}: <b>{figure.figure}</b>{" "}
          <span style={{ color: figure.own ? "var(--leaf)" : "var(--softInk)" }}>
            {figure.own ? "measured here" : figure.standing}
          </span>
        </Box>
        <Button
          size="small"
          onClick={() => {
            setTyped(figure.figure);
            setOpened(figure.version);
          }}
          aria-label={`Measure ${figure.name}`}
        >
          Change
        </Button>
        {figure.own && (
          <Button
            size="small"
            disabled={sending}
            onClick={() => void put("", figure.version)}
            aria-label={`Back to the library’s ${figure.name}`}
          >
            Back
          </Button>
        )}
      </Box>
      {figure.own && (
        <Box sx={{ fontSize: 14, color: "text.secondary" }}>
          The library says {figure.library}
          {figure.changed && <b>, which changed since you put yours</b>}.
        </Box>
      )}
      {typed !== undefined && (
        <Box sx={{ display: "flex", gap: 1, mt: 0.7, alignItems: "flex-start" }}>
          <TextField
            label={figure.name}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            {...at("figure", (!stale && fault) || "A number with its unit; its range in brackets")}
          />
          <Button variant="contained" disabled={sending} onClick={() => void put(typed, opened)}>
            Keep
          </Button>
          <Button onClick={() => setTyped(undefined)}>Leave</Button>
        </Box>
      )}
      <ChangedMeanwhile
        why={stale}
        rows={readings({ figure: figure.name }, figure, { figure: typed })}
        sending={sending}
        onTheirs={() => {
          setTyped(undefined);
          settle();
        }}
        onMine={() => {
          setOpened(figure.version);
          void put(typed ?? "", figure.version);
        }}
      />
    </Box>
  );
}
