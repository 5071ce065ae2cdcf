/** Days are ISO texts, as the server sends them; these functions only place and name them. */
const dayMs = 86_400_000;

const at = (day: string) => Date.parse(`${day}T00:00:00Z`);

export const daysBetween = (from: string, to: string) => Math.round((at(to) - at(from)) / dayMs);

export const addDays = (day: string, n: number) => new Date(at(day) + n * dayMs).toISOString().slice(0, 10);

// The names stand here: to make a browser's own formats costs a phone half a second before the first picture.
export const monthNames = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];
const weekdays = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];

const monthOf = (day: string) => monthNames[Number(day.slice(5, 7)) - 1] ?? "";
const dayOf = (day: string) => Number(day.slice(8, 10));

export const dayMonth = (day: string) => `${dayOf(day)} ${monthOf(day)}`;
/** Short for September is Sept, as it is read. */
export const shortDay = (day: string) =>
  `${dayOf(day)} ${monthOf(day) === "September" ? "Sept" : monthOf(day).slice(0, 3)}`;
export const weekday = (day: string) => weekdays[new Date(at(day)).getUTCDay()] ?? "";
export const fullDay = (day: string) => `${dayMonth(day)} ${day.slice(0, 4)}`;

/** monthsOf returns the first day and name of each month of a season that begins with a month. */
export function monthsOf(start: string, end: string): { first: string; name: string }[] {
  const months = [];
  for (let day = start; day <= end;) {
    months.push({ first: day, name: monthOf(day) });
    const d = new Date(at(day));
    day = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 1)).toISOString().slice(0, 10);
  }
  return months;
}

/** sameDayIn is the same day some years later; the last of February where that year has no 29th. */
export const sameDayIn = (day: string, years: number) => {
  const there = `${String(Number(day.slice(0, 4)) + years).padStart(4, "0")}${day.slice(4)}`;
  return new Date(at(there)).toISOString().slice(0, 10) === there ? there : `${there.slice(0, 8)}28`;
};
