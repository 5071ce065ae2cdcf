import { Box, Button, DialogContent, DialogTitle } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState, type DragEvent } from "react";

import { answerOf, api, shownVersion } from "../../api/client";
import { Dialog } from "../../parts/Dialog";
import { DialogEnd, Fault } from "../../parts/DialogEnd";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";

const useRoundOrder = () =>
  useQuery({ queryKey: ["round-order"], queryFn: () => answerOf(api.GET("/api/round/order")) });

/** OrderDialog sets the order in which the beds are walked: by dragging, by keys, or as the shortest walk. */
export function OrderDialog({ onClose }: { onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale } = useSend();
  const order = useRoundOrder().data;
  const [moved, setMoved] = useState<number[]>();
  const [held, setHeld] = useState<number>();
  if (!order) return null;
  const ids = moved ?? order.beds.map((bed) => bed.id);
  const beds = ids.flatMap((id) => order.beds.find((bed) => bed.id === id) ?? []);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= ids.length) return;
    const next = ids.filter((_, i) => i !== from);
    const id = ids[from];
    if (id !== undefined) next.splice(to, 0, id);
    setMoved(next);
  };
  const save = async () => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/round/order", {
          params: { header: shownVersion(order.version) },
          body: { beds: ids },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  const over = (i: number) => (event: DragEvent) => {
    event.preventDefault();
    if (held === undefined || held === i) return;
    move(held, i);
    setHeld(i);
  };
  return (
    <Dialog onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>The order of the walk</DialogTitle>
      <DialogContent>
        <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
          {order.length} as it is.{" "}
          {order.saves ? `The shortest saves ${order.saves}.` : "No walk is shorter."}
        </Box>
        {order.saves && (
          <Button variant="outlined" onClick={() => setMoved(order.shortest)}>
            The shortest walk: {order.shortestLength}
          </Button>
        )}
        <Box component="ol" sx={{ pl: 0, listStyle: "none", mb: 0 }}>
          {beds.map((bed, i) => (
            <Box
              component="li"
              key={bed.id}
              draggable
              onDragStart={() => setHeld(i)}
              onDragOver={over(i)}
              onDragEnd={() => setHeld(undefined)}
              sx={{
                display: "flex",
                alignItems: "center",
                gap: 1,
                borderTop: "1px solid var(--rule)",
                background: held === i ? "var(--brambleWash)" : "none",
                cursor: "grab",
              }}
            >
              <Box sx={{ width: 26, textAlign: "right", color: "text.secondary" }}>{i + 1}</Box>
              <Box sx={{ flex: 1 }}>{bed.name}</Box>
              <Button aria-label={`${bed.name} earlier`} disabled={i === 0} onClick={() => move(i, i - 1)}>
                ↑
              </Button>
              <Button
                aria-label={`${bed.name} later`}
                disabled={i === beds.length - 1}
                onClick={() => move(i, i + 1)}
              >
                ↓
              </Button>
            </Box>
          ))}
        </Box>
        <Fault words={fields.beds ?? (fault || stale)} />
      </DialogContent>
      <DialogEnd
        onClose={onClose}
        act="Walk it so"
        disabled={sending || moved === undefined}
        onAct={() => void save()}
      />
    </Dialog>
  );
}
