import { Box } from "@mui/material";

import { ChoiceAt, Row, TextAt } from "./fields";
import { useFilling } from "./filling";
import { ShowsAt } from "./ShowsAt";

/** KnownSection is what the plant is known by, and what it does to who takes it for another. */
export function KnownSection() {
  const { words } = useFilling();
  return (
    <>
      <Row columns="1fr 3fr">
        <ChoiceAt path={["identity", "danger"]} label="Taken by mistake it is" words={words.dangers} />
        <TextAt path={["identity", "kin"]} label="Where its name or genus misleads" />
      </Row>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
        Give a character only where every plant of the kind shows one of the states: an answer outside them
        excludes it. A must has to be seen before the plant is sure.
      </Box>
      <ShowsAt path={["identity", "shows"]} musts={["identity", "must"]} />
    </>
  );
}
