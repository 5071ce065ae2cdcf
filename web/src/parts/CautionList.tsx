import { Box } from "@mui/material";

import type { Schemas } from "../api/client";

/** CautionList stands where the act is: those that are for someone here first, with their names. */
export function CautionList({ cautions }: { cautions: Schemas["CautionsView"] }) {
  return (
    <Box sx={{ fontSize: 15 }}>
      {cautions.none && <Box sx={{ color: "text.secondary" }}>{cautions.none}</Box>}
      <Box component="ul" aria-label="Cautions" sx={{ m: "4px 0 0", pl: 2.2, listStyle: "square" }}>
        {cautions.list.map((c) => (
          <Box
            component="li"
            key={c.who + c.text}
            sx={{ color: "var(--forbid)", fontWeight: c.names.length > 0 ? 700 : 400, py: 0.15 }}
          >
            {c.names.length > 0 && `${c.names.join(" and ")} (${c.who.toLowerCase()})`}
            {c.names.length === 0 && c.who}
            {c.route !== "by mouth" && `, ${c.route}`}: {c.text}
          </Box>
        ))}
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 0.7 }}>{cautions.ask}</Box>
    </Box>
  );
}
