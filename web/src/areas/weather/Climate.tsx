import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useSearchParams } from "react-router";

import type { Schemas } from "../../api/client";
import { useSpecies } from "../../api/queries";
import { SpeciesField } from "../../parts/SpeciesField";
import { Trouble } from "../../parts/Trouble";
import { Head } from "./Head";
import { OwnClimateDialog } from "./OwnClimateDialog";
import { useClimate } from "./queries";
import { YearChart } from "./YearChart";

/** Climate explains the climate behind all forecasts, as it is at the plot. */
export function Climate() {
  const [params, setParams] = useSearchParams();
  const species = params.get("species") ?? "";
  const query = useClimate(species);
  const kinds = useSpecies().data ?? [];
  const [typing, setTyping] = useState(false);
  const climate = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!climate) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Head title={climate.name} words={climate.kind}>
        <Button onClick={() => setTyping(true)}>Your own figures</Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1.25fr) minmax(0, 1fr)" },
          columnGap: 4,
          rowGap: 2.5,
        }}
      >
        <Box>
          <YearChart months={climate.months} scale={climate.scale} />
          <Box sx={{ mt: 1 }}>{climate.height}</Box>
          <Box sx={{ mt: 0.5 }}>{climate.soil}</Box>
          {climate.rains && <Box sx={{ mt: 0.5 }}>{climate.rains}</Box>}
        </Box>
        <Box>
          <Typography variant="h2">Zone {climate.zone}</Typography>
          <Box sx={{ mb: 2 }}>{climate.zoneWords}</Box>
          <Typography variant="h2">Nights of frost</Typography>
          <Frosts frosts={climate.frosts} />
          <Box sx={{ maxWidth: 320, mt: 1 }} className="no-print">
            <SpeciesField
              species={kinds}
              label="With a plant's own limit"
              value={species}
              onChange={(to) => setParams(to ? { species: to } : {})}
            />
          </Box>
          <Typography variant="h2" sx={{ mt: 2.5 }}>
            Beds
          </Typography>
          {climate.beds.map((bed) => (
            <Box key={bed.bedId} sx={{ borderTop: "1px dotted var(--rule)", py: 0.4 }}>
              <b>{bed.name}</b>: {bed.words}
            </Box>
          ))}
        </Box>
      </Box>
      {typing && <OwnClimateDialog onClose={() => setTyping(false)} />}
    </>
  );
}

function Frosts({ frosts }: { frosts: Schemas["FrostView"][] }) {
  return (
    <Box
      component="table"
      sx={{
        borderCollapse: "collapse",
        fontSize: 15,
        "& td, & th": { pr: 2, py: 0.3, textAlign: "left", verticalAlign: "top" },
      }}
    >
      <thead>
        <tr>
          <th scope="col">At or below</th>
          <th scope="col">In years of 10</th>
          <th scope="col">The last after</th>
          <th scope="col">The first by</th>
        </tr>
      </thead>
      <tbody>
        {frosts.map((frost) =>
          frost.dates.map((dates, i) => (
            <tr
              key={`${frost.threshold} ${frost.for} ${dates.chance}`}
              style={{ borderTop: i ? "none" : "1px solid var(--rule)" }}
            >
              <td>
                {i === 0 && (
                  <>
                    <b>{frost.threshold}</b>
                    {frost.for && (
                      <Box sx={{ color: "text.secondary", fontSize: 14, maxWidth: 170 }}>{frost.for}</Box>
                    )}
                  </>
                )}
              </td>
              <td>{dates.chance}</td>
              <td>{dates.last}</td>
              <td>{dates.first}</td>
            </tr>
          )),
        )}
      </tbody>
    </Box>
  );
}
