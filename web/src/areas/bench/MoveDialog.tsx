import { Box, DialogContent, DialogTitle } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answerOf, api, Refusal, shownVersion, type Schemas } from "../../api/client";
import { DayField } from "../../parts/DayField";
import { Dialog } from "../../parts/Dialog";
import { DialogEnd, Fault } from "../../parts/DialogEnd";
import { SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";
import { placeChoices } from "../../parts/choices";

interface Props {
  batch: Schemas["BatchView"];
  stay: number;
  from: string;
  place?: number;
  shelves: Schemas["ShelfView"][];
  onClose: () => void;
}

/** MoveDialog moves a batch, or a part of its way, and says at once what that comes to. */
export function MoveDialog({ batch, stay, from: asked, place, shelves, onClose }: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, stale, at } = useSend();
  const stands = batch.stays[stay];
  const [from, setFrom] = useState(asked);
  const [placeId, setPlaceId] = useState(String(place ?? stands?.placeId ?? 0));
  const body = { stay, from, placeId: Number(placeId) === stands?.placeId ? 0 : Number(placeId) };
  const comes = useQuery({
    queryKey: ["move", batch.id, batch.version, body],
    queryFn: () =>
      answerOf(api.POST("/api/batches/{id}/move/try", { params: { path: { id: batch.id } }, body })),
    enabled: /^\d{4}-\d\d-\d\d$/.test(from),
    retry: false,
  });
  const refusal = comes.error instanceof Refusal ? comes.error : undefined;
  const told = (field: string) => {
    const sent = at(field);
    const words = refusal?.fields[field];
    return words ? { error: true, helperText: words } : sent;
  };
  const move = async () => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/batches/{id}/move", {
          params: { path: { id: batch.id }, header: shownVersion(batch.version) },
          body,
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>
        Move {batch.name}: {stands?.words}
      </DialogTitle>
      <DialogContent>
        <Box sx={{ display: "grid", gap: 1.5, mt: 1 }}>
          <DayField label="From" value={from} onChange={setFrom} {...told("from")} />
          {stands?.placeId !== 0 && (
            <SelectField
              label="In"
              value={placeId}
              onChange={setPlaceId}
              options={placeChoices(shelves)}
              {...told("placeId")}
            />
          )}
        </Box>
        <Box role="status" sx={{ mt: 1.5, minHeight: 66 }}>
          {comes.data?.words.map((words) => (
            <Box key={words}>{words}</Box>
          ))}
          {comes.data && !comes.data.fits && (
            <Box sx={{ color: "var(--clay)", fontWeight: 700 }}>It does not fit there.</Box>
          )}
        </Box>
        <Fault words={stale || fault} />
      </DialogContent>
      <DialogEnd
        onClose={onClose}
        act="Move it"
        disabled={sending || !comes.data}
        onAct={() => void move()}
      />
    </Dialog>
  );
}
