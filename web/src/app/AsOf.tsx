import { Box } from "@mui/material";
import { Link, useLocation } from "react-router";

import { useKept } from "../api/outbox";
import { useReach } from "../api/reach";
import { keptSummary } from "../parts/keptWords";
import { momentWords } from "./moment";

/** AsOf says that what is shown was told earlier, whether the plot can be reached, and what this device keeps for it. */
export function AsOf() {
  const { reached, asOf } = useReach();
  const kept = useKept();
  const { pathname } = useLocation();
  const tells = kept.length > 0 && pathname !== "/settings/kept";
  if (reached && asOf === undefined && !tells) return null;
  return (
    <Box
      role="status"
      className="no-print"
      sx={{
        borderBottom: "1px solid var(--rule)",
        background: reached ? "var(--card)" : "var(--straw)",
        color: reached ? "var(--softInk)" : "#2A1F2D",
        fontSize: 14,
        lineHeight: "26px",
        px: { xs: 1.75, md: 2.5 },
        display: "flex",
        flexWrap: "wrap",
        columnGap: 1.5,
      }}
    >
      <span>
        {!reached && <b>No way to the plot just now</b>}
        {!reached && asOf !== undefined && " · "}
        {asOf !== undefined && `as of ${momentWords(asOf)}`}
        {asOf !== undefined && reached && ", until the plot answers"}
      </span>
      {tells && (
        <Link to="/settings/kept" style={{ color: "inherit" }}>
          {keptSummary(kept)}
        </Link>
      )}
    </Box>
  );
}
