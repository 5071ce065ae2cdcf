import { Autocomplete, Box, Button, ButtonBase, Checkbox, FormControlLabel, TextField } from "@mui/material";
import { useState, type ReactNode } from "react";

import { same, SelectField } from "../../../parts/SelectField";
import { useField } from "./filling";
import {
  asList,
  asText,
  asWords,
  joinFigure,
  joinScale,
  splitFigure,
  splitScale,
  type Borne,
  type Path,
} from "./sheet";

interface Props {
  path: Path;
  label: string;
  help?: string;
}

/** Row sets fields side by side, as wide as they need. */
export function Row({ columns = "1fr 1fr", children }: { columns?: string; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.5,
        mb: 1.5,
        gridTemplateColumns: { xs: "1fr", md: columns },
        alignItems: "start",
      }}
    >
      {children}
    </Box>
  );
}

/** TextAt is a line of words. */
export function TextAt({ path, label, help, lines }: Props & { lines?: number }) {
  const { value, set, told } = useField(path, help);
  return (
    <TextField
      label={label}
      value={asText(value)}
      onChange={(event) => set(event.target.value)}
      multiline={lines !== undefined}
      minRows={lines}
      {...told}
    />
  );
}

/** NumberAt is a whole number. */
export function NumberAt({ path, label, help }: Props) {
  const { value, set, told } = useField(path, help);
  return (
    <TextField
      label={label}
      type="number"
      value={asText(value)}
      onChange={(event) => set(event.target.value === "" ? undefined : Number(event.target.value))}
      {...told}
    />
  );
}

/** LinesAt is a list of words, a line each. */
export function LinesAt({ path, label, help }: Props) {
  const { value, set, told } = useField(path, help);
  return (
    <TextField
      label={label}
      multiline
      minRows={2}
      value={asWords(value).join("\n")}
      onChange={(event) => set(event.target.value === "" ? [] : event.target.value.split("\n"))}
      {...told}
    />
  );
}

/** ChoiceAt chooses one of a set of words. */
export function ChoiceAt({ path, label, help, words }: Props & { words: readonly string[] }) {
  const { value, set, told } = useField(path, help);
  return (
    <SelectField
      label={label}
      value={asText(value)}
      onChange={set}
      options={[["", "choose"], ...same(words)]}
      {...told}
    />
  );
}

/** TickAt is a yes or no. */
export function TickAt({ path, label }: Props) {
  const { value, set } = useField(path);
  return (
    <FormControlLabel
      control={<Checkbox checked={value === true} onChange={(_, ticked) => set(ticked)} />}
      label={label}
    />
  );
}

/** TicksAt chooses any of a set of words. */
export function TicksAt({ path, label, words }: Props & { words: readonly string[] }) {
  const { value, set, told } = useField(path);
  const ticked = asWords(value);
  return (
    <Box role="group" aria-label={label} sx={{ mb: 1.5 }}>
      <Box sx={{ fontSize: 13.5, color: told.error ? "var(--forbid)" : "text.secondary" }}>
        {label} {told.helperText}
      </Box>
      <Box sx={{ display: "flex", gap: 0.7, flexWrap: "wrap" }}>
        {words.map((word) => (
          <Toggle
            key={word}
            label={word}
            on={ticked.includes(word)}
            onToggle={() =>
              set(ticked.includes(word) ? ticked.filter((one) => one !== word) : [...ticked, word])
            }
          />
        ))}
      </Box>
    </Box>
  );
}

interface ToggleProps {
  label: string;
  on: boolean;
  onToggle: () => void;
  half?: boolean;
  spoken?: string;
}

/** Toggle is a word that is chosen or not, by its ground and border. */
export function Toggle({ label, on, onToggle, half, spoken }: ToggleProps) {
  return (
    <ButtonBase
      aria-pressed={on}
      aria-label={spoken}
      onClick={onToggle}
      sx={{
        minHeight: { xs: 44, md: 34 },
        px: 1.1,
        fontFamily: "inherit",
        fontSize: 14.5,
        borderRadius: "3px",
        border: `${half ? "1px dashed" : "1px solid"} var(${on || half ? "--bramble" : "--rule"})`,
        background: on ? "var(--brambleWash)" : "var(--card)",
        "&.Mui-focusVisible": { outline: "3px solid var(--focus)", outlineOffset: 1 },
      }}
    >
      {label}
    </ButtonBase>
  );
}

const standings = ["guess", "usual", "measured"];
/** Units that a label says itself. */
const unspoken = ["share", "year of life"];

interface FigureProps extends Props {
  /** The unit of the figure; where it is left open the grower writes it. */
  unit?: string;
}

/** FigureAt is a figure with its range, its unit and what it rests on. Left empty, what is usual holds. */
export function FigureAt({ path, label, unit, help }: FigureProps) {
  const { value, set, told } = useField(path, help);
  const line = asText(value);
  const [typed, setTyped] = useState({ line, ...splitFigure(line) });
  // A figure put from elsewhere, as when an item before it is taken off, is shown anew.
  if (typed.line !== line) setTyped({ line, ...splitFigure(line) });
  const change = (piece: Partial<typeof typed>) => {
    const next = { ...typed, ...piece };
    if (unit !== undefined) next.unit = unit;
    if (next.rests === "") next.rests = "guess";
    next.line = joinFigure(next);
    setTyped(next);
    set(next.line);
  };
  return (
    <Box sx={{ display: "flex", gap: 0.7 }}>
      <TextField
        label={unit && !unspoken.includes(unit) ? `${label}, ${unit}` : label}
        placeholder="110 (80 to 150)"
        value={typed.number}
        onChange={(event) => change({ number: event.target.value })}
        {...told}
      />
      {unit === undefined && (
        <TextField
          label="counted in"
          value={typed.unit}
          onChange={(event) => change({ unit: event.target.value })}
          sx={{ width: 130, flex: "none" }}
        />
      )}
      <RestsOn value={typed.rests} label={label} onChange={(rests) => change({ rests })} />
    </Box>
  );
}

function RestsOn(props: { value: string; label: string; onChange: (rests: string) => void }) {
  return (
    <Autocomplete
      freeSolo
      disableClearable
      options={standings}
      filterOptions={(all) => all}
      inputValue={props.value}
      onInputChange={(_, typed, why) => {
        if (why !== "reset" || standings.includes(typed)) props.onChange(typed);
      }}
      sx={{ width: 132, flex: "none" }}
      renderInput={(input) => (
        <TextField
          {...input}
          label="rests on"
          slotProps={{
            ...input.slotProps,
            htmlInput: { ...input.slotProps.htmlInput, "aria-label": `${props.label} rests on` },
          }}
        />
      )}
    />
  );
}

const nextMark: Record<Borne, Borne> = { no: "good", good: "borne", borne: "no" };
const markWords: Record<Borne, string> = { no: "not", good: "good", borne: "borne" };

/** ScaleAt marks on a scale of words what is good and what is borne. */
export function ScaleAt({ path, label, words }: Props & { words: readonly string[] }) {
  const { value, set, told } = useField(path);
  const { marks, rests } = splitScale(asText(value), words);
  return (
    <Box role="group" aria-label={label} sx={{ mb: 1 }}>
      <Box sx={{ fontSize: 13.5, color: told.error ? "var(--forbid)" : "text.secondary" }}>
        {label} {told.helperText}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5, flexWrap: "wrap" }}>
        {words.map((word, i) => {
          const mark = marks[i] ?? "no";
          return (
            <Toggle
              key={word}
              label={mark === "borne" ? `(${word})` : word}
              spoken={`${label} ${word}: ${markWords[mark]}`}
              on={mark === "good"}
              half={mark === "borne"}
              onToggle={() =>
                set(
                  joinScale(
                    marks.map((m, at) => (at === i ? nextMark[m] : m)),
                    words,
                    rests,
                  ),
                )
              }
            />
          );
        })}
      </Box>
    </Box>
  );
}

interface ItemsProps {
  path: Path;
  /** What one is called: "part". */
  one: string;
  /** What a new one begins with. */
  blank: unknown;
  title: (item: unknown, i: number) => string;
  children: (path: Path, i: number) => ReactNode;
}

/** ItemsAt is a list of tables, one open at a time. */
export function ItemsAt({ path, one, blank, title, children }: ItemsProps) {
  const { value, set } = useField(path);
  const items = asList(value);
  const [open, setOpen] = useState(items.length === 1 ? 0 : -1);
  return (
    <>
      {items.map((item, i) => (
        <Box key={i} sx={{ borderBottom: "1px solid var(--rule)", py: 0.8 }}>
          <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <ButtonBase
              aria-expanded={open === i}
              onClick={() => setOpen(open === i ? -1 : i)}
              sx={{
                flex: 1,
                justifyContent: "flex-start",
                textAlign: "left",
                fontFamily: "inherit",
                fontSize: 16,
                fontWeight: 700,
                py: 0.4,
              }}
            >
              {title(item, i) || `New ${one}`}
            </ButtonBase>
            <Button
              size="small"
              aria-label={`Take off ${one} ${i + 1}`}
              onClick={() => {
                set(items.filter((_, at) => at !== i));
                setOpen(-1);
              }}
            >
              Take off
            </Button>
          </Box>
          {open === i && <Box sx={{ pt: 1 }}>{children([...path, i], i)}</Box>}
        </Box>
      ))}
      <Button
        sx={{ mt: 1 }}
        onClick={() => {
          set([...items, blank]);
          setOpen(items.length);
        }}
      >
        Add a {one}
      </Button>
    </>
  );
}
