import { MenuItem, TextField } from "@mui/material";
import { Controller, useFormContext } from "react-hook-form";

export type Options = readonly (readonly [value: string, words: string])[];

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  options: Options;
  error?: boolean;
  helperText?: string;
  width?: number;
}

/** SelectField chooses one of several words; the empty value has words, too. */
export function SelectField({ label, value, onChange, options, error, helperText, width }: Props) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={error}
      helperText={helperText}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      sx={width ? { width, flex: "none" } : undefined}
    >
      {options.map(([option, words]) => (
        <MenuItem key={option} value={option} dense={options.length > 14}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface FormProps extends Omit<Props, "value" | "onChange"> {
  name: string;
}

/** FormSelect is a SelectField of the form that it stands in. */
export function FormSelect({ name, ...rest }: FormProps) {
  const { control } = useFormContext();
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <SelectField value={String(field.value ?? "")} onChange={field.onChange} {...rest} />
      )}
    />
  );
}

/** same offers words that stand for themselves. */
export const same = (words: readonly string[]): Options => words.map((word) => [word, word] as const);
