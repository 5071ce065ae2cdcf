import { ChoiceAt, ItemsAt, LinesAt, Row, TextAt } from "./fields";
import { useFilling } from "./filling";
import { asText, read } from "./sheet";

const titleOf = (item: unknown) => asText(read(item, ["name"]));

/** TroubleSection is what a plant gets, what it does to someone, and the kinds of it that matter. */
export function TroubleSection() {
  const { words } = useFilling();
  return (
    <>
      <ItemsAt path={["trouble"]} one="trouble" blank={{ name: "", sign: "", do: "" }} title={titleOf}>
        {(path) => (
          <>
            <Row columns="2fr 1fr 1fr">
              <TextAt path={[...path, "name"]} label="Trouble" />
              <ChoiceAt path={[...path, "kind"]} label="It is" words={words.troubleKinds} />
              <ChoiceAt path={[...path, "urgent"]} label="Urgent" words={words.urgent} />
            </Row>
            <Row columns="1fr 1fr 1fr">
              <TextAt path={[...path, "sign"]} label="What is seen" lines={2} />
              <TextAt path={[...path, "cause"]} label="What brings it" lines={2} />
              <TextAt path={[...path, "do"]} label="What to do" lines={2} />
            </Row>
          </>
        )}
      </ItemsAt>
      <ItemsAt path={["kind"]} one="kind of it" blank={{ name: "", rank: "", matters: "" }} title={titleOf}>
        {(path) => (
          <>
            <Row columns="1fr 1fr 1fr">
              <TextAt path={[...path, "name"]} label="Kind" />
              <TextAt path={[...path, "botanical"]} label="Botanical name of the kind" />
              <ChoiceAt path={[...path, "rank"]} label="Rank" words={words.ranks} />
            </Row>
            <TextAt path={[...path, "matters"]} label="Why it matters" />
          </>
        )}
      </ItemsAt>
      <Row>
        <TextAt path={["poison", "what"]} label="Poison it holds" help="Only of a dangerous plant" />
        <LinesAt path={["poison", "parts"]} label="Parts that hold most" help="A line each" />
        <TextAt path={["poison", "signs"]} label="First signs" lines={2} />
        <TextAt path={["poison", "soon"]} label="How soon they come" />
      </Row>
      <TextAt path={["poison", "first"]} label="What to do first" lines={2} />
    </>
  );
}
