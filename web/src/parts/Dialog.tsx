import { Box, Button, Dialog as MuiDialog, type DialogProps } from "@mui/material";
import { useEffect, useRef, useState } from "react";

import { UndoLine, useUndo } from "./Undo";

interface Props extends Omit<DialogProps, "open" | "onClose" | "onInput"> {
  onClose: () => void;
  /** True where the dialog itself says what was noted and offers the undo. */
  ownUndo?: boolean;
}

/**
 * Dialog is every dialog of the program. What was typed into it is not thrown away by Escape or a touch
 * beside it without asking; what was noted last can be undone in it; focus goes in on opening and back on
 * closing.
 */
export function Dialog({ onClose, ownUndo = false, children, "aria-label": name, ...rest }: Props) {
  const typed = useRef(false);
  const [leaving, setLeaving] = useState(false);
  const noted = useUndo().line?.entry?.id;
  useEffect(() => {
    if (noted !== undefined) typed.current = false; // it is noted
  }, [noted]);
  return (
    <MuiDialog
      {...rest}
      open
      slotProps={name ? { paper: { "aria-label": name } } : undefined}
      onClose={() => (typed.current ? setLeaving(true) : onClose())}
      onInput={() => {
        typed.current = true;
      }}
    >
      {leaving && (
        <Box
          role="alertdialog"
          aria-label="What was typed"
          sx={{ px: 3, py: 1.5, borderBottom: "2px solid var(--clay)", background: "var(--paper)" }}
        >
          What you typed here is not noted yet.
          <Box sx={{ display: "flex", gap: 1, mt: 1, flexWrap: "wrap" }}>
            <Button variant="contained" autoFocus onClick={() => setLeaving(false)}>
              Go on
            </Button>
            <Button variant="outlined" onClick={onClose}>
              Throw it away
            </Button>
          </Box>
        </Box>
      )}
      {children}
      <UndoLine quiet={ownUndo} />
    </MuiDialog>
  );
}
