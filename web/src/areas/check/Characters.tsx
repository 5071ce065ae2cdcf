import { Box, Typography } from "@mui/material";

import { useCharacters } from "../../api/queries";
import { DrawnStates } from "../../parts/CharacterDrawing";

/** Characters is the whole vocabulary, drawn: the words that every check and every plant's page use. */
export function Characters() {
  const characters = useCharacters().data ?? [];
  return (
    <>
      <Typography variant="h1" sx={{ mb: 0.5 }}>
        What to look at, and its words
      </Typography>
      <Box sx={{ color: "text.secondary", mb: 2 }}>
        Every plant here is known by these characters. The drawings are schemes, not portraits.
      </Box>
      {characters.map((c) => (
        <Box
          component="section"
          key={c.id}
          id={c.id}
          aria-label={c.name}
          sx={{ borderTop: "1px solid var(--rule)", py: 1.2 }}
        >
          <Typography variant="h3" component="h2">
            {c.name}
            <Box component="span" sx={{ color: "text.secondary", fontWeight: 400, fontSize: 15, ml: 1 }}>
              {c.ask} {c.how}
            </Box>
          </Typography>
          <Box sx={{ mt: 0.7 }}>
            <DrawnStates character={c.id} states={c.states} size={72} />
          </Box>
        </Box>
      ))}
    </>
  );
}
