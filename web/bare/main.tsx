import { CssBaseline, ThemeProvider, Typography } from "@mui/material";
import { createRoot } from "react-dom/client";

import { themeFor } from "../src/parts/theme";

/** An empty page of the same React and MUI: what the first picture of the real ones is measured beside. */
const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <ThemeProvider theme={themeFor("paper")}>
      <CssBaseline />
      <Typography variant="h1">Empty</Typography>
    </ThemeProvider>,
  );
}
