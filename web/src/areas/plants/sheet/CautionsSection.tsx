import { Box, Button } from "@mui/material";

import type { Schemas } from "../../../api/client";
import { SelectField } from "../../../parts/SelectField";
import { ChoiceAt, ItemsAt, Row, TextAt, TicksAt } from "./fields";
import { useField, useFilling } from "./filling";
import { asList, asText, read, type Path } from "./sheet";

/** CautionsSection is whom to warn, by which route, of what. */
export function CautionsSection() {
  const { sheet, words } = useFilling();
  const parts = asList(sheet.part).map((part) => asText(read(part, ["name"])));
  return (
    <>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mb: 1 }}>
        When unsure, write the more careful caution. No doses, no promise that something is safe.
      </Box>
      <ItemsAt
        path={["caution"]}
        one="caution"
        blank={{ parts: [], who: "", route: "by mouth", text: "", standing: "usual" }}
        title={(caution) =>
          [asText(read(caution, ["who"])), asText(read(caution, ["route"])), asText(read(caution, ["text"]))]
            .filter(Boolean)
            .join(" · ")
        }
      >
        {(path) => (
          <>
            <WhoAt path={[...path, "who"]} />
            <Row columns="1fr 3fr">
              <ChoiceAt path={[...path, "route"]} label="Route" words={words.routes} />
              <TextAt path={[...path, "text"]} label="Caution" />
            </Row>
            <TicksAt
              path={[...path, "parts"]}
              label="Of the parts; none means all"
              words={parts.filter(Boolean)}
            />
            <TicksAt
              path={[...path, "preparations"]}
              label="Made into; none means anything"
              words={words.preparations}
            />
          </>
        )}
      </ItemsAt>
    </>
  );
}

function WhoAt({ path }: { path: Path }) {
  const { words } = useFilling();
  const { value, set, told } = useField(path);
  const chosen = circumstancesIn(asText(value), words.circumstances);
  const others = words.circumstances.filter((c) => !chosen.includes(c));
  const setTo = (ids: string[]) => set(ids.join(" or "));
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mb: 1.5 }}>
      {chosen.map((c) => (
        <Button
          key={c.id}
          size="small"
          variant="outlined"
          aria-label={`Not for ${c.ask}`}
          onClick={() =>
            set(
              chosen
                .filter((one) => one !== c)
                .map((one) => one.id)
                .join(" or "),
            )
          }
        >
          {c.ask} ×
        </Button>
      ))}
      <SelectField
        label={chosen.length > 0 ? "Or for" : "For"}
        value=""
        onChange={(id) => id && setTo([...chosen.map((c) => c.id), id])}
        options={[
          ["", chosen.length > 0 ? "nobody else" : "choose"],
          ...others.map((c) => [c.id, c.ask] as const),
        ]}
        width={230}
        {...told}
      />
    </Box>
  );
}

/** circumstancesIn reads "pregnant or nursing"; some hold an "or" themselves, so the longest is taken first. */
function circumstancesIn(who: string, all: readonly Schemas["CircumstanceView"][]) {
  let rest = ` or ${who.replace(/, /g, " or ")} or `;
  return all
    .toSorted((a, b) => b.id.length - a.id.length)
    .filter(({ id }) => {
      const before = rest;
      rest = rest.replace(` or ${id} or `, " or ");
      return rest !== before;
    });
}
