import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { Schemas } from "../../api/client";
import { useSpecies } from "../../api/queries";
import { dayMonth } from "../../parts/dates";
import { SelectField } from "../../parts/SelectField";
import { SpeciesField } from "../../parts/SpeciesField";
import { Trouble } from "../../parts/Trouble";
import { useWidth } from "../../parts/useWidth";
import { Reckoning } from "../../parts/Reckoning";
import { Head } from "./Head";
import { useOvertaken } from "./queries";

type Race = Schemas["RaceView"];

/** Overtaken is each sown or set crop against the weeds in it: the days that are left. */
export function Overtaken() {
  const [params, setParams] = useSearchParams();
  const [crop, setCrop] = useState(params.get("planting") ?? "");
  const [weed, setWeed] = useState(params.get("weed") ?? "");
  const species = useSpecies().data ?? [];
  const { data: view, error } = useOvertaken(Number(params.get("planting")) || 0, params.get("weed") ?? "");
  if (error && !view) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const races = view.asked ? [view.asked, ...view.races] : view.races;
  return (
    <>
      <Head title="Overtaken?" words="A fast weed overtakes a sown crop in days, a set one later." />
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-start", mb: 2 }}>
        <SelectField
          label="Crop"
          value={crop}
          options={[
            ["", "choose"],
            ...view.crops.map((one) => [String(one.plantingId), `${one.name}, ${one.bed}`] as const),
          ]}
          onChange={setCrop}
          width={260}
        />
        <Box sx={{ width: 260 }}>
          <SpeciesField species={species} label="Weed in it" value={weed} onChange={setWeed} error={false} />
        </Box>
        <Button
          variant="contained"
          disabled={!crop || !weed}
          onClick={() => setParams({ planting: crop, weed }, { replace: true })}
        >
          Tell the days
        </Button>
      </Box>
      {error && <Trouble reason={error} />}
      {races.length === 0 && (
        <p>
          No weed is noted in a bed with a crop. <Link to="/spread/came-up">Note what came up</Link>, or ask
          about one above.
        </p>
      )}
      {races.map((race, i) => (
        <One key={`${i} ${race.plantingId} ${race.weedId}`} race={race} />
      ))}
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 1 }}>{view.how}</Box>
    </>
  );
}

function One({ race }: { race: Race }) {
  return (
    <Box
      component="article"
      aria-label={`${race.crop} against ${race.weed}`}
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) minmax(0, 1.3fr)" },
        columnGap: 3,
        borderTop: "1px solid var(--rule)",
        py: 1.2,
      }}
    >
      <Box>
        <Typography variant="h2">
          {race.crop} against {race.weed}
        </Typography>
        <Box sx={{ color: "text.secondary" }}>
          <Link to={`/plantings/${race.plantingId}`}>{race.bed}</Link>, {race.start}
        </Box>
        <Box
          sx={{
            fontSize: 18,
            fontWeight: 700,
            color: race.overtakes ? "var(--clay)" : "var(--leaf)",
            my: 0.5,
          }}
        >
          {race.words}
        </Box>
        <div>
          Clearing it today: <b>{race.now}</b>
          {race.then && (
            <>
              ; when it is overtaken: <b>{race.then}</b>
            </>
          )}
        </div>
        <Box
          component="ul"
          sx={{ listStyle: "none", p: 0, m: "6px 0 0", fontSize: 14.5 }}
          aria-label="Overtaken by"
        >
          {race.byWeek
            .filter((week, i, all) => week.chance > 0 && (all[i - 1]?.chance ?? 0) < 1)
            .slice(0, 5)
            .map((week) => (
              <Box component="li" key={week.on} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
                <Box sx={{ width: 120, flex: "none" }}>by {dayMonth(week.on)}</Box>
                <Box
                  sx={{ width: `${Math.max(2, week.chance * 120)}px`, height: 9, background: "var(--clay)" }}
                />
                {Math.round(week.chance * 100)} %
              </Box>
            ))}
        </Box>
      </Box>
      <Heights race={race} />
    </Box>
  );
}

const height = 170;

/** Heights is both plants growing: the crop as a band up to its top with the half marked, the weed as a dashed line. */
function Heights({ race }: { race: Race }) {
  const [box, width] = useWidth(520);
  const most = Math.max(0.1, ...race.heights.flatMap((one) => [one.weed, one.crop])) * 1.1;
  const last = Math.max(1, race.heights.length - 1);
  const x = (i: number) => 44 + (i / last) * (width - 60);
  const y = (m: number) => height - 24 - (m / most) * (height - 36);
  const line = (of: (one: Race["heights"][number]) => number) =>
    race.heights.map((one, i) => `${x(i)} ${y(of(one))}`).join("L");
  const crop = line((one) => one.crop);
  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`How tall ${race.crop} and ${race.weed} grow in the coming weeks`}
      >
        <path
          d={`M${x(0)} ${y(0)}L${crop}L${x(last)} ${y(0)}Z`}
          fill="var(--leaf)"
          fillOpacity={0.22}
          stroke="none"
        />
        <path d={`M${crop}`} fill="none" stroke="var(--leaf)" strokeWidth={2.4} />
        <path
          d={`M${line((one) => one.crop / 2)}`}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={1.2}
          strokeDasharray="2 3"
        />
        <path
          d={`M${line((one) => one.weed)}`}
          fill="none"
          stroke="var(--clay)"
          strokeWidth={2.4}
          strokeDasharray="7 4"
        />
        <line x1={x(0)} x2={x(last)} y1={y(0)} y2={y(0)} stroke="var(--ink)" />
        {race.heights.map((one, i) =>
          i % 3 === 0 ? (
            <text
              key={one.on}
              x={x(i)}
              y={height - 8}
              fontSize={12.5}
              textAnchor={i === 0 ? "start" : "middle"}
              fill="var(--softInk)"
              aria-hidden
            >
              {dayMonth(one.on)}
            </text>
          ) : null,
        )}
        <text x={2} y={y(most / 1.1) + 4} fontSize={12.5} fill="var(--softInk)" aria-hidden>
          {(most / 1.1).toFixed(1)} m
        </text>
        <text x={x(last)} y={14} fontSize={13} textAnchor="end" fill="var(--ink)" aria-hidden>
          filled: {race.crop} · dashed: {race.weed}
        </text>
      </svg>
    </Box>
  );
}
