import {
  Box,
  Checkbox,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  FormHelperText,
  TextField,
} from "@mui/material";
import { useState, type ReactNode } from "react";

import type { Schemas } from "../api/client";
import { useSpecies } from "../api/queries";
import { AskBack } from "./AskBack";
import { ChangedMeanwhile, readings, useOpened } from "./ChangedMeanwhile";
import { DayField } from "./DayField";
import { Dialog } from "./Dialog";
import { DialogEnd, Fault } from "./DialogEnd";
import { SelectField, type Options } from "./SelectField";
import { SpeciesField } from "./SpeciesField";
import { useSend } from "./useSend";
import { useUndo } from "./Undo";

export type Values = Record<string, string>;

/** A field of a form: what it is called, and how it is typed. */
export interface Field {
  name: string;
  label: string;
  kind?: "text" | "number" | "day" | "choice" | "plant" | "tick" | "long";
  /** What there is to choose from, which may follow from what was typed. */
  options?: Options | ((typed: Values) => Options);
  help?: string;
  /** Where it takes the whole width. */
  wide?: boolean;
  /** Tells from what was typed whether it is asked for at all. */
  when?: (typed: Values) => boolean;
}

interface Props {
  title: string;
  fields: Field[];
  /** What stands now; a form that changes something says of which version it is. */
  values: Values;
  version?: string;
  act: string;
  yes?: string;
  onClose: () => void;
  send: (typed: Values, version: string, affirmed: string[]) => Promise<Schemas["Entry"]>;
  onDone?: (entry: Schemas["Entry"]) => void;
  children?: ReactNode;
}

export const whole = (text: string | undefined) => Math.trunc(Number(text)) || 0;

/** FormDialog is a form of plain fields: what is wrong stands at the field, nothing typed is lost. */
export function FormDialog({
  title,
  fields,
  values,
  version = "",
  act,
  yes = "Yes, so it is",
  onClose,
  send: put,
  onDone,
  children,
}: Props) {
  const { noted } = useUndo();
  const { send, sending, fault, fields: wrong, asked, stale, settle, at } = useSend();
  const [opened, rebase] = useOpened({ values, version });
  const [typed, setTyped] = useState(opened.values);
  const save = async (affirmed: string[], of = opened.version) => {
    const entry = await send(() => put(typed, of, affirmed));
    if (!entry) return;
    noted(entry);
    onDone?.(entry);
    onClose();
  };
  // What is wrong with something that is no field of the form stands beneath it.
  const rest = Object.entries(wrong)
    .filter(([name]) => !fields.some((field) => field.name === name))
    .map(([, words]) => words)
    .join(" ");
  const set = (name: string) => (value: string) => setTyped((before) => ({ ...before, [name]: value }));
  return (
    <Dialog onClose={onClose} maxWidth="sm" fullWidth>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save([]);
        }}
      >
        <DialogTitle>{title}</DialogTitle>
        <DialogContent>
          {children}
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "1fr 1fr" },
              gap: 1.5,
              mt: 1,
            }}
          >
            {fields
              .filter((field) => field.when?.(typed) ?? true)
              .map((field) => (
                <Box key={field.name} sx={{ gridColumn: field.wide ? "1 / -1" : "auto", minWidth: 0 }}>
                  <One
                    field={field}
                    options={
                      typeof field.options === "function" ? field.options(typed) : (field.options ?? [])
                    }
                    value={typed[field.name] ?? ""}
                    onChange={set(field.name)}
                    at={at}
                  />
                </Box>
              ))}
          </Box>
          <Fault words={stale ? "" : fault || rest} />
          <AskBack asked={asked} sending={sending} yes={yes} onYes={(words) => void save(words)} />
          <ChangedMeanwhile
            why={stale}
            rows={readings(Object.fromEntries(fields.map((f) => [f.name, f.label])), values, typed)}
            sending={sending}
            onTheirs={() => {
              rebase();
              setTyped(values);
              settle();
            }}
            onMine={() => {
              rebase();
              void save([], version);
            }}
          />
        </DialogContent>
        <DialogEnd onClose={onClose} act={act} disabled={sending} />
      </form>
    </Dialog>
  );
}

interface OneProps {
  field: Field;
  options: Options;
  value: string;
  onChange: (value: string) => void;
  at: (field: string, help?: string) => { error: boolean; helperText?: string };
}

function One({ field, options, value, onChange, at }: OneProps) {
  const species = useSpecies().data ?? [];
  const told = at(field.name, field.help);
  switch (field.kind) {
    case "day":
      return <DayField label={field.label} value={value} onChange={onChange} {...told} />;
    case "choice":
      return (
        <SelectField label={field.label} value={value} onChange={onChange} options={options} {...told} />
      );
    case "plant":
      return (
        <SpeciesField species={species} label={field.label} value={value} onChange={onChange} {...told} />
      );
    case "tick":
      return (
        <>
          <FormControlLabel
            control={<Checkbox checked={value === "yes"} onChange={(_, on) => onChange(on ? "yes" : "")} />}
            label={field.label}
          />
          {told.helperText && <FormHelperText error={told.error}>{told.helperText}</FormHelperText>}
        </>
      );
    default:
      return (
        <TextField
          label={field.label}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          multiline={field.kind === "long"}
          minRows={field.kind === "long" ? 2 : undefined}
          slotProps={{ htmlInput: field.kind === "number" ? { inputMode: "numeric" } : {} }}
          {...told}
        />
      );
  }
}
