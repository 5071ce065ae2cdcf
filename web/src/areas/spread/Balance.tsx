import { Box, Typography } from "@mui/material";
import { useSearchParams } from "react-router";
import { Link } from "react-router";

import type { Schemas } from "../../api/client";
import { useSpecies } from "../../api/queries";
import { SpeciesField } from "../../parts/SpeciesField";
import { Trouble } from "../../parts/Trouble";
import { Reckoning } from "../../parts/Reckoning";
import { useShown } from "../../parts/useShown";
import { Head } from "./Head";
import { Law } from "./Law";
import { useBalance } from "./queries";

type Kind = Schemas["KindBalance"];

/** Balance weighs each kind that spreads: what it is worth on one side, what harm it does on the other. */
export function Balance() {
  const [params, setParams] = useSearchParams();
  const species = useSpecies().data ?? [];
  const asked = params.get("species") ?? "";
  const { data: view, error } = useBalance(asked);
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const chosen = view.kinds.find((kind) => kind.speciesId === (asked || params.get("kind"))) ?? view.kinds[0];
  return (
    <>
      <Head title="Worth and harm" words="What a kind that gets about is worth, against what it does." />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "400px minmax(0, 1fr)" },
          columnGap: 3.5,
          alignItems: "start",
        }}
      >
        <Box>
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }} aria-label="Kinds">
            {view.kinds.map((kind) => (
              <li key={kind.speciesId}>
                <Scale
                  kind={kind}
                  chosen={kind === chosen}
                  onChoose={() => setParams({ kind: kind.speciesId }, { replace: true })}
                />
              </li>
            ))}
          </Box>
          <Box sx={{ mt: 2 }}>
            <SpeciesField
              species={species}
              label="Weigh another"
              value={asked}
              onChange={(id) => setParams(id ? { species: id } : {}, { replace: true })}
              error={false}
            />
          </Box>
        </Box>
        {chosen && <Weighed kind={chosen} />}
      </Box>
    </>
  );
}

const block = 10;

/** Scale is a kind as blocks left and right of a middle: for it in leaf green and filled, against it in outline. */
function Scale({ kind, chosen, onChoose }: { kind: Kind; chosen: boolean; onChoose: () => void }) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      aria-label={`${kind.name}: ${kind.for} for it, ${kind.against} against it`}
      onClick={onChoose}
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) 94px 94px",
        width: "100%",
        alignItems: "center",
        font: "inherit",
        color: "inherit",
        textAlign: "left",
        border: 0,
        borderBottom: "1px solid var(--rule)",
        borderLeft: `5px solid ${chosen ? "var(--bramble)" : "transparent"}`,
        background: chosen ? "var(--card)" : "none",
        minHeight: 44,
        p: "2px 4px 2px 8px",
        cursor: "pointer",
      }}
    >
      <b>{kind.name}</b>
      <Blocks n={kind.for} right />
      <Blocks n={kind.against} />
    </Box>
  );
}

function Blocks({ n, right = false }: { n: number; right?: boolean }) {
  const shown = Math.min(n, 9);
  return (
    <svg width={94} height={20} aria-hidden>
      <line x1={right ? 93 : 1} x2={right ? 93 : 1} y1={0} y2={20} stroke="var(--ink)" />
      {Array.from({ length: shown }, (_, i) => (
        <rect
          key={i}
          x={right ? 90 - (i + 1) * block : 4 + i * block}
          y={5}
          width={block - 3}
          height={10}
          fill={right ? "var(--leaf)" : "var(--card)"}
          stroke={right ? "var(--leaf)" : "var(--clay)"}
          strokeWidth={right ? 1 : 2}
        />
      ))}
    </svg>
  );
}

function Weighed({ kind }: { kind: Kind }) {
  const box = useShown<HTMLElement>(kind.speciesId);
  return (
    <Box ref={box} component="article" aria-label={kind.name} sx={{ minWidth: 0 }}>
      <Typography variant="h2">
        <Box component={Link} to={`/plants/${kind.speciesId}`} sx={{ color: "inherit" }}>
          {kind.name}
        </Box>
        {kind.where && `, ${kind.where}`}
      </Typography>
      <Box sx={{ fontWeight: 700, mb: 1 }}>{kind.words}</Box>
      {kind.rows.map((row) => (
        <Box
          key={row.subject}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "170px 96px minmax(0, 1fr)" },
            columnGap: 1.5,
            borderTop: "1px solid var(--rule)",
            py: 0.6,
          }}
        >
          <Box sx={{ fontWeight: 600 }}>{row.subject}</Box>
          <Box
            sx={{
              color:
                row.side === "for"
                  ? "var(--leaf)"
                  : row.side === "against"
                    ? "var(--clay)"
                    : "text.secondary",
              fontWeight: 700,
            }}
          >
            {row.side === "neither" ? "neither" : row.side}
            {row.weight > 0 && ` ${"+".repeat(row.weight)}`}
          </Box>
          <Box>{row.words}</Box>
        </Box>
      ))}
      <Law law={kind.law} speciesId={kind.speciesId} name={kind.name} reminded />
    </Box>
  );
}
