import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { useSearchParams } from "react-router";

import { answerOf, api, Refusal, type Schemas } from "../../api/client";
import { SelectField } from "../../parts/SelectField";
import { Trouble } from "../../parts/Trouble";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useBench, useFilling, useMixes } from "./queries";

/** Mix is what to fill so many cells with: parts in litres and in the grower's own scoop, from the shed or bought. */
export function Mix() {
  const query = useMixes();
  const settings = useBench().data?.settings;
  const [chosen, setChosen] = useState("");
  // A tray that is to be filled says how many cells, and of what size.
  const [params] = useSearchParams();
  const [cells, setCells] = useState(params.get("cells") ?? undefined);
  const [cell, setCell] = useState(params.get("cell") ?? undefined);
  const [opened, setOpened] = useState<"own" | { shed: string; amount: string }>();
  const mixes = query.data;
  const mix = mixes?.mixes.find((one) => one.id === chosen) ?? mixes?.mixes[0];
  const asked = {
    mix: mix?.id ?? "",
    cells: whole(cells ?? String(settings?.trayCells ?? 0)),
    cell: cell ?? settings?.cell ?? "",
  };
  const filling = useFilling(settings ? asked : { ...asked, mix: "" });
  if (query.error) return <Trouble reason={query.error} />;
  if (!mixes || !mix || !settings) return <Box sx={{ minHeight: 600 }} />;
  const refusal = filling.error instanceof Refusal ? filling.error : undefined;
  const fill = filling.data;
  return (
    <>
      <Head
        title="Mix"
        words="How much of each part, measured before mixing, so that it lasts to the last cell."
      >
        <Button variant="outlined" onClick={() => setOpened("own")}>
          Write a recipe
        </Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "2fr 1fr 1fr" },
          gap: 1.5,
          maxWidth: 760,
          mb: 2,
        }}
      >
        <SelectField
          label="Which mix"
          value={mix.id}
          onChange={setChosen}
          options={mixes.mixes.map((one) => [one.id, `${one.name} (${one.ratio})`] as const)}
        />
        <TextField
          label="Cells"
          value={cells ?? String(settings.trayCells)}
          onChange={(event) => setCells(event.target.value)}
          error={!!refusal?.fields.cells}
          helperText={refusal?.fields.cells}
        />
        <TextField
          label="A cell holds"
          value={cell ?? settings.cell}
          onChange={(event) => setCell(event.target.value)}
          error={!!refusal?.fields.cell}
          helperText={refusal?.fields.cell}
        />
      </Box>
      <Box sx={{ color: "text.secondary", mb: 1 }}>For {mix.for}.</Box>
      {fill && !refusal && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 330px" },
            columnGap: 3,
          }}
        >
          <Box>
            <Typography variant="h2">{fill.fill} of mix</Typography>
            <Bucket parts={fill.parts} onShed={(part) => setOpened({ shed: part.name, amount: part.shed })} />
            <Alert severity={fill.enough ? "success" : "warning"} sx={{ mt: 1 }}>
              {fill.runs} {fill.buy}
            </Alert>
            <Box sx={{ fontSize: 13.5, color: "text.secondary", mt: 1 }}>{fill.rests}</Box>
          </Box>
          <Box>
            <Typography variant="h2">Fill, knock, top up</Typography>
            <Box component="ol" sx={{ pl: 2.5, mt: 0.5 }}>
              {fill.steps.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </Box>
            <Typography variant="h3">The shed</Typography>
            {mixes.shed.map((part) => (
              <Box
                key={part.name}
                sx={{ display: "flex", alignItems: "center", borderTop: "1px dotted var(--rule)" }}
              >
                <Box sx={{ flex: 1 }}>{part.name}</Box>
                {part.amount}
                <Button
                  size="small"
                  onClick={() => setOpened({ shed: part.name, amount: part.amount })}
                  aria-label={`Count ${part.name}`}
                >
                  Count
                </Button>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      {opened === "own" && <RecipeDialog onClose={() => setOpened(undefined)} />}
      {typeof opened === "object" && (
        <FormDialog
          title={`How much ${opened.shed} is in the shed`}
          act="Note it"
          values={{ name: opened.shed, amount: opened.amount }}
          fields={[{ name: "amount", label: "There is", help: "12 l, or 3 qt", wide: true }]}
          onClose={() => setOpened(undefined)}
          send={(typed) =>
            answerOf(api.PUT("/api/shed", { body: { name: typed.name ?? "", amount: typed.amount ?? "" } }))
          }
        />
      )}
    </>
  );
}

interface BucketProps {
  parts: Schemas["FillingPartView"][];
  onShed: (part: Schemas["FillingPartView"]) => void;
}

const grains = [
  "M3 4 h3 M11 9 h3 M5 13 h3",
  "M4 4 a1.6 1.6 0 1 0 .1 0 M12 10 a1.6 1.6 0 1 0 .1 0",
  "M2 3 l4 3 M9 10 l4 3",
  "M3 3 h1 M9 6 h1 M5 11 h1 M13 13 h1",
];

/** Bucket draws the parts one on the other, each as tall as its share, with what it is and how much. */
function Bucket({ parts, onShed }: BucketProps) {
  const all = parts.reduce((sum, part) => sum + part.share, 0);
  const height = Math.max(190, parts.length * 56);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "92px minmax(0, 1fr)", columnGap: 2, mt: 0.5 }}>
      <svg width={92} height={height} aria-hidden>
        <defs>
          {grains.map((d, i) => (
            <pattern key={d} id={`mix-${i}`} width={17} height={17} patternUnits="userSpaceOnUse">
              <path d={d} fill="none" stroke="var(--ink)" strokeWidth={1.3} opacity={0.75} />
            </pattern>
          ))}
        </defs>
        {parts.map((part, i) => {
          const before = parts.slice(0, i).reduce((sum, one) => sum + one.share, 0);
          const top = (before / all) * height;
          const tall = (part.share / all) * height;
          return (
            <g key={part.name}>
              <rect
                x={2}
                y={top + 1}
                width={88}
                height={tall - 2}
                fill={i % 2 === 0 ? "var(--soil)" : "var(--meadow)"}
                stroke="var(--ink)"
              />
              <rect x={2} y={top + 1} width={88} height={tall - 2} fill={`url(#mix-${i % grains.length})`} />
              <text
                x={46}
                y={top + tall / 2 + 6}
                textAnchor="middle"
                fontSize={17}
                fontWeight={700}
                fill="var(--ink)"
                paintOrder="stroke"
                stroke="var(--card)"
                strokeWidth={5}
              >
                {part.share}
              </text>
            </g>
          );
        })}
      </svg>
      <Box
        sx={{
          display: "grid",
          gridTemplateRows: parts.map((part) => `${part.share}fr`).join(" "),
          minHeight: height,
        }}
      >
        {parts.map((part) => (
          <Box key={part.name} sx={{ borderTop: "1px dotted var(--rule)", minHeight: 52 }}>
            <b>
              {part.amount} {part.name}
            </b>
            {part.measures && ` · ${part.measures}`}
            <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
              {part.for}; in the shed {part.shed}
              {part.short && <b style={{ color: "var(--clay)" }}> · too little</b>}{" "}
              <Button
                size="small"
                sx={{ py: 0, minHeight: { md: 24 } }}
                onClick={() => onShed(part)}
                aria-label={`Count ${part.name} in the shed`}
              >
                Count
              </Button>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const partNumbers = [1, 2, 3, 4];

function RecipeDialog({ onClose }: { onClose: () => void }) {
  return (
    <FormDialog
      title="A recipe of your own"
      act="Keep it"
      values={{ name: "", for: "" }}
      fields={[
        { name: "name", label: "Name" },
        { name: "for", label: "For what" },
        ...partNumbers.flatMap((n) => [
          { name: `part${n}`, label: `Part ${n}`, help: n > 1 ? "Empty for none" : undefined },
          { name: `share${n}`, label: `Of it, parts by volume`, kind: "number" as const },
        ]),
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/mixes", {
            body: {
              name: typed.name ?? "",
              for: typed.for,
              parts: partNumbers
                .filter((n) => typed[`part${n}`]?.trim())
                .map((n) => ({
                  name: typed[`part${n}`] ?? "",
                  share: Number((typed[`share${n}`] ?? "").replace(",", ".")) || 0,
                  for: "your own recipe",
                })),
            },
          }),
        )
      }
    />
  );
}
