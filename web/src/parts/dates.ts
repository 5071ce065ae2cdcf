/** Days are ISO texts, as the server sends them; these functions only place and name them. */
const dayMs = 86_400_000;

const at = (day: string) => Date.parse(`${day}T00:00:00Z`);

export const daysBetween = (from: string, to: string) => Math.round((at(to) - at(from)) / dayMs);

export const addDays = (day: string, n: number) => new Date(at(day) + n * dayMs).toISOString().slice(0, 10);

const named = (options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat("en-GB", { timeZone: "UTC", ...options });
const dayMonthFormat = named({ day: "numeric", month: "long" });
const shortFormat = named({ day: "numeric", month: "short" });
const weekdayFormat = named({ weekday: "short" });
const monthFormat = named({ month: "long" });
const fullFormat = named({ day: "numeric", month: "long", year: "numeric" });

export const dayMonth = (day: string) => dayMonthFormat.format(at(day));
export const shortDay = (day: string) => shortFormat.format(at(day));
export const weekday = (day: string) => weekdayFormat.format(at(day));
export const fullDay = (day: string) => fullFormat.format(at(day));

/** monthsOf returns the first day and name of each month of a season that begins with a month. */
export function monthsOf(start: string, end: string): { first: string; name: string }[] {
  const months = [];
  for (let day = start; day <= end;) {
    months.push({ first: day, name: monthFormat.format(at(day)) });
    const d = new Date(at(day));
    day = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 1)).toISOString().slice(0, 10);
  }
  return months;
}
