import { Box } from "@mui/material";

import type { Schemas } from "../api/client";

const shift = (days: number) => {
  if (days === 0) return "as before";
  const n = Math.abs(days);
  return `${n} ${n === 1 ? "day" : "days"} ${days < 0 ? "sooner" : "later"}`;
};

/** What a phone has no room for: by how much it moved stands beside it. */
const wide = { display: { xs: "none", sm: "table-cell" } };

/** MovedBox says how a look moved the dates, and why. */
export function MovedBox({ moved }: { moved: Schemas["MovedView"] }) {
  return (
    <Box
      sx={{ borderLeft: `5px solid var(${moved.surprise ? "--clay" : "--bramble"})`, pl: 1.5, py: 0.5 }}
      data-testid="moved"
    >
      {moved.surprise && (
        <Box sx={{ fontWeight: 700, color: "var(--clay)" }}>A surprise: hardly expected so.</Box>
      )}
      <Box sx={{ mb: 1 }}>{moved.why}</Box>
      <Box
        component="table"
        sx={{
          borderCollapse: "collapse",
          width: "100%",
          fontSize: 14.5,
          "& td, & th": {
            py: 0.4,
            pr: 1,
            borderBottom: "1px dotted var(--rule)",
            textAlign: "left",
            verticalAlign: "top",
          },
        }}
      >
        <thead>
          <tr>
            <th>Stage</th>
            <th>Now expected</th>
            <Box component="th" sx={wide}>
              Was
            </Box>
            <th>
              <span className="sr-only">Moved</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {moved.stages.map((row, i) => (
            <tr key={`${row.stage}${i}`}>
              <td>{row.stage}</td>
              <td>
                <b>{row.after.text}</b>
              </td>
              <Box component="td" sx={{ ...wide, color: "var(--softInk)" }}>
                {row.before.text}
              </Box>
              <td style={{ whiteSpace: "nowrap" }}>{shift(row.days)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
