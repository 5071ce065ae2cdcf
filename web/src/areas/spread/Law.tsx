import { Box, Button } from "@mui/material";
import { useState } from "react";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { useSite } from "../../api/queries";
import { FormDialog } from "../../parts/FormDialog";

interface Props {
  law: Schemas["LawView"];
  speciesId: string;
  name: string;
  /** Where the reminder stands beside it already. */
  reminded?: boolean;
}

/** Law reminds of a list that a kind may stand on, and keeps what the grower found on their own. */
export function Law({ law, speciesId, name, reminded = false }: Props) {
  const [noting, setNoting] = useState(false);
  const today = useSite().data?.today ?? "";
  return (
    <Box sx={{ mt: 1, fontSize: 14.5 }}>
      <b>The law:</b> {reminded ? "" : law.reminder} {law.words} {law.note}
      <Button size="small" onClick={() => setNoting(true)}>
        {law.listed ? "Looked again" : "I looked it up"}
      </Button>
      {noting && (
        <FormDialog
          title={`${name} on your own list`}
          act="Note it"
          version={law.version}
          values={{ listed: law.listed || "no", day: today, note: law.note }}
          fields={[
            {
              name: "listed",
              label: "What you found",
              kind: "choice",
              options: [
                ["no", "it does not stand there"],
                ["yes", "it stands there"],
                ["unsure", "I could not tell"],
              ],
            },
            { name: "day", label: "Looked up on", kind: "day" },
            { name: "note", label: "Which list, and where", wide: true },
          ]}
          onClose={() => setNoting(false)}
          send={(typed, version) =>
            answerOf(
              api.PUT("/api/species/{id}/law", {
                params: { path: { id: speciesId }, header: shownVersion(version) },
                body: { listed: typed.listed as "no", day: typed.day ?? "", note: typed.note },
              }),
            )
          }
        />
      )}
    </Box>
  );
}
