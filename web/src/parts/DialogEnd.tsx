import { Alert, Button, DialogActions } from "@mui/material";
import type { ReactNode } from "react";

interface Props {
  onClose: () => void;
  /** What the main act is called, and what it does; left out where it sends the form around it. */
  act: string;
  onAct?: () => void;
  disabled: boolean;
  /** Other acts between leaving and the main one. */
  children?: ReactNode;
}

/** DialogEnd is the foot of a dialog: leave it, or do what it is for. */
export function DialogEnd({ onClose, act, onAct, disabled, children }: Props) {
  return (
    <DialogActions sx={{ px: 3, pb: 2 }}>
      <Button onClick={onClose}>Leave</Button>
      {children}
      <Button type={onAct ? "button" : "submit"} variant="contained" disabled={disabled} onClick={onAct}>
        {act}
      </Button>
    </DialogActions>
  );
}

/** Fault is what was wrong with what was sent as a whole. */
export function Fault({ words }: { words: string }) {
  if (!words) return null;
  return (
    <Alert severity="error" sx={{ mt: 2 }}>
      {words}
    </Alert>
  );
}
