import { LocalizationProvider } from "@mui/x-date-pickers/LocalizationProvider";
import { AdapterDayjs } from "@mui/x-date-pickers/AdapterDayjs";
import { DesktopDatePicker } from "@mui/x-date-pickers/DesktopDatePicker";
import dayjs, { type Dayjs } from "dayjs";
import "dayjs/locale/en-gb"; // weeks begin on Monday
import { useState } from "react";

/** A day that is typed half: the server says of it, at the field, how a day is typed. */
const unfinished = "half a day";

const dayOf = (text: string) => (text === "" ? null : dayjs(text));
const textOf = (day: Dayjs | null) =>
  day === null ? "" : day.isValid() ? day.format("YYYY-MM-DD") : unfinished;

interface Props {
  label: string;
  /** An ISO day, or empty. */
  value: string;
  onChange: (day: string) => void;
  /** The last day that can be chosen. */
  last?: string;
  error?: boolean;
  helperText?: string;
}

/** DayField is a day as a grower reads it, typed part by part or picked from a month, by hand or keyboard. */
export function DayField({ label, value, onChange, last, error, helperText }: Props) {
  const [shown, setShown] = useState(() => dayOf(value));
  if (textOf(shown) !== value) setShown(dayOf(value)); // changed from outside
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DesktopDatePicker
        label={label}
        value={shown}
        onChange={(chosen) => {
          setShown(chosen);
          onChange(textOf(chosen));
        }}
        format="D MMMM YYYY"
        maxDate={last ? dayjs(last) : undefined}
        slotProps={{
          textField: { error, helperText },
          openPickerButton: { "aria-label": `Choose the day from a month: ${label}` },
        }}
      />
    </LocalizationProvider>
  );
}
