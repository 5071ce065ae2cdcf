import { Alert, Box, Button, TextField } from "@mui/material";
import { useRef, useState } from "react";

import { Fault } from "../../parts/DialogEnd";
import { api, answerOf, type Schemas } from "../../api/client";
import { AskBack } from "../../parts/AskBack";
import { SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";
import { Listed, type Row } from "./Listed";

interface Props {
  beds: Schemas["BedView"][];
  site: Schemas["SiteView"];
}

const example = "3 lovage, 10 ramsons from a division in 2028, a hop at the fence";

/** ManyPlants takes plants as people write them down, or a table of them, shows how it was understood, and sets all. */
export function ManyPlants({ beds, site }: Props) {
  const { noted } = useUndo();
  const reading = useSend();
  const setting = useSend();
  const [text, setText] = useState("");
  const [bed, setBed] = useState(0);
  const [rows, setRows] = useState<Row[]>();
  const [refused, setRefused] = useState<string[]>([]);
  const file = useRef<HTMLInputElement>(null);
  const box = useRef<HTMLTextAreaElement>(null);
  const understand = async (written: string, form: "words" | "csv") => {
    const list = await reading.send(() =>
      answerOf(api.POST("/api/plantings/read", { body: { text: written, form, bedId: bed } })),
    );
    if (!list) return;
    setting.settle();
    setRows(list.plants.map((plant, i) => ({ ...plant, key: i })));
    setRefused(list.refused);
  };
  const setAll = async (affirmed: string[] = []) => {
    const plantings = (rows ?? []).map((row) => ({ ...row.planting, affirmed }));
    const entry = await setting.send(() =>
      answerOf(api.POST("/api/plantings/many", { body: { plantings } })),
    );
    if (!entry) return;
    noted(entry);
    setRows(undefined);
    setRefused([]);
    setText("");
    box.current?.focus();
  };
  const count = rows?.length ?? 0;
  return (
    <>
      <p>
        Write the plants down as you would on a slip of paper. Nothing is noted before you have seen how it
        was understood.
      </p>
      <TextField
        label="Plants"
        inputRef={box}
        multiline
        minRows={3}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder={example}
        {...reading.at("text", `For example: ${example}`)}
      />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1.5, alignItems: "flex-start" }}>
        {beds.length > 1 && (
          <SelectField
            label="In, where no bed is named"
            value={String(bed)}
            onChange={(value) => setBed(Number(value))}
            options={[["0", "ask for each"], ...beds.map((one) => [String(one.id), one.name] as const)]}
            width={230}
          />
        )}
        <Button
          variant={rows ? "outlined" : "contained"}
          disabled={reading.sending}
          onClick={() => void understand(text, "words")}
        >
          Read it
        </Button>
        <Button onClick={() => file.current?.click()}>From a table (CSV)</Button>
        <input
          ref={file}
          type="file"
          hidden
          accept=".csv,text/csv"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void chosen.text().then((table) => understand(table, "csv"));
            event.target.value = "";
          }}
        />
      </Box>
      <Fault words={reading.fault} />
      {refused.length > 0 && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          <b>Left out</b>
          {refused.map((line) => (
            <Box key={line}>{line}</Box>
          ))}
        </Alert>
      )}
      {rows && rows.length > 0 && (
        <>
          <Listed
            rows={rows}
            beds={beds}
            site={site}
            fieldsOf={(i) => (field) => setting.at(`plantings[${i}].${field}`)}
            onRows={setRows}
          />
          <AskBack
            asked={setting.asked}
            sending={setting.sending}
            yes="It is so: set them"
            onYes={(affirmed) => void setAll(affirmed)}
          />
          <Fault words={setting.fault} />
          <Button variant="contained" disabled={setting.sending} onClick={() => void setAll()} sx={{ mt: 2 }}>
            {count === 1 ? "Set it" : `Set all ${count}`}
          </Button>
        </>
      )}
    </>
  );
}
