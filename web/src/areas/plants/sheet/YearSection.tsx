import { Box, Button, TextField } from "@mui/material";

import { SelectField } from "../../../parts/SelectField";
import { ChoiceAt, FigureAt, ItemsAt, NumberAt, Row, TextAt } from "./fields";
import { useField, useFilling } from "./filling";
import { asList, asText, joinCourse, read, splitCourse, type Path } from "./sheet";

/** YearSection is the usual day of each stage, by year of life, at one station. */
export function YearSection() {
  const { words } = useFilling();
  const at = useField(["growth", "at"], "The days are told for its mean year; they move with your own.");
  return (
    <>
      <Row>
        <SelectField
          label="Days at the station"
          value={asText(at.value)}
          onChange={at.set}
          options={[["", "choose"], ...words.stations.map((s) => [s.id, s.name] as const)]}
          {...at.told}
        />
        <FigureAt path={["growth", "base"]} label="Warmth counts from" unit="°C" help="Empty: as usual" />
      </Row>
      <ItemsAt
        path={["tender"]}
        one="frost that it does not bear unharmed"
        blank={{ below: "", does: "kills" }}
        title={(frost) => `A night that ${asText(read(frost, ["does"])) || "harms it"}`}
      >
        {(path) => (
          <Row>
            <FigureAt path={[...path, "below"]} label="At or below" unit="°C" />
            <ChoiceAt path={[...path, "does"]} label="What it does" words={words.frosts} />
          </Row>
        )}
      </ItemsAt>
      <ItemsAt
        path={["growth", "year"]}
        one="year of life"
        blank={{ from: 1, course: "" }}
        title={(year) => `From year ${asText(read(year, ["from"])) || "?"} of its life`}
      >
        {(path) => <CourseAt path={path} />}
      </ItemsAt>
    </>
  );
}

function CourseAt({ path }: { path: Path }) {
  const { words } = useFilling();
  const course = useField([...path, "course"]);
  const figures = useField([...path, "stage"]);
  const rows = splitCourse(asText(course.value));
  if (asList(figures.value).length > 0) {
    return (
      <Box sx={{ color: "text.secondary", mb: 1 }}>
        These stages stand as figures of warmth, {asList(figures.value).length} of them. They are changed in
        the file.
        <Button
          onClick={() => {
            figures.set(undefined);
          }}
        >
          Tell them in days instead
        </Button>
      </Box>
    );
  }
  const setRow = (i: number, stage: string, day: string) =>
    course.set(joinCourse(rows.map((row, at) => (at === i ? { stage, day } : row))));
  return (
    <>
      <Row columns="120px 160px 1fr">
        <NumberAt path={[...path, "from"]} label="From year" />
        <TextAt path={[...path, "sown"]} label="Sown about" help="15 Apr; empty: by itself" />
      </Row>
      {course.told.error && <Box sx={{ color: "var(--forbid)", mb: 1 }}>{course.told.helperText}</Box>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(290px, 1fr))",
          gap: 1,
          mb: 1,
        }}
      >
        {rows.map(({ stage, day }, i) => (
          <Box key={i} sx={{ display: "flex", gap: 0.7, alignItems: "center" }}>
            <SelectField
              label={`Stage ${i + 1}`}
              value={words.stages.includes(stage) ? stage : ""}
              onChange={(chosen) => setRow(i, chosen, day)}
              options={[["", "choose"], ...words.stages.map((s) => [s, s] as const)]}
            />
            <TextField
              label="about"
              value={day}
              onChange={(event) => setRow(i, stage, event.target.value)}
              placeholder="5 May"
              sx={{ width: 96, flex: "none" }}
              slotProps={{ htmlInput: { "aria-label": `Day of stage ${i + 1}` } }}
            />
            <Button
              size="small"
              aria-label={`Take off stage ${i + 1}`}
              onClick={() => course.set(joinCourse(rows.filter((_, at) => at !== i)))}
              sx={{ minWidth: 0 }}
            >
              off
            </Button>
          </Box>
        ))}
      </Box>
      <Button
        size="small"
        onClick={() => {
          const next =
            words.stages[(words.stages.indexOf(rows.at(-1)?.stage ?? "") + 1) % words.stages.length];
          course.set(joinCourse([...rows, { stage: next ?? "", day: "1 Jan" }]));
        }}
      >
        Add a stage
      </Button>
    </>
  );
}
