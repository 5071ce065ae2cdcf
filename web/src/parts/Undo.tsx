import { Alert, Button, Snackbar, useMediaQuery, useTheme } from "@mui/material";
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from "react";

import { api, told, type Schemas } from "../api/client";
import { useRefresh } from "../api/queries";

type Entry = Schemas["Entry"];

interface Acts {
  /** noted says what was noted and offers to undo it for ten seconds. */
  noted: (entry: Entry) => void;
  /** undo takes an entry back, and says so. */
  undo: (entry: Entry) => Promise<void>;
  /** say shows a line without an undo. */
  say: (text: string, severity?: "info" | "error") => void;
}

const UndoContext = createContext<Acts>({
  noted: () => undefined,
  undo: () => Promise.resolve(),
  say: () => undefined,
});

export const useUndo = () => useContext(UndoContext);

const undoMs = 10_000;

interface Line {
  text: string;
  entry?: Entry;
  severity?: "info" | "error";
}

export function UndoProvider({ children }: { children: ReactNode }) {
  const refresh = useRefresh();
  const [line, setLine] = useState<Line | null>(null);
  // Out on the round the buttons are at the bottom, within reach of a thumb: this stays clear of them.
  const narrow = useMediaQuery(useTheme().breakpoints.down("md"));
  const noted = useCallback(
    (entry: Entry) => {
      void refresh();
      if (entry.id) setLine({ text: entry.summary, entry });
    },
    [refresh],
  );
  const say = useCallback(
    (text: string, severity: "info" | "error" = "info") => setLine({ text, severity }),
    [],
  );
  const undo = useCallback(
    async (entry: Entry) => {
      try {
        const back = await told(
          api.POST("/api/ledger/{id}/take-back", { params: { path: { id: entry.id } } }),
        );
        await refresh();
        setLine({ text: back.summary });
      } catch (reason) {
        setLine({ text: reason instanceof Error ? reason.message : String(reason), severity: "error" });
      }
    },
    [refresh],
  );
  const acts = useMemo(() => ({ noted, undo, say }), [noted, undo, say]);
  return (
    <UndoContext value={acts}>
      {children}
      <Snackbar
        key={line?.entry?.id ?? line?.text}
        open={line !== null}
        autoHideDuration={undoMs}
        onClose={(_, why) => {
          if (why !== "clickaway") setLine(null);
        }}
        message={line?.severity ? undefined : line?.text}
        action={
          line?.entry && (
            <Button
              size="small"
              sx={{ color: "var(--straw)" }}
              onClick={() => {
                if (line.entry) void undo(line.entry);
              }}
            >
              Undo
            </Button>
          )
        }
        anchorOrigin={
          narrow ? { vertical: "top", horizontal: "center" } : { vertical: "bottom", horizontal: "right" }
        }
        sx={narrow ? { top: 2 } : undefined}
      >
        {line?.severity ? (
          <Alert
            severity={line.severity}
            variant="outlined"
            sx={{ background: "var(--card)" }}
            onClose={() => setLine(null)}
          >
            {line.text}
          </Alert>
        ) : undefined}
      </Snackbar>
    </UndoContext>
  );
}
