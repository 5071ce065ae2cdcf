import { Box, keyframes } from "@mui/material";

const appear = keyframes({ from: { opacity: 0 }, to: { opacity: 1 } });

/** Reckoning keeps a page's place while its answer is reckoned, and says so where that takes longer than a moment. */
export function Reckoning() {
  return (
    <Box role="status" sx={{ minHeight: 600 }}>
      <Box sx={{ pt: 4, color: "text.secondary", animation: `${appear} 0s 0.5s both` }}>Being reckoned.</Box>
    </Box>
  );
}
