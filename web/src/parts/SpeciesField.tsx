import { Autocomplete, TextField } from "@mui/material";

import type { Schemas } from "../api/client";

interface Props {
  species: Schemas["SpeciesChoice"][];
  label: string;
  value: string;
  onChange: (id: string) => void;
  error?: boolean;
  helperText?: string;
}

const plain = (text: string) =>
  text
    .normalize("NFD")
    .replace(/\p{Mn}/gu, "")
    .toLowerCase();

/** SpeciesField finds a plant by any of its names, whatever the accents. */
export function SpeciesField({ species, label, value, onChange, error, helperText }: Props) {
  return (
    <Autocomplete
      options={species}
      getOptionLabel={(one) => `${one.name} (${one.botanical})`}
      value={species.find((one) => one.id === value) ?? null}
      onChange={(_, one) => onChange(one?.id ?? "")}
      filterOptions={(all, { inputValue }) => {
        const words = plain(inputValue)
          .split(/\s+/)
          .filter((w) => !w.startsWith("("));
        return all.filter((one) => words.every((word) => one.names.includes(word)));
      }}
      renderInput={(props) => <TextField {...props} label={label} error={error} helperText={helperText} />}
    />
  );
}
