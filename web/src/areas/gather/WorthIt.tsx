import { Box } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { Reckoning } from "../../parts/Reckoning";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { Head } from "./Head";

type Row = Schemas["WorthItRow"];

const measures = [
  ["anHour", "hourWords", "An hour of picking"],
  ["aM2", "m2Words", "A m² in a year"],
  ["aYear", "yearWords", "A year"],
] as const;

/** WorthIt is what each stand brings for its work, its ground and its years. */
export function WorthIt() {
  const { data, error } = useQuery({
    queryKey: ["worth it"],
    queryFn: () => answerOf(api.GET("/api/worth-it")),
  });
  if (error) return <Trouble reason={error} />;
  if (!data) return <Reckoning />;
  const picked = data.stands.filter((row) => !row.expected);
  const expected = data.stands.filter((row) => row.expected);
  return (
    <>
      <Head title="Worth it?" words={data.words || "Nothing was picked yet."} />
      <Rows title="By what was picked" rows={picked} />
      <Rows title="By what one cut a year would bring: nothing was picked of these yet" rows={expected} />
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 1.5 }}>{data.basis}</Box>
    </>
  );
}

function Rows({ title, rows }: { title: string; rows: Row[] }) {
  const kept = useKept();
  if (rows.length === 0) return null;
  const most = measures.map(([key]) => Math.max(1, ...rows.map((row) => row[key])));
  return (
    <Box component="section" aria-label={title} sx={{ overflowX: "auto", mb: 2 }}>
      <Box
        component="table"
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          "& th": { textAlign: "left", fontSize: 14, p: "4px 10px 4px 0" },
          "& td": { borderTop: "1px solid var(--rule)", p: "4px 10px 4px 0", verticalAlign: "top" },
        }}
      >
        <thead>
          <tr>
            <th>{title}</th>
            {measures.map(([key, , words]) => (
              <th key={key}>{words}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={`${row.plantingId}${row.name}`}>
              <td style={{ minWidth: 150 }}>
                <Link to={kept(`/plantings/${row.plantingId}`)}>{row.name}</Link>
                <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>
                  {row.bed} · {row.times}
                </Box>
              </td>
              {measures.map(([key, words], i) => (
                <td key={key} style={{ width: "24%" }}>
                  {row[words]}
                  <Box
                    aria-hidden
                    sx={{
                      height: 8,
                      width: `${(100 * row[key]) / (most[i] ?? 1)}%`,
                      minWidth: 2,
                      background: row.expected ? "var(--lichen)" : "var(--leaf)",
                      borderRadius: "0 6px 6px 0",
                    }}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
