import { Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { answerOf, api } from "../../../api/client";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import type { PlanView } from "./field";

interface Props {
  view: PlanView;
  against: number;
  onAgainst: (id: number) => void;
}

/** Compare holds this plan against one that was kept by a name: its leaves are drawn faint, and each need stands side by side. */
export function Compare({ view, against, onAgainst }: Props) {
  const { noted } = useUndo();
  const { send, sending, at, fault } = useSend();
  const [name, setName] = useState("");
  const act = async (change: () => ReturnType<typeof copy>) => {
    const entry = await send(change);
    if (entry) noted(entry);
    return entry;
  };
  const copy = () => answerOf(api.POST("/api/season-plan/copies", { body: { on: view.season, name } }));
  const other = view.against;
  return (
    <Box
      component="section"
      aria-label="Other plans"
      sx={{ borderTop: "1px solid var(--rule)", mt: 1.5, pt: 1 }}
    >
      <Typography variant="h3" component="h2">
        Held against another plan
      </Typography>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-start", my: 1 }}>
        {view.others.map((one) => (
          <Button
            key={one.id}
            variant={one.id === against ? "contained" : "outlined"}
            aria-pressed={one.id === against}
            onClick={() => onAgainst(one.id === against ? 0 : one.id)}
          >
            {one.name} · {one.words}
          </Button>
        ))}
        <TextField
          label="Keep this one as"
          value={name}
          onChange={(event) => setName(event.target.value)}
          {...at("name")}
          sx={{ width: 200 }}
        />
        <Button
          variant="outlined"
          disabled={sending || !name.trim()}
          onClick={() => void act(copy).then((entry) => entry && setName(""))}
        >
          Keep a copy
        </Button>
      </Box>
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
      {other && (
        <>
          <Box sx={{ overflowX: "auto" }}>
            <Box
              component="table"
              sx={{ borderCollapse: "collapse", "& th, & td": { textAlign: "left", p: "3px 14px 3px 0" } }}
            >
              <thead>
                <tr>
                  <th>Needed</th>
                  <th>This plan</th>
                  <th>{other.name}</th>
                </tr>
              </thead>
              <tbody>
                {other.rows.map((row) => (
                  <tr key={row.name}>
                    <td>{row.name}</td>
                    <td style={{ fontWeight: row.more === "this" ? 700 : 400 }}>{row.this}</td>
                    <td style={{ fontWeight: row.more === "that" ? 700 : 400 }}>{row.that}</td>
                  </tr>
                ))}
              </tbody>
            </Box>
          </Box>
          <Box sx={{ display: "flex", gap: 1, mt: 1, alignItems: "center", flexWrap: "wrap" }}>
            <Box sx={{ color: "text.secondary" }}>{other.words}: faint leaves in the field.</Box>
            <Button
              disabled={sending}
              onClick={() =>
                void act(() =>
                  answerOf(
                    api.POST("/api/season-plan/copies/{id}/follow", { params: { path: { id: other.id } } }),
                  ),
                )
              }
            >
              Follow {other.name}
            </Button>
            <Button
              disabled={sending}
              onClick={() =>
                void act(() =>
                  answerOf(
                    api.DELETE("/api/season-plan/copies/{id}", { params: { path: { id: other.id } } }),
                  ),
                ).then((entry) => entry && onAgainst(0))
              }
            >
              Let it go
            </Button>
          </Box>
        </>
      )}
    </Box>
  );
}
