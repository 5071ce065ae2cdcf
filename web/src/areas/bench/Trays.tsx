import { Box, Button } from "@mui/material";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { Trouble } from "../../parts/Trouble";
import { CellMark } from "./CellMark";
import { placeChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useBench, useMixes, useTrays } from "./queries";

/** Trays is every tray from above, small: each opens into its cells. */
export function Trays() {
  const query = useTrays();
  const [filling, setFilling] = useState(false);
  const trays = query.data?.trays;
  if (query.error) return <Trouble reason={query.error} />;
  if (!trays) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Head title="Trays" words="Each opens into its cells: sow into them, count, gap up.">
        <Button variant="contained" onClick={() => setFilling(true)}>
          Fill a tray
        </Button>
      </Head>
      {trays.length === 0 && <p>No tray is filled. Fill one, and set a batch into its cells.</p>}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2.5 }}>
        {trays.map((tray) => (
          <Box
            key={tray.id}
            component={Link}
            to={`/bench/trays/${tray.id}`}
            sx={{ color: "inherit", textDecoration: "none", "&:hover b": { textDecoration: "underline" } }}
          >
            <Small tray={tray} />
            <Box sx={{ mt: 0.5 }}>
              <b>{tray.name}</b>
              {tray.place && ` · ${tray.place}`}
            </Box>
            {tray.batches.map((batch) => (
              <Box key={batch.batchId} sx={{ fontSize: 14.5, color: "text.secondary" }}>
                {batch.name}: {batch.words}
              </Box>
            ))}
            {tray.batches.length === 0 && <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>empty</Box>}
          </Box>
        ))}
      </Box>
      {filling && <TrayDialog onClose={() => setFilling(false)} />}
    </>
  );
}

const smallCell = 24;

function Small({ tray }: { tray: Schemas["TrayView"] }) {
  return (
    <svg
      width={tray.columns * smallCell + 8}
      height={tray.rows * smallCell + 8}
      role="img"
      aria-label={`${tray.name}: ${tray.words}`}
      style={{ display: "block", maxWidth: "100%" }}
      viewBox={`0 0 ${tray.columns * smallCell + 8} ${tray.rows * smallCell + 8}`}
    >
      <rect
        x={1}
        y={1}
        width={tray.columns * smallCell + 6}
        height={tray.rows * smallCell + 6}
        fill="var(--soil)"
        stroke="var(--ink)"
        rx={3}
      />
      {tray.cells.map((cell, i) => (
        <g
          key={i}
          transform={`translate(${4 + (i % tray.columns) * smallCell} ${4 + Math.floor(i / tray.columns) * smallCell})`}
        >
          <CellMark state={cell.state} size={smallCell} />
        </g>
      ))}
    </svg>
  );
}

/** TrayDialog fills a tray, or changes one. */
export function TrayDialog({ tray, onClose }: { tray?: Schemas["TrayView"]; onClose: () => void }) {
  const navigate = useNavigate();
  const bench = useBench().data;
  const mixes = useMixes().data?.mixes ?? [];
  if (!bench) return null;
  const settings = bench.settings;
  return (
    <FormDialog
      title={tray ? `Change the tray ${tray.name}` : "Fill a tray"}
      act={tray ? "Note it" : "Fill it"}
      values={{
        name: tray?.name ?? "",
        placeId: String(tray?.placeId ?? bench.shelves[0]?.id ?? 0),
        rows: String(tray?.rows ?? 4),
        columns: String(tray?.columns ?? Math.max(1, Math.round(settings.trayCells / 4))),
        cell: tray?.cell ?? settings.cell,
        depth: tray?.depth ?? settings.cellDepth,
        mix: tray?.mix ?? mixes[0]?.id ?? "",
      }}
      version={tray?.version}
      fields={[
        { name: "name", label: "Name on its edge" },
        {
          name: "placeId",
          label: "Where it stands",
          kind: "choice",
          options: placeChoices(bench.shelves, "nowhere yet"),
        },
        { name: "rows", label: "Rows of cells", kind: "number" },
        { name: "columns", label: "Cells in a row", kind: "number" },
        { name: "cell", label: "A cell holds" },
        { name: "depth", label: "A cell is deep" },
        {
          name: "mix",
          label: "Filled with",
          kind: "choice",
          options: [["", "not said"], ...mixes.map((mix) => [mix.id, mix.name] as const)],
          wide: true,
        },
      ]}
      onClose={onClose}
      onDone={(entry) => {
        if (!tray) void navigate(`/bench/trays/${entry.made}`);
      }}
      send={(typed, version) => {
        const body = {
          name: typed.name ?? "",
          placeId: whole(typed.placeId) || undefined,
          rows: whole(typed.rows),
          columns: whole(typed.columns),
          cell: typed.cell ?? "",
          depth: typed.depth ?? "",
          mix: typed.mix || undefined,
        };
        return answerOf(
          tray
            ? api.PUT("/api/trays/{id}", {
                params: { path: { id: tray.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/trays", { body }),
        );
      }}
    />
  );
}
