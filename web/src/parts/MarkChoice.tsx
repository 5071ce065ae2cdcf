import { Box, Button } from "@mui/material";
import { Fragment, useState, type ReactNode } from "react";

import { Choice } from "./Choices";
import { TroubleDrawing } from "./drawings/TroubleDrawing";

interface Props {
  marks: string[];
  /** Those that are asked for first; all where left out. */
  likely?: string[];
  chosen: string[];
  onChange: (chosen: string[]) => void;
  children?: ReactNode;
}

/** MarkChoice asks for signs of trouble, each drawn: the likeliest of the plant at once, the others on demand. */
export function MarkChoice({ marks, likely = marks, chosen, onChange, children }: Props) {
  const [all, setAll] = useState(false);
  const shown = all ? marks : marks.filter((mark) => likely.includes(mark) || chosen.includes(mark));
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      {shown.map((mark) => (
        <Choice
          key={mark}
          dark
          chosen={chosen.includes(mark)}
          onChoose={() =>
            onChange(chosen.includes(mark) ? chosen.filter((m) => m !== mark) : [...chosen, mark])
          }
        >
          <Box component="span" sx={{ display: "flex", alignItems: "center", gap: 0.6 }}>
            <Box component="span" sx={{ background: "var(--card)", borderRadius: "3px", display: "flex" }}>
              <TroubleDrawing mark={mark} size={34} />
            </Box>
            {mark}
          </Box>
        </Choice>
      ))}
      {shown.length < marks.length && (
        <Button onClick={() => setAll(true)} sx={{ minHeight: 48 }}>
          Other signs
        </Button>
      )}
      {children}
      {chosen.length > 0 && (
        // Beside the page and not in its place: what was marked so far is not noted yet.
        <Box sx={{ flexBasis: "100%", fontSize: 15 }}>
          What to do:{" "}
          {chosen.map((mark, i) => (
            <Fragment key={mark}>
              {i > 0 && ", "}
              <a href={`/trouble/${encodeURIComponent(mark)}`} target="_blank" rel="noreferrer">
                {mark}
              </a>
            </Fragment>
          ))}
        </Box>
      )}
    </Box>
  );
}
