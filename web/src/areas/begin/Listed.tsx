import { Box, Button, TextField } from "@mui/material";

import { useRef } from "react";

import type { Schemas } from "../../api/client";
import { useSpecies } from "../../api/queries";
import { Choice } from "../../parts/Choices";
import { DayField } from "../../parts/DayField";
import { fullDay } from "../../parts/dates";
import { SelectField } from "../../parts/SelectField";
import { SpeciesField } from "../../parts/SpeciesField";
import type { useSend } from "../../parts/useSend";

export type Row = Schemas["ListedPlant"] & { key: number; open?: boolean };

type At = ReturnType<typeof useSend>["at"];

interface Props {
  rows: Row[];
  beds: Schemas["BedView"][];
  site: Schemas["SiteView"];
  fieldsOf: (i: number) => At;
  onRows: (rows: Row[]) => void;
}

/** Listed shows how each plant of a list was understood, and what is left to be said of it. */
export function Listed({ rows, onRows, fieldsOf, ...rest }: Props) {
  const list = useRef<HTMLElement>(null);
  const put = (key: number, row: Row | undefined) => {
    onRows(rows.flatMap((one) => (one.key === key ? (row ? [row] : []) : [one])));
    if (!row) list.current?.focus(); // its button went with it
  };
  return (
    <Box
      component="ol"
      ref={list}
      tabIndex={-1}
      aria-label="How it was understood"
      sx={{ outline: "none", listStyle: "none", p: 0, m: 0, mt: 2 }}
    >
      {rows.map((row, i) => (
        <ListedRow key={row.key} row={row} {...rest} at={fieldsOf(i)} onRow={(next) => put(row.key, next)} />
      ))}
    </Box>
  );
}

interface RowProps {
  row: Row;
  beds: Schemas["BedView"][];
  site: Schemas["SiteView"];
  at: At;
  onRow: (row: Row | undefined) => void;
}

const fields = ["speciesId", "bedId", "plants", "area", "startedOn", "origin", "year", "source"];

function ListedRow({ row, beds, site, at, onRow }: RowProps) {
  const species = useSpecies().data ?? [];
  const { planting } = row;
  const change = (changed: Partial<Schemas["PlantingInput"]>) =>
    onRow({ ...row, planting: { ...planting, ...changed } });
  const choose = (id: string) => {
    const one = species.find((other) => other.id === id);
    onRow({
      ...row,
      name: one?.name ?? "",
      warnings: one?.warnings ?? [],
      planting: { ...planting, speciesId: id },
    });
  };
  const said =
    planting.speciesId !== "" &&
    planting.bedId !== 0 &&
    planting.startedOn !== "" &&
    planting.origin !== "" &&
    (planting.plants || planting.area);
  const wrong = fields.some((field) => at(field).error);
  const open = row.open || !said || wrong;
  const bed = beds.find((one) => one.id === planting.bedId)?.name;
  const origin = site.origins.find((one) => one.origin === planting.origin)?.name;
  const plants = planting.area || `${planting.plants} ${planting.plants === 1 ? "plant" : "plants"}`;
  return (
    <Box component="li" sx={{ borderTop: "1px solid var(--rule)", py: 1 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "baseline", flexWrap: "wrap" }}>
        <Box sx={{ flex: 1, minWidth: 220 }}>
          <b>{row.name || `“${row.text}”`}</b>
          {said && (
            <span>
              {" "}
              · {plants} · {bed} · {origin} · since {fullDay(planting.startedOn)}
            </span>
          )}
        </Box>
        <Box sx={{ flex: "none" }}>
          {!open && (
            <Button size="small" onClick={() => onRow({ ...row, open: true })}>
              Change
            </Button>
          )}
          <Button size="small" color="inherit" onClick={() => onRow(undefined)}>
            Leave out
          </Button>
        </Box>
      </Box>
      {row.asks.map((words) => (
        <Box key={words} sx={{ color: "var(--clay)", fontWeight: 600, fontSize: 14.5 }}>
          {words}
        </Box>
      ))}
      {row.warnings.map((words) => (
        <Box key={words} sx={{ color: "var(--forbid)", fontSize: 14.5 }}>
          {words}
        </Box>
      ))}
      {open && row.choices.length > 0 && planting.speciesId === "" && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
          {row.choices.map((one) => (
            <Choice key={one.speciesId} chosen={false} onChoose={() => choose(one.speciesId)}>
              <span>{one.name}</span>
              <i style={{ fontSize: 13 }}>{one.botanical}</i>
              {one.warning && <b style={{ fontSize: 13, color: "var(--forbid)" }}>{one.warning}</b>}
            </Choice>
          ))}
        </Box>
      )}
      {open && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr 1fr", md: "1.8fr 0.8fr 1fr 1.2fr 1.5fr" },
            gap: 1,
            mt: 1.2,
          }}
        >
          <SpeciesField
            species={species}
            label="Plant"
            value={planting.speciesId}
            onChange={choose}
            {...at("speciesId")}
          />
          <TextField
            label="How many"
            value={planting.area || planting.plants || ""}
            onChange={(event) => {
              const typed = event.target.value.trim();
              const counted = /^\d*$/.test(typed);
              change({ plants: counted ? Number(typed) : 0, area: counted ? "" : event.target.value });
            }}
            error={at("plants").error || at("area").error}
            helperText={at("plants").helperText ?? at("area").helperText ?? "Plants, or an area"}
          />
          <SelectField
            label="Bed"
            value={String(planting.bedId)}
            onChange={(value) => change({ bedId: Number(value) })}
            options={[["0", "choose"], ...beds.map((one) => [String(one.id), one.name] as const)]}
            {...at("bedId")}
          />
          <SelectField
            label="Where it came from"
            value={planting.origin}
            onChange={(value) => change({ origin: value })}
            options={[
              ...(planting.origin === "" ? [["", "choose"] as const] : []),
              ...site.origins.map((one) => [one.origin, one.name] as const),
            ]}
            {...at("origin")}
          />
          <Box sx={{ gridColumn: { xs: "1 / -1", md: "auto" } }}>
            {" "}
            <DayField
              label="Since"
              value={planting.startedOn}
              onChange={(day) => change({ startedOn: day })}
              last={site.today}
              {...at("startedOn")}
            />
          </Box>
        </Box>
      )}
    </Box>
  );
}
