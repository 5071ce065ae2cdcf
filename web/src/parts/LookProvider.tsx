import { CssBaseline, ThemeProvider } from "@mui/material";
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from "react";

import { themeFor } from "./theme";
import { looks, type Look } from "./tokens";

const kept = "brambly-acre-look";

const LookContext = createContext<{ look: Look; setLook: (look: Look) => void }>({
  look: "paper",
  setLook: () => undefined,
});

export const useLook = () => useContext(LookContext);

function keptLook(): Look {
  const value = localStorage.getItem(kept);
  return value === "dusk" || value === "sunlight" ? value : "paper";
}

/** LookProvider gives the components their theme, and drawings the same colours as CSS variables. */
export function LookProvider({ children }: { children: ReactNode }) {
  const [look, setLook] = useState<Look>(keptLook);
  const theme = useMemo(() => themeFor(look), [look]);
  useEffect(() => {
    localStorage.setItem(kept, look);
    for (const [role, value] of Object.entries(looks[look])) {
      document.documentElement.style.setProperty(`--${role}`, value);
    }
  }, [look]);
  const value = useMemo(() => ({ look, setLook }), [look]);
  return (
    <LookContext value={value}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </LookContext>
  );
}
