import { Box } from "@mui/material";

import { useReach } from "../api/reach";
import { dayMonth } from "../parts/dates";

const two = (n: number) => String(n).padStart(2, "0");

/** moment says when something was given: the hour where it was today, else the day, too. */
function moment(given: number): string {
  const at = new Date(given);
  const hour = `${two(at.getHours())}:${two(at.getMinutes())}`;
  if (at.toDateString() === new Date().toDateString()) return hour;
  return `${dayMonth(`${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`)}, ${hour}`;
}

/** AsOf says that what is shown was told earlier, and whether the plot can be reached. */
export function AsOf() {
  const { reached, asOf } = useReach();
  if (reached && asOf === undefined) return null;
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
      }}
    >
      {!reached && <b>No way to the plot just now</b>}
      {!reached && asOf !== undefined && " · "}
      {asOf !== undefined && `as of ${moment(asOf)}`}
      {reached && ", until the plot answers"}
    </Box>
  );
}
