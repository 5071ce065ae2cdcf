import { Box, Button } from "@mui/material";
import type { Asked } from "../api/client";
import { useInView } from "./useInView";

interface Props {
  asked: Asked[];
  sending: boolean;
  /** What the yes says. */
  yes: string;
  onYes: (affirmed: string[]) => void;
}

/** AskBack puts the questions that the plot asked back, with one answer: that it is so. To mend it, change the form. */
export function AskBack({ asked, sending, yes, onYes }: Props) {
  const box = useInView(asked);
  if (asked.length === 0) return null;
  return (
    <Box
      ref={box}
      role="alert"
      tabIndex={-1}
      sx={{ border: "2px solid var(--clay)", background: "var(--card)", p: 1.5, mt: 2, fontSize: 15.5 }}
    >
      {asked.map((question) => (
        <Box key={question.words} sx={{ mb: 1 }}>
          {question.words}
        </Box>
      ))}
      <Button
        variant="outlined"
        disabled={sending}
        onClick={() => onYes(asked.map((question) => question.words))}
        sx={{ minHeight: 44 }}
      >
        {yes}
      </Button>
    </Box>
  );
}
