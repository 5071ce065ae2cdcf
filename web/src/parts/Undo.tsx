import { Alert, Box, Button, Snackbar, useMediaQuery, useTheme } from "@mui/material";
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type Dispatch,
  type ReactNode,
  type SetStateAction,
} from "react";

import { useLocation } from "react-router";

import { api, answerOf, type Schemas } from "../api/client";
import { useRefresh } from "../api/queries";

type Entry = Schemas["Entry"];

interface Line {
  text: string;
  entry?: Entry;
  /** The entry that was taken back, where the line says so. */
  takenBack?: number;
  severity?: "info" | "error";
}

interface Acts {
  /** noted says what was noted and offers to undo it. */
  noted: (entry: Entry) => void;
  /** undo takes an entry back, and says so. */
  undo: (entry: Entry) => Promise<void>;
  /** say shows a line without an undo. */
  say: (text: string, severity?: "info" | "error") => void;
  /** undoLast takes back what was noted last, while that is offered. */
  undoLast: () => void;
  line: Line | null;
  close: () => void;
  /** dialogs counts the dialogs that are open: the line is shown in them. */
  setDialogs: Dispatch<SetStateAction<number>>;
}

const none = () => undefined;
const UndoContext = createContext<Acts>({
  noted: none,
  undo: () => Promise.resolve(),
  say: none,
  undoLast: none,
  line: null,
  close: none,
  setDialogs: none,
});

export const useUndo = () => useContext(UndoContext);

/** How long an undo is offered: long enough to read what was noted, and to get there by keys. */
const undoMs = 25_000;

/** How long a line is shown that offers nothing. */
const lineMs = 8_000;

export function UndoProvider({ children }: { children: ReactNode }) {
  const refresh = useRefresh();
  const [line, setLine] = useState<Line | null>(null);
  const [dialogs, setDialogs] = useState(0);
  // On a phone it stands over the cane. Out on the round there is no place that it would not cover: the round
  // has it in its own head.
  const narrow = useMediaQuery(useTheme().breakpoints.down("md"));
  const inPage = useLocation().pathname === "/round" && narrow;
  const close = useCallback(() => setLine(null), []);
  useEffect(() => {
    if (!line) return;
    const timer = setTimeout(close, line.entry ? undoMs : lineMs);
    return () => clearTimeout(timer);
  }, [line, close]);
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
        const back = await answerOf(
          api.POST("/api/ledger/{id}/take-back", { params: { path: { id: entry.id } } }),
        );
        await refresh();
        setLine({ text: back.summary, takenBack: entry.id });
      } catch (reason) {
        setLine({ text: reason instanceof Error ? reason.message : String(reason), severity: "error" });
      }
    },
    [refresh],
  );
  const entry = line?.entry;
  const undoLast = useCallback(() => {
    if (entry) void undo(entry);
  }, [entry, undo]);
  const acts = useMemo(
    () => ({ noted, undo, say, undoLast, line, close, setDialogs }),
    [noted, undo, say, undoLast, line, close],
  );
  return (
    <UndoContext value={acts}>
      {children}
      <Snackbar
        key={line?.entry?.id ?? line?.text}
        open={line !== null && dialogs === 0 && !inPage}
        message={line?.severity ? undefined : line?.text}
        action={entry && <UndoButton onClick={undoLast} />}
        anchorOrigin={{ vertical: "bottom", horizontal: "right" }}
        sx={{ zIndex: 25, ...(narrow && { bottom: 68 }) }} // under what is opened over the page
      >
        {line?.severity ? (
          <Alert
            severity={line.severity}
            variant="outlined"
            sx={{ background: "var(--card)" }}
            onClose={close}
          >
            {line.text}
          </Alert>
        ) : undefined}
      </Snackbar>
    </UndoContext>
  );
}

function UndoButton({ onClick }: { onClick: () => void }) {
  return (
    <Button sx={{ color: "var(--straw)", minHeight: 44 }} onClick={onClick}>
      Undo
    </Button>
  );
}

/** UndoLine is the line of what was noted, within a dialog: outside of it nothing can be reached. A quiet one leaves it to the dialog. */
export function UndoLine({ quiet = false }: { quiet?: boolean }) {
  const { line, undoLast, setDialogs } = useUndo();
  useEffect(() => {
    setDialogs((n) => n + 1);
    return () => setDialogs((n) => n - 1);
  }, [setDialogs]);
  if (!line || quiet) return null;
  return (
    <Box
      role="status"
      sx={{
        background: "var(--ink)",
        color: "var(--paper)",
        px: 3,
        py: 1,
        display: "flex",
        alignItems: "center",
        gap: 2,
        fontSize: 15,
      }}
    >
      <Box sx={{ flex: 1 }}>{line.text}</Box>
      {line.entry && <UndoButton onClick={undoLast} />}
    </Box>
  );
}

/** PageLine is the line of what was noted, in the head of a page that has no room for one over it. */
export function PageLine() {
  const { line, undoLast } = useUndo();
  if (!line) return null;
  return (
    <Box role="status" sx={{ flex: 1, minWidth: 0, display: "flex", alignItems: "center", gap: 1 }}>
      <Box
        title={line.text}
        sx={{
          flex: 1,
          color: line.severity === "error" ? "var(--forbid)" : "text.primary",
          overflow: "hidden",
          textOverflow: "ellipsis",
          ...(line.severity !== "error" && { whiteSpace: "nowrap" }),
        }}
      >
        {line.text}
      </Box>
      {line.entry && (
        <Button onClick={undoLast} sx={{ minHeight: 44 }}>
          Undo
        </Button>
      )}
    </Box>
  );
}
