import { Alert, Box, ButtonBase, Typography } from "@mui/material";
import { useState, type ReactNode } from "react";

import type { Schemas } from "../../../api/client";
import { CareSection } from "./CareSection";
import { CautionsSection } from "./CautionsSection";
import { FillingContext } from "./filling";
import { KnownSection } from "./KnownSection";
import { LookAlikesSection } from "./LookAlikesSection";
import { MoreSection } from "./MoreSection";
import { NamesSection } from "./NamesSection";
import { PartsSection } from "./PartsSection";
import { PlaceSection } from "./PlaceSection";
import { inWords, type Sheet, putIn } from "./sheet";
import { TroubleSection } from "./TroubleSection";
import { YearSection } from "./YearSection";

interface Section {
  title: string;
  /** The first words of the keys that stand in it. */
  keys: readonly string[];
  fields: ReactNode;
}

const sections: readonly Section[] = [
  { title: "Names and life", keys: [], fields: <NamesSection /> },
  { title: "Its year", keys: ["growth", "tender"], fields: <YearSection /> },
  {
    title: "More of it",
    keys: ["propagate", "spread", "hold", "flowering", "range"],
    fields: <MoreSection />,
  },
  { title: "Its place", keys: ["site", "household"], fields: <PlaceSection /> },
  { title: "Known by", keys: ["identity"], fields: <KnownSection /> },
  { title: "Parts", keys: ["part"], fields: <PartsSection /> },
  { title: "Care", keys: ["care"], fields: <CareSection /> },
  { title: "Trouble and poison", keys: ["trouble", "kind", "poison"], fields: <TroubleSection /> },
  { title: "Cautions", keys: ["caution"], fields: <CautionsSection /> },
  { title: "Look-alikes", keys: ["look_alike"], fields: <LookAlikesSection /> },
];

/** sectionOf is the section that a fault's key stands in; what is in no other is in the first. */
const sectionOf = (key: string) =>
  Math.max(
    0,
    sections.findIndex((section) => section.keys.includes(/^[a-z_]*/.exec(key)?.[0] ?? "")),
  );

interface Props {
  sheet: Sheet;
  words: Schemas["PlantWords"];
  /** What was wrong at the last try, by key. */
  faults: Record<string, string>;
  onChange: (sheet: Sheet) => void;
}

/** SheetForm fills a plant's sheet in, a section at a time. */
export function SheetForm({ sheet, words, faults, onChange }: Props) {
  const [at, setAt] = useState(0);
  const faultsOf = (section: number) => Object.entries(faults).filter(([key]) => sectionOf(key) === section);
  const wrong = faultsOf(at);
  const shown = sections[at];
  return (
    <FillingContext.Provider
      value={{ sheet, words, faults, put: (path, value) => onChange(putIn(sheet, path, value)) }}
    >
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "168px 1fr" }, gap: 3 }}>
        <Box
          component="nav"
          aria-label="Sections"
          sx={{ display: { xs: "flex", md: "block" }, flexWrap: "wrap" }}
        >
          {sections.map((section, i) => {
            const count = faultsOf(i).length;
            return (
              <ButtonBase
                key={section.title}
                aria-current={i === at ? "true" : undefined}
                onClick={() => setAt(i)}
                sx={{
                  display: "flex",
                  width: { md: "100%" },
                  justifyContent: "space-between",
                  fontFamily: "inherit",
                  fontSize: 16,
                  px: 1.2,
                  py: 0.8,
                  borderLeft: { md: `3px solid var(${i === at ? "--bramble" : "--rule"})` },
                  fontWeight: i === at ? 700 : 400,
                }}
              >
                {section.title}
                {count > 0 && (
                  <Box
                    component="span"
                    sx={{ color: "var(--forbid)", fontWeight: 700, pl: 1 }}
                    title="to mend"
                  >
                    {count}
                  </Box>
                )}
              </ButtonBase>
            );
          })}
        </Box>
        <Box component="section" aria-label={shown?.title} sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 1.5 }}>
            {shown?.title}
          </Typography>
          {wrong.length > 0 && (
            <Alert severity="error" sx={{ mb: 1.5 }}>
              {wrong.map(([key, what]) => (
                <div key={key}>
                  {key && <b>{inWords(key)}: </b>}
                  {what}
                </div>
              ))}
            </Alert>
          )}
          <Box key={at}>{shown?.fields}</Box>
        </Box>
      </Box>
    </FillingContext.Provider>
  );
}
