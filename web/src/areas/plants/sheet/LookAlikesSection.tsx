import { Box } from "@mui/material";

import { useSpecies } from "../../../api/queries";
import { SpeciesField } from "../../../parts/SpeciesField";
import { ChoiceAt, ItemsAt, Row, TextAt } from "./fields";
import { useField, useFilling } from "./filling";
import { asText, read, type Path, tableOf } from "./sheet";
import { ShowsAt } from "./ShowsAt";

/** LookAlikesSection is what the plant is mistaken for, and what decides. */
export function LookAlikesSection() {
  const { words } = useFilling();
  return (
    <ItemsAt
      path={["look_alike"]}
      one="look-alike"
      blank={{ name: "", botanical: "", danger: "" }}
      title={(other) =>
        [asText(read(other, ["name"])), asText(read(other, ["danger"]))].filter(Boolean).join(", ")
      }
    >
      {(path) => <LookAlikeAt path={path} words={words.dangers} />}
    </ItemsAt>
  );
}

function LookAlikeAt({ path, words }: { path: Path; words: readonly string[] }) {
  const species = useSpecies().data ?? [];
  const { value, set } = useField(path);
  const id = asText(read(value, ["id"]));
  const danger = asText(read(value, ["danger"]));
  const choose = (chosen: string) => {
    const other = species.find((one) => one.id === chosen);
    const before = tableOf(value);
    set(
      other
        ? { ...before, id: other.id, name: other.name, botanical: other.botanical, shows: undefined }
        : { ...before, id: undefined },
    );
  };
  return (
    <>
      <Row columns="2fr 1fr 1.4fr 1fr">
        <SpeciesField species={species} label="A plant of the library" value={id} onChange={choose} />
        <TextAt path={[...path, "name"]} label="Name" />
        <TextAt path={[...path, "botanical"]} label="Botanical name" />
        <ChoiceAt path={[...path, "danger"]} label="It is" words={words} />
      </Row>
      <Row columns="3fr 1fr 1fr">
        <TextAt path={[...path, "decides"]} label="What decides, for both plants" lines={2} />
        <TextAt path={[...path, "when"]} label="Months of the north" help="May to September, or all year" />
        <TextAt path={[...path, "of"]} label="On what" help="leaf, root; empty: the plant" />
      </Row>
      {!id && (danger === "deadly" || danger === "poisonous") && (
        <>
          <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
            It has no page of its own, so say what it shows: four characters have to tell it apart.
          </Box>
          <ShowsAt path={[...path, "shows"]} />
        </>
      )}
    </>
  );
}
