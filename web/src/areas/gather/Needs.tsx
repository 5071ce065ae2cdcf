import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { api, shownVersion, answerOf, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { Jar } from "./plan/Covers";

type Need = Schemas["NeedView"];

/** Needs is what the household wants of each part in a year, and what it has taken. */
export function Needs({ needs }: { needs: Need[] }) {
  const [changing, setChanging] = useState<Need>();
  const said = needs.filter((need) => need.need);
  const unsaid = needs.filter((need) => !need.need);
  return (
    <Box component="section" aria-label="Needed this year">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Needed this year
      </Typography>
      <Box sx={{ color: "text.secondary", mb: 1 }}>An allowance never goes beyond what is still needed.</Box>
      {said.map((need) => (
        <Box
          key={`${need.speciesId}${need.part}`}
          sx={{
            display: "flex",
            gap: 1.5,
            alignItems: "center",
            borderBottom: "1px dotted var(--rule)",
            py: 0.3,
          }}
        >
          <Jar share={need.share} short={need.share < 1} lost={false} />
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <b>
              {need.name} {need.part}
            </b>
            {need.matters !== "as the rest" && (
              <span style={{ color: "var(--softInk)" }}> · matters {need.matters}</span>
            )}
            <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
              {need.typed}
              {need.typed !== need.need && `, ${need.need} fresh`}
              {need.plants && `, ${need.plants}`}. {need.taken} taken.
            </Box>
          </Box>
          <Button
            size="small"
            onClick={() => setChanging(need)}
            aria-label={`Change what is needed of ${need.name} ${need.part}`}
          >
            Change
          </Button>
        </Box>
      ))}
      {unsaid.length > 0 && (
        <Box component="h3" sx={{ fontSize: 15, mt: 2, mb: 0.5 }}>
          Nobody said how much
        </Box>
      )}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 4 }}>
        {unsaid.map((need) => (
          <Box
            key={`${need.speciesId}${need.part}`}
            sx={{ display: "flex", gap: 1, alignItems: "center", borderBottom: "1px dotted var(--rule)" }}
          >
            <Box sx={{ flex: 1 }}>
              {need.name} {need.part}
            </Box>
            <Button
              size="small"
              onClick={() => setChanging(need)}
              aria-label={`Set what is needed of ${need.name} ${need.part}`}
            >
              Set
            </Button>
          </Box>
        ))}
      </Box>
      {changing && (
        <NeedDialog
          need={needs.find((n) => n.speciesId === changing.speciesId && n.part === changing.part) ?? changing}
          onClose={() => setChanging(undefined)}
        />
      )}
    </Box>
  );
}

const matters = [
  ["little", "little"],
  ["as the rest", "as the rest"],
  ["much", "much"],
] as const;

function NeedDialog({ need, onClose }: { need: Need; onClose: () => void }) {
  return (
    <FormDialog
      title={`${need.name} ${need.part}`}
      act="Note it"
      version={need.version}
      values={{ amount: need.typed, matters: need.matters || "as the rest", measureWeighs: "" }}
      fields={[
        {
          name: "amount",
          label: "Needed in a year",
          help: "400 g, 1 lb, 60 g dried, 12 cups dried; empty for no limit",
          wide: true,
        },
        { name: "matters", label: "Matters against the others", kind: "choice", options: matters },
        { name: "measureWeighs", label: "One cup or jar of it weighs", help: "Only where it is asked: kept" },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/needs", {
            params: { header: shownVersion(version) },
            body: {
              speciesId: need.speciesId,
              part: need.part,
              amount: typed.amount ?? "",
              measureWeighs: typed.measureWeighs,
              matters: typed.matters as "much",
            },
          }),
        )
      }
    />
  );
}
