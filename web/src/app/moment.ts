import { dayMonth } from "../parts/dates";

const two = (n: number) => String(n).padStart(2, "0");

/** momentWords says when something was given: the hour where it was today, else the day, too. */
export function momentWords(given: number, withDay = false): string {
  const at = new Date(given);
  const hour = `${two(at.getHours())}:${two(at.getMinutes())}`;
  if (!withDay && at.toDateString() === new Date().toDateString()) return hour;
  return `${dayMonth(`${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`)}, ${hour}`;
}
