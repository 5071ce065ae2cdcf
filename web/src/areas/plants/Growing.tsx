import { Box, Typography } from "@mui/material";

import type { Schemas } from "../../api/client";

/** row is one line of a list of the page. */
export const row = { fontSize: 15, py: 0.4, borderBottom: "1px dotted var(--rule)" } as const;

/** PlantFacts are things to know, each with its name and what it rests on. */
export function PlantFacts({ facts }: { facts: readonly Schemas["PlantFact"][] }) {
  return facts.map((fact) => (
    <Box key={fact.name} sx={{ display: "flex", gap: 1, ...row }}>
      <Box sx={{ width: 92, flex: "none", color: "text.secondary" }}>{fact.name}</Box>
      <Box sx={{ flex: 1 }}>
        {fact.words} {fact.standing === "guess" && <span style={{ color: "var(--softInk)" }}>(guess)</span>}
      </Box>
    </Box>
  ));
}

/** Poison says what a dangerous plant does and what to do first. */
export function Poison({ poison }: { poison: Schemas["PlantPoison"] }) {
  return (
    <Box
      component="section"
      aria-label="If it was swallowed or touched"
      sx={{ border: "2px solid var(--forbid)", px: 1.5, py: 1, my: 1, fontSize: 16 }}
    >
      <Box>
        <b>Do first.</b> {poison.first}
      </Box>
      <Box>
        <b>First signs.</b> {poison.signs} <b>How soon.</b> {poison.soon}
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 15 }}>
        {poison.what} {poison.parts.length > 0 && `Most of it in ${poison.parts.join(", ")}.`} In general
        terms only: the poison centre knows what to do.
      </Box>
    </Box>
  );
}

/** Growing is how to make more of a plant, how it spreads, what it gets, and its kinds. */
export function Growing({ plant: p }: { plant: Schemas["PlantView"] }) {
  return (
    <>
      <Head>More of it</Head>
      {p.propagation.length === 0 && <Box sx={row}>It is not made more of.</Box>}
      {p.propagation.map((way) => (
        <Way key={way.way + way.how} way={way} />
      ))}
      <Head>How it spreads, and is held</Head>
      {p.spread.length === 0 && <Box sx={row}>Not on record.</Box>}
      {p.spread.map((way) => (
        <Way key={way.way + way.how} way={way} />
      ))}
      {p.rid && (
        <Box sx={row}>
          <b>to be rid of it</b>: {p.rid}
        </Box>
      )}
      {p.throwAway && (
        <Box sx={row}>
          <b>thrown away</b>: {p.throwAway}
        </Box>
      )}
      <Head>What it gets</Head>
      {p.troubles.length === 0 && <Box sx={row}>Not on record.</Box>}
      {p.troubles.map((trouble) => (
        <Box key={trouble.name} sx={row}>
          <b>{trouble.name}</b> ({trouble.kind}, {trouble.urgent}): {trouble.sign} {trouble.cause}{" "}
          {trouble.do}
        </Box>
      ))}
      {p.kinds.length > 0 && <Head>Its kinds and kin</Head>}
      {p.kinds.map((kind) => (
        <Box key={kind.name} sx={row}>
          <b>{kind.name}</b> <i>{kind.botanical}</i>, {kind.rank}. {kind.matters}
        </Box>
      ))}
      <Head>Where it comes from</Head>
      <Box sx={row}>
        {p.native ? `Native: ${p.native}.` : "Its native range is not on record."}{" "}
        {p.nuisance && `A nuisance in ${p.nuisance}.`}
      </Box>
    </>
  );
}

function Head({ children }: { children: string }) {
  return (
    <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
      {children}
    </Typography>
  );
}

/** Way is one way to make more of it, or in which it spreads, with what is on record. */
function Way({ way }: { way: Schemas["PlantWay"] }) {
  return (
    <Box sx={row}>
      <b>{way.way}</b>
      {!way.advised && <span style={{ color: "var(--forbid)" }}> (not advised)</span>}: {way.how}
      {way.facts.length > 0 && (
        <Box sx={{ color: "text.secondary" }}>
          {way.facts
            .map((fact) => `${fact.name} ${fact.words}${fact.standing === "guess" ? " (guess)" : ""}`)
            .join(" · ")}
        </Box>
      )}
      {way.wrong.map((words) => (
        <Box key={words} sx={{ color: "var(--clay)" }}>
          {words}
        </Box>
      ))}
    </Box>
  );
}
