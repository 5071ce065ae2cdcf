import { Button } from "@mui/material";
import { useState } from "react";

import { api, answerOf } from "../api/client";
import { useUndo } from "./Undo";
import { FateDialog } from "./FateDialog";

interface Props {
  planting: { id: number; name: string; bed: string };
  onGone?: () => void;
}

/** PlantingEnd takes a planting out, or writes down how it fared. */
export function PlantingEnd({ planting, onGone }: Props) {
  const { noted, say } = useUndo();
  const [fate, setFate] = useState(false);
  const remove = async () => {
    try {
      noted(await answerOf(api.DELETE("/api/plantings/{id}", { params: { path: { id: planting.id } } })));
      onGone?.();
    } catch (reason) {
      say(reason instanceof Error ? reason.message : String(reason), "error");
    }
  };
  return (
    <>
      <Button color="inherit" onClick={() => void remove()}>
        Remove
      </Button>
      <Button color="inherit" onClick={() => setFate(true)}>
        It throve, it failed
      </Button>
      {fate && (
        <FateDialog
          planting={planting}
          onSaved={(entry, gone) => {
            noted(entry);
            if (gone) onGone?.();
          }}
          onClose={() => setFate(false)}
        />
      )}
    </>
  );
}
