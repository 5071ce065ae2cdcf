import { Box, Button } from "@mui/material";
import { Link } from "react-router";

import { api, answerOf, type Schemas } from "../api/client";
import { useUndo } from "./Undo";
import { shortDay } from "./dates";

/** LedgerList is entries, newest first, each of which can be taken back. */
export function LedgerList({ lines, short = false }: { lines: Schemas["LedgerLine"][]; short?: boolean }) {
  const { noted, say } = useUndo();
  const takeBack = async (id: number) => {
    try {
      noted(await answerOf(api.POST("/api/ledger/{id}/take-back", { params: { path: { id } } })));
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  return (
    <Box component="ol" aria-label="Entries" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {lines.map((line, i) => {
        const newDay = line.day !== lines[i - 1]?.day;
        return (
          <Box
            component="li"
            key={line.id}
            sx={{
              display: "flex",
              gap: 1.5,
              alignItems: "baseline",
              borderTop: newDay ? "1px solid var(--rule)" : "none",
              py: 0.3,
              fontSize: short ? 14.5 : 15.5,
            }}
          >
            <Box
              sx={{
                width: short ? 78 : 96,
                flex: "none",
                color: "text.secondary",
                visibility: newDay ? "visible" : "hidden",
              }}
            >
              {shortDay(line.day)} {line.day.slice(0, 4)}
            </Box>
            <Box
              sx={{
                flex: 1,
                textDecoration: line.takenBack ? "line-through" : "none",
                color: line.takenBack ? "text.secondary" : "inherit",
              }}
            >
              {line.plantingId && !short ? (
                <Box
                  component={Link}
                  to={`/plantings/${line.plantingId}`}
                  sx={{
                    color: "inherit",
                    textDecoration: "none",
                    "&:hover": { textDecoration: "underline" },
                  }}
                >
                  {line.summary}
                </Box>
              ) : (
                line.summary
              )}
            </Box>
            {line.takenBack ? (
              <Box sx={{ color: "text.secondary", fontSize: 14 }}>taken back</Box>
            ) : (
              <Button
                size="small"
                onClick={() => void takeBack(line.id)}
                sx={{ minHeight: 26, py: 0 }}
                aria-label={`Take back: ${line.summary}`}
              >
                Take back
              </Button>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
