import { Box, Button } from "@mui/material";

import type { Schemas } from "../../api/client";
import { dayNoted, noteOrKeep } from "../../api/outbox";
import { useSite } from "../../api/queries";
import { Fault } from "../../parts/DialogEnd";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";

interface Props {
  stops: Schemas["Stop"][];
  onDone: (looked: Schemas["Stop"][]) => void;
}

/** AsExpected notes a whole bed whose plants are as good as certain in one tap: each as it is expected. */
export function AsExpected({ stops, onDone }: Props) {
  const site = useSite().data;
  const { say } = useUndo();
  const { send, sending, fault } = useSend();
  const note = async () => {
    const looked: Schemas["Stop"][] = [];
    for (const stop of stops) {
      const answer = await send(() =>
        noteOrKeep({
          kind: "look",
          to: stop.id,
          words: `${stop.name}, ${stop.bed}: ${stop.expected}`,
          body: {
            speciesId: stop.speciesId,
            day: dayNoted(site?.today ?? "", site?.pinned ?? false),
            stage: stop.expected,
            share: stop.expectedShare,
            height: "",
            width: "",
            marks: [],
            note: "",
            affirmed: [],
          },
        }),
      );
      if (answer === undefined) break; // what was refused is asked by itself
      looked.push(stop);
    }
    if (looked.length > 0) say(`Noted ${looked.length} of ${stops.length} as expected`);
    onDone(looked);
  };
  return (
    <Box sx={{ my: 1 }}>
      <Button
        variant="outlined"
        fullWidth
        disabled={sending}
        onClick={() => void note()}
        sx={{ minHeight: 48 }}
      >
        All {stops.length} in {stops[0]?.bed} are as expected
      </Button>
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.5 }}>
        {stops.map((stop) => `${stop.name}: ${stop.expected}`).join(" · ")}
      </Box>
      <Fault words={fault} />
    </Box>
  );
}
