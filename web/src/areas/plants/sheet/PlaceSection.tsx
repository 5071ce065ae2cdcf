import { ChoiceAt, FigureAt, Row, ScaleAt, TextAt, TicksAt } from "./fields";
import { useFilling } from "./filling";

/** PlaceSection is what the plant asks of a place, and how it goes with home and hens. */
export function PlaceSection() {
  const { words } = useFilling();
  return (
    <>
      <Row>
        <FigureAt
          path={["site", "sun"]}
          label="Sun in summer"
          unit="h"
          help="Good from–to (borne): 2 to 7 (0 to 12)"
        />
        <FigureAt path={["site", "ph"]} label="Acidity" unit="pH" help="6 to 7.5 (5 to 8.2)" />
      </Row>
      <Row>
        <ScaleAt path={["site", "moisture"]} label="Moisture" words={words.moisture} />
        <ScaleAt path={["site", "drainage"]} label="Drainage" words={words.drainage} />
        <ScaleAt path={["site", "texture"]} label="Soil" words={words.texture} />
        <ScaleAt path={["site", "fertility"]} label="Fertility" words={words.fertility} />
        <ScaleAt path={["site", "shelter"]} label="Shelter" words={words.shelter} />
      </Row>
      <Row columns="1fr 1fr 1fr">
        <FigureAt path={["site", "soil_depth"]} label="Soil depth" unit="cm" />
        <FigureAt path={["site", "cold"]} label="Cold it bears" unit="°C" />
        <FigureAt
          path={["site", "cold_wet"]}
          label="In wet ground"
          unit="°C"
          help="Only where that is less"
        />
        <TextAt path={["site", "cold_note"]} label="When it bears that cold" />
        <ChoiceAt path={["site", "roots"]} label="Roots" words={words.roots} />
        <FigureAt path={["site", "root_reach"]} label="Root reach" unit="cm" />
      </Row>
      <Row columns="1fr 2fr">
        <ChoiceAt path={["site", "spread"]} label="It" words={words.spreads} />
        <TextAt path={["site", "spread_note"]} label="How it spreads" />
        <ChoiceAt path={["household", "ease"]} label="To grow it is" words={words.eases} />
        <TextAt path={["household", "ease_why"]} label="Why" />
        <ChoiceAt path={["household", "hens"]} label="By hens it is" words={words.hens} />
        <TextAt path={["household", "hens_why"]} label="What hens do" />
      </Row>
      <Row>
        <TextAt path={["household", "children"]} label="Where small children are" />
        <TextAt path={["household", "allergy"]} label="What the allergic mind" />
      </Row>
      <TicksAt path={["site", "uses"]} label="Grown for" words={words.uses} />
    </>
  );
}
