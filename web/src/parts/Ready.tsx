import { Box } from "@mui/material";

/** Ready says what can be taken now, where a look has just been noted or is about to be. */
export function Ready({ words }: { words: string }) {
  if (!words) return null;
  return (
    <Box
      sx={{
        background: "var(--brambleWash)",
        borderLeft: "5px solid var(--bramble)",
        p: "5px 12px",
        fontSize: 15,
      }}
    >
      <b>Ready.</b> {words}
    </Box>
  );
}
