import { Box } from "@mui/material";

import { useSite } from "../api/queries";

const meanings = {
  look: "A look is what you see of a plant on a day: how far it is, and how many of them. Every look makes the dates to come surer.",
  check:
    "A character is one thing to be seen of a plant: how its leaves are set, what it smells of. Enough of them prove that it is what its name says.",
  unproven:
    "Unproven: nobody has seen yet that it is what its name says. Until a check has shown it, nothing of it is offered for use.",
};

/** Meaning says what a word of ours means where it first stands, as long as the plot has few looks. */
export function Meaning({ of }: { of: keyof typeof meanings }) {
  const site = useSite().data;
  if (!site?.newcomer) return null;
  return (
    <Box
      role="note"
      sx={{ borderLeft: "5px solid var(--straw)", pl: 1.2, my: 1, fontSize: 14.5, maxWidth: 640 }}
    >
      {meanings[of]}
    </Box>
  );
}
