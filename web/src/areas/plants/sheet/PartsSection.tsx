import { Box, Button } from "@mui/material";

import { ChoiceAt, FigureAt, ItemsAt, LinesAt, Row, TextAt, TicksAt } from "./fields";
import { useField, useFilling } from "./filling";
import { asText, asWords, read, type Path } from "./sheet";

/** PartsSection is each part with its verdict and, where it is taken, its harvest. */
export function PartsSection() {
  const { words } = useFilling();
  return (
    <ItemsAt
      path={["part"]}
      one="part"
      blank={{ name: "", verdict: [] }}
      title={(part) =>
        [asText(read(part, ["name"])), asWords(read(part, ["verdict"])).join(", ")].filter(Boolean).join(": ")
      }
    >
      {(path) => (
        <>
          <Row columns="1fr 1fr 2fr 1fr">
            <TextAt path={[...path, "name"]} label="Part" />
            <ChoiceAt path={[...path, "kind"]} label="Kind" words={words.kinds} />
            <TextAt path={[...path, "use"]} label="What for" />
            <ChoiceAt path={[...path, "use_standing"]} label="The use is" words={words.useStandings} />
          </Row>
          <TicksAt path={[...path, "verdict"]} label="Verdict" words={words.verdicts} />
          <HarvestAt path={[...path, "harvest"]} />
          <KeepAt path={[...path, "keep"]} />
        </>
      )}
    </ItemsAt>
  );
}

/** KeepAt is how a part is dried, frozen and made into something. */
function KeepAt({ path }: { path: Path }) {
  const { words } = useFilling();
  const { value, set } = useField(path);
  if (value === undefined) {
    return (
      <Button onClick={() => set({ done: "" })} sx={{ mb: 1 }}>
        Say how it is kept
      </Button>
    );
  }
  return (
    <Box sx={{ borderLeft: "3px solid var(--rule)", pl: 1.5, mb: 1 }}>
      <Row>
        <FigureAt
          path={[...path, "water"]}
          label="Water in it"
          unit="share"
          help="Empty: as usual for the kind"
        />
        <FigureAt path={[...path, "heat"]} label="Dried at no more than" unit="°C" />
      </Row>
      <Row columns="1fr 2fr 2fr">
        <ChoiceAt path={[...path, "dries"]} label="It dries as" words={words.dries} />
        <TextAt path={[...path, "done"]} label="Dry when" help="The test in the hand" />
        <FigureAt path={[...path, "months"]} label="Keeps" unit="months" />
      </Row>
      <TicksAt path={[...path, "makings"]} label="It suits" words={words.makings} />
      <Row>
        <LinesAt path={[...path, "handling"]} label="Handling" help="A line each: hairs strained out" />
        <TextAt path={[...path, "stored"]} label="Kept in" />
      </Row>
      <Button size="small" onClick={() => set(undefined)}>
        Nothing is on record
      </Button>
    </Box>
  );
}

function HarvestAt({ path }: { path: Path }) {
  const { words } = useFilling();
  const { value, set } = useField(path);
  if (value === undefined) {
    return (
      <Button onClick={() => set({ from: "", until: "", peak: "" })} sx={{ mb: 1 }}>
        It is harvested
      </Button>
    );
  }
  return (
    <Box sx={{ borderLeft: "3px solid var(--rule)", pl: 1.5, mb: 1 }}>
      <Row columns="1fr 1fr 1fr">
        <ChoiceAt path={[...path, "from"]} label="Taken from" words={words.stages} />
        <ChoiceAt path={[...path, "until"]} label="Until it is" words={words.stages} />
        <ChoiceAt path={[...path, "peak"]} label="Best" words={words.stages} />
      </Row>
      <Row>
        <FigureAt path={[...path, "per_plant"]} label="On a full-grown plant" />
        <FigureAt path={[...path, "grams_each"]} label="One weighs" unit="g" />
        <FigureAt
          path={[...path, "cut_share"]}
          label="Share that may be taken"
          unit="share"
          help="Empty: as usual for the kind"
        />
        <FigureAt
          path={[...path, "floor"]}
          label="Share left standing"
          unit="share"
          help="Empty: as usual for the kind"
        />
        <FigureAt
          path={[...path, "min_year"]}
          label="First taken in year"
          unit="year of life"
          help="Empty: as usual for the kind"
        />
        <FigureAt
          path={[...path, "last_year"]}
          label="Last taken in year"
          unit="year of life"
          help="Only where there is a last"
        />
        <TextAt path={[...path, "sign"]} label="The sign in the hand" lines={2} />
        <TextAt
          path={[...path, "regrowth"]}
          label="Grows back in warmth of"
          help="330 (220 to 460) °C d guess, or none"
        />
        <LinesAt path={[...path, "hazards"]} label="Hazards to the picker" help="A line each" />
      </Row>
      <TextAt path={[...path, "way"]} label="How it is taken" help="Empty: as usual for the kind" />
      <Button size="small" onClick={() => set(undefined)}>
        It is not harvested
      </Button>
    </Box>
  );
}
