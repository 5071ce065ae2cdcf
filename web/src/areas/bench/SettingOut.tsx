import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { Refusal, type Schemas } from "../../api/client";
import { usePlot, useSpecies } from "../../api/queries";
import { SelectField } from "../../parts/SelectField";
import { SpeciesField } from "../../parts/SpeciesField";
import { useWidth } from "../../parts/useWidth";
import { bedChoices } from "../../parts/choices";
import { Head } from "./Head";
import { useSettingOut } from "./queries";

/** SettingOut is where plants go in a bed or a tray, to scale: triangles against squares. */
export function SettingOut() {
  const beds = usePlot().data?.beds ?? [];
  const species = useSpecies().data ?? [];
  const [bed, setBed] = useState("0");
  const [typed, setTyped] = useState({
    width: "120 cm",
    length: "300 cm",
    spacing: "30 cm",
    edge: "15 cm",
    species: "",
  });
  const [pattern, setPattern] = useState("");
  const setting = { ...typed, bed: Number(bed) };
  const query = useSettingOut(setting);
  const refusal = query.error instanceof Refusal ? query.error : undefined;
  const view = query.data;
  const set = (name: keyof typeof typed) => (value: string) =>
    setTyped((before) => ({ ...before, [name]: value }));
  const field = (name: "width" | "length" | "spacing" | "edge", label: string) => (
    <TextField
      label={label}
      value={typed[name]}
      onChange={(event) => set(name)(event.target.value)}
      error={!!refusal?.fields[name]}
      helperText={refusal?.fields[name]}
    />
  );
  const shown = pattern || view?.better || "square";
  const params = new URLSearchParams(Object.entries(setting).map(([name, value]) => [name, String(value)]));
  return (
    <>
      <Head title="Setting out" words="Where each plant goes, with the distances to tape along the edges.">
        <Button variant="outlined" component="a" href={`/api/files/setting-out?${params}`} target="_blank">
          Print it
        </Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr) minmax(0, 1fr)", md: "1.4fr 1.4fr 1fr 1fr 1fr 1fr" },
          gap: 1.2,
          mb: 2,
        }}
      >
        <SelectField label="In" value={bed} onChange={setBed} options={bedChoices(beds, "a rectangle")} />
        <SpeciesField species={species} label="Which plant" value={typed.species} onChange={set("species")} />
        {bed === "0" && field("width", "Wide")}
        {bed === "0" && field("length", "Long")}
        {field("spacing", "Apart")}
        {field("edge", "From the edge")}
      </Box>
      {refusal && Object.keys(refusal.fields).length === 0 && (
        <Alert severity="error">{refusal.message}</Alert>
      )}
      {view && !refusal && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 320px" },
            columnGap: 3,
          }}
        >
          <Drawing view={view} layout={shown === "triangle" ? view.triangle : view.square} />
          <Box>
            <Typography variant="h2">{view.title}</Typography>
            <Box sx={{ fontWeight: 700 }}>{view.words}</Box>
            <Box sx={{ display: "flex", gap: 1, my: 1 }}>
              {(["triangle", "square"] as const).map((one) => (
                <Button
                  key={one}
                  variant={shown === one ? "contained" : "outlined"}
                  aria-pressed={shown === one}
                  onClick={() => setPattern(one)}
                >
                  {one === "triangle"
                    ? `Triangles, ${view.triangle.plants}`
                    : `Squares, ${view.square.plants}`}
                </Button>
              ))}
            </Box>
            {(shown === "triangle" ? view.triangle : view.square).tape.map((words) => (
              <Box key={words}>{words}</Box>
            ))}
            {view.note && <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 1 }}>{view.note}</Box>}
          </Box>
        </Box>
      )}
    </>
  );
}

const margin = 34;

/** Drawing is the ground to scale with its plants, and a tape along two edges. */
function Drawing({ view, layout }: { view: Schemas["SetOutView"]; layout: Schemas["SetOutLayout"] }) {
  const [box, width] = useWidth(640);
  // The longer side lies across: a screen is wider than tall.
  const turned = view.depth > view.width;
  const [across, down] = turned ? [view.depth, view.width] : [view.width, view.depth];
  const scale = Math.min((width - margin - 10) / across, 520 / down);
  const at = (p: { x: number; y: number }) => {
    const [a, d] = turned ? [p.y, p.x] : [p.x, p.y];
    return [margin + a * scale, 10 + (down - d) * scale] as const;
  };
  const path = (points: { x: number; y: number }[]) => `M${points.map((p) => at(p).join(" ")).join("L")}Z`;
  const step = across > 8 ? 1 : across > 2.5 ? 0.5 : 0.2;
  const ticks = (length: number) =>
    Array.from({ length: Math.floor(length / step + 1e-9) + 1 }, (_, i) => i * step);
  const radius = Math.max(2.5, Math.min(7, scale * 0.05));
  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <svg
        width={width}
        height={down * scale + margin + 14}
        role="img"
        aria-label={`${layout.plants} plants on ${view.title}, drawn to scale`}
      >
        {(view.outline ?? []).map((outline, i) => (
          <path key={i} d={path(outline ?? [])} fill="var(--meadow)" stroke="var(--ink)" strokeWidth={1.5} />
        ))}
        {(view.hole ?? []).length > 0 && (
          <path d={path(view.hole ?? [])} fill="var(--paper)" stroke="var(--ink)" />
        )}
        {(layout.spots ?? []).map((spot, i) => {
          const [x, y] = at(spot);
          return (
            <g key={i}>
              <circle cx={x} cy={y} r={radius} fill="var(--leaf)" />
              <path
                d={`M${x - radius * 0.5} ${y} h${radius} M${x} ${y - radius * 0.5} v${radius}`}
                stroke="var(--card)"
                strokeWidth={1}
              />
            </g>
          );
        })}
        {ticks(across).map((metres) => (
          <g key={metres} aria-hidden>
            <path d={`M${margin + metres * scale} ${10 + down * scale} v6`} stroke="var(--ink)" />
            {(Math.round(metres / step) % 2 === 0 || across / step < 9) && (
              <text
                x={margin + metres * scale}
                y={10 + down * scale + 20}
                fontSize={12.5}
                textAnchor="middle"
                fill="var(--ink)"
              >
                {tape(metres)}
              </text>
            )}
          </g>
        ))}
        {ticks(down).map((metres) => (
          <g key={metres} aria-hidden>
            <path d={`M${margin - 6} ${10 + (down - metres) * scale} h6`} stroke="var(--ink)" />
            {(Math.round(metres / step) % 2 === 0 || down / step < 9) && (
              <text
                x={margin - 9}
                y={10 + (down - metres) * scale + 4}
                fontSize={12.5}
                textAnchor="end"
                fill="var(--ink)"
              >
                {tape(metres)}
              </text>
            )}
          </g>
        ))}
      </svg>
    </Box>
  );
}

const tape = (metres: number) => String(Math.round(metres * 100) / 100);
