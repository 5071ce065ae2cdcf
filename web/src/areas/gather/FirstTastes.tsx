import { Box, Button } from "@mui/material";

import { answerOf, api, type Schemas } from "../../api/client";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";

/** FirstTastes says to everyone who has not had a kind by mouth yet: a little first. That it was said is kept. */
export function FirstTastes({ basket }: { basket: Schemas["BasketView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const fresh = basket.first.filter((one) => !one.said);
  if (fresh.length === 0) return null;
  const tell = async (personId: number) => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/first-tastes", {
          body: { personId, speciesId: basket.speciesId, part: basket.part },
        }),
      ),
    );
    if (entry) noted(entry);
  };
  return (
    <Box component="section" aria-label="A little first" sx={{ mt: 1 }}>
      {fresh.map((one) => (
        <Box key={one.personId} sx={{ display: "flex", gap: 1, alignItems: "center", fontSize: 14.5 }}>
          <Box sx={{ flex: 1, color: "var(--clay)" }}>{one.words}</Box>
          <Button size="small" disabled={sending} onClick={() => void tell(one.personId)}>
            Said to {one.name}
          </Button>
        </Box>
      ))}
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
    </Box>
  );
}
