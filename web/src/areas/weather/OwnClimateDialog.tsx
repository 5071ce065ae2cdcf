import { Box, Button, DialogContent, DialogTitle, TextField } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { ChangedMeanwhile, readings } from "../../parts/ChangedMeanwhile";
import { Dialog } from "../../parts/Dialog";
import { DialogEnd, Fault } from "../../parts/DialogEnd";
import { SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";
import { useUndo } from "../../parts/Undo";

const columns = [
  ["low", "Nights"],
  ["high", "Days"],
  ["rain", "Rain"],
  ["wetDays", "Wet days"],
] as const;

/** OwnClimateDialog asks for monthly means of the grower's own: typed, or read from a table. */
export function OwnClimateDialog({ onClose }: { onClose: () => void }) {
  const own = useQuery({
    queryKey: ["own climate"],
    queryFn: () => answerOf(api.GET("/api/climate/own")),
    staleTime: 0,
  }).data;
  return own ? <Form own={own} onClose={onClose} /> : null;
}

function Form({ own, onClose }: { own: Schemas["OwnClimateView"]; onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, stale, settle, at } = useSend();
  const [typed, setTyped] = useState(own.typed);
  const [trouble, setTrouble] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const save = async (version = own.version) => {
    const entry = await send(() =>
      answerOf(api.PUT("/api/climate/own", { params: { header: shownVersion(version) }, body: typed })),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  const read = async (chosen: File | undefined) => {
    if (!chosen) return;
    setTrouble("");
    try {
      const { months } = await answerOf(
        api.POST("/api/climate/own/read", { body: { text: await chosen.text() } }),
      );
      setTyped((before) => ({ ...before, months }));
    } catch (reason) {
      setTrouble(reason instanceof Error ? reason.message : String(reason));
    }
  };
  const setMonth = (m: number, column: (typeof columns)[number][0], value: string) =>
    setTyped((before) => ({
      ...before,
      months: before.months.map((month, i) => (i === m ? { ...month, [column]: value } : month)),
    }));
  return (
    <Dialog onClose={onClose} maxWidth="md" fullWidth>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <DialogTitle>Your own climate</DialogTitle>
        <DialogContent>
          Means of many years by month, of a gauge near you: all forecasts follow them from then on. Readings
          stay as they are.
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 1.5, my: 1.5 }}>
            <TextField
              label="Name"
              value={typed.name}
              onChange={(e) => setTyped({ ...typed, name: e.target.value })}
              {...at("name", "The place and the years")}
            />
            <TextField
              label="Height it was measured at"
              value={typed.height ?? ""}
              onChange={(e) => setTyped({ ...typed, height: e.target.value })}
              {...at("height")}
            />
            <SelectField
              label="Swings from day to day like those of"
              value={typed.like}
              onChange={(like) => setTyped({ ...typed, like })}
              options={own.likes.map((like) => [like.id, like.name] as const)}
              {...at("like")}
            />
            <Box>
              <Button variant="outlined" onClick={() => file.current?.click()}>
                Read a table
              </Button>
              <input
                ref={file}
                type="file"
                accept=".csv,text/csv,text/plain"
                hidden
                aria-label="Table of months"
                onChange={(event) => void read(event.target.files?.[0])}
              />
              <Box sx={{ fontSize: 14, color: "text.secondary" }}>
                With commas: month, tmin, tmax, rain and wet_days, in °C and mm.
              </Box>
            </Box>
          </Box>
          <Fault words={trouble} />
          <Box sx={{ overflowX: "auto" }}>
            <Box
              component="table"
              sx={{ borderCollapse: "collapse", "& td, & th": { p: "2px 4px", textAlign: "left" } }}
            >
              <thead>
                <tr>
                  <th scope="col">Month</th>
                  {columns.map(([column, name]) => (
                    <th scope="col" key={column}>
                      {name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {typed.months.map((month, m) => (
                  <tr key={own.months[m]}>
                    <th scope="row" style={{ fontWeight: 400 }}>
                      {own.months[m]}
                    </th>
                    {columns.map(([column, name]) => (
                      <td key={column}>
                        <TextField
                          size="small"
                          value={month[column] ?? ""}
                          onChange={(e) => setMonth(m, column, e.target.value)}
                          slotProps={{ htmlInput: { "aria-label": `${name} in ${own.months[m] ?? ""}` } }}
                          sx={{ minWidth: 92 }}
                          {...at(`months.${m}.${column}`)}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </Box>
          </Box>
          <Fault words={stale ? "" : fault || (fields.months ?? "")} />
          <ChangedMeanwhile
            why={stale}
            rows={readings(
              { name: "Name", height: "Height" },
              { name: own.typed.name, height: own.typed.height ?? "" },
              { name: typed.name, height: typed.height ?? "" },
            )}
            sending={sending}
            onTheirs={() => {
              setTyped(own.typed);
              settle();
            }}
            onMine={() => void save(own.version)}
          />
        </DialogContent>
        <DialogEnd onClose={onClose} act="Follow these" disabled={sending} />
      </form>
    </Dialog>
  );
}
