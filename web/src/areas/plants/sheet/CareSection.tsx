import { ChoiceAt, FigureAt, ItemsAt, NumberAt, Row, TextAt, TickAt } from "./fields";
import { useFilling } from "./filling";
import { asText, read } from "./sheet";

/** CareSection is the jobs that the plant's stage calls for. */
export function CareSection() {
  const { words } = useFilling();
  return (
    <ItemsAt
      path={["care"]}
      one="job"
      blank={{ id: "", verb: "", what: "", min_year: 1 }}
      title={(job) => `${asText(read(job, ["verb"]))} ${asText(read(job, ["what"]))}`.trim()}
    >
      {(path) => (
        <>
          <Row columns="1fr 2fr 1fr">
            <TextAt path={[...path, "verb"]} label="Do" help="Trim, edge, behead" />
            <TextAt path={[...path, "what"]} label="What" />
            <TextAt path={[...path, "id"]} label="Short name" help="One word in small letters" />
          </Row>
          <Row columns="1fr 1fr 1fr 2fr">
            <ChoiceAt path={[...path, "from"]} label="From" words={words.stages} />
            <ChoiceAt path={[...path, "until"]} label="Until it is" words={words.stages} />
            <NumberAt path={[...path, "min_year"]} label="From year of life" />
            <FigureAt path={[...path, "minutes_each"]} label="For each plant" unit="min" />
          </Row>
          <Row columns="1fr 1fr 1fr">
            <NumberAt path={[...path, "max_year"]} label="To year of life" />
            <FigureAt path={[...path, "every"]} label="Again after" unit="years" />
            <ChoiceAt path={[...path, "work"]} label="Kind of work" words={words.works} />
          </Row>
          <Row columns="1fr 1fr 1fr">
            <FigureAt path={[...path, "until_height"]} label="Until so tall" unit="cm" />
            <FigureAt path={[...path, "until_width"]} label="Until so wide" unit="cm" />
            <FigureAt path={[...path, "by_night"]} label="Before nights of" unit="°C" />
          </Row>
          <TextAt path={[...path, "why"]} label="Why" />
          <TickAt path={[...path, "irreversible"]} label="Once missed it cannot be made good" />
        </>
      )}
    </ItemsAt>
  );
}
