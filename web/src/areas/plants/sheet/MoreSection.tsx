import { ChoiceAt, FigureAt, ItemsAt, LinesAt, Row, TextAt, TickAt } from "./fields";
import { useFilling } from "./filling";
import { asText, read, type Path } from "./sheet";

const titleOf = (of: string) => (item: unknown) =>
  [asText(read(item, [of])), asText(read(item, ["how"]))].filter(Boolean).join(": ");

/** MoreSection is how more is made of a plant, how it spreads and is held, and how it flowers. */
export function MoreSection() {
  const { words } = useFilling();
  return (
    <>
      <ItemsAt
        path={["propagate"]}
        one="way to make more"
        blank={{ way: "", how: "" }}
        title={titleOf("way")}
      >
        {(path) => <WayAt path={path} />}
      </ItemsAt>
      <ItemsAt path={["spread"]} one="way it spreads" blank={{ by: "", how: "" }} title={titleOf("by")}>
        {(path) => (
          <>
            <Row columns="1fr 3fr">
              <ChoiceAt path={[...path, "by"]} label="By" words={words.spreadsBy} />
              <TextAt path={[...path, "how"]} label="How" />
            </Row>
            <Row>
              <FigureAt path={[...path, "rate"]} label="Gets further a year" unit="m" />
              <FigureAt path={[...path, "reach"]} label="Seed falls within" unit="m" />
              <FigureAt path={[...path, "soil_years"]} label="Lives in the soil" unit="years" />
              <FigureAt path={[...path, "regrows"]} label="Pieces that grow again" unit="share" />
            </Row>
          </>
        )}
      </ItemsAt>
      <Row>
        <TextAt path={["hold", "rid"]} label="How it is got rid of" lines={2} />
        <TextAt path={["hold", "throw_away"]} label="How it is thrown away" lines={2} />
      </Row>
      <Row columns="2fr 1fr 1fr">
        <FigureAt path={["flowering", "first_year"]} label="First flower in year" unit="year of life" />
        <ChoiceAt path={["flowering", "again"]} label="Flowers again" words={words.again} />
        <ChoiceAt path={["flowering", "sex"]} label="Sexes" words={words.sexes} />
      </Row>
      <TickAt path={["flowering", "once"]} label="It dies once it has flowered" />
      <Row>
        <TextAt path={["range", "native"]} label="Native to" />
        <TextAt path={["range", "nuisance"]} label="A nuisance in" />
      </Row>
    </>
  );
}

function WayAt({ path }: { path: Path }) {
  const { words } = useFilling();
  return (
    <>
      <Row columns="1fr 3fr">
        <ChoiceAt path={[...path, "way"]} label="Way" words={words.ways} />
        <TextAt path={[...path, "how"]} label="When and how" />
      </Row>
      <Row columns="2fr 1fr 1fr">
        <TextAt path={[...path, "season"]} label="Months of the north" help="March to April" />
        <ChoiceAt path={[...path, "light"]} label="Seed wants" words={words.light} />
        <TextAt path={[...path, "treat"]} label="Before" help="soaked a night" />
      </Row>
      <Row>
        <FigureAt path={[...path, "depth"]} label="Sown deep" unit="mm" />
        <FigureAt path={[...path, "cold_weeks"]} label="Cold and moist first" unit="weeks" />
        <FigureAt path={[...path, "comes_up"]} label="Share that comes up" unit="share" />
        <FigureAt path={[...path, "takes"]} label="Share that roots" unit="share" />
        <FigureAt path={[...path, "spacing"]} label="Spacing" unit="cm" />
        <FigureAt path={[...path, "set_out_weeks"]} label="Set out after" unit="weeks" />
      </Row>
      <LinesAt path={[...path, "wrong"]} label="What goes wrong" help="A line each" />
    </>
  );
}
