import { ChoiceAt, FigureAt, LinesAt, Row, TextAt, TickAt, TicksAt } from "./fields";
import { useFilling } from "./filling";

/** NamesSection is what the plant is called, how it lives and how more is made of it. */
export function NamesSection() {
  const { words } = useFilling();
  return (
    <>
      <Row columns="1fr 1fr 1fr">
        <TextAt path={["names", "name"]} label="Name" />
        <TextAt path={["names", "botanical"]} label="Botanical name" />
        <TextAt path={["names", "family"]} label="Family" />
      </Row>
      <Row>
        <LinesAt
          path={["names", "common"]}
          label="Other names"
          help="A line each, with the language: Eibisch (German)"
        />
        <LinesAt path={["names", "former"]} label="Former botanical names" help="A line each" />
      </Row>
      <Row columns="1fr 1fr 1.6fr auto">
        <ChoiceAt path={["life", "form"]} label="Lives" words={words.forms} />
        <ChoiceAt path={["life", "habit"]} label="Grows as" words={words.habits} />
        <FigureAt path={["life", "full_age"]} label="Full-grown in year" unit="year of life" />
        <TickAt path={["life", "keeps_leaf"]} label="Keeps its leaf" />
      </Row>
      <Row>
        <FigureAt path={["size", "height"]} label="Height" unit="cm" />
        <FigureAt path={["size", "width"]} label="Width" unit="cm" />
      </Row>
      <TextAt path={["wildlife"]} label="Worth to insects, birds and others" lines={2} />
      <Row columns="1fr 1fr 1fr">
        <TextAt path={["watch"]} label="Why it needs watching" help="Empty where it does not" />
        <TextAt path={["law"]} label="Lists it may stand on" help="Defer to the local list" />
        <TextAt path={["id"]} label="Short name" help="Small letters and hyphens; empty: from its name" />
      </Row>
      <TicksAt path={["organ_risk"]} label="It is known to be able to harm" words={words.organs} />
    </>
  );
}
