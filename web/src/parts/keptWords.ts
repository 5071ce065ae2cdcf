import type { Kept } from "../api/outbox";

/** entriesWords says how many entries there are. */
export const entriesWords = (n: number) => `${n} ${n === 1 ? "entry" : "entries"}`;

/** keptSummary says what this device keeps: what is to be sent, and what was refused. */
export function keptSummary(kept: Kept[]): string {
  const refused = kept.filter((one) => one.refused).length;
  const waiting = kept.length - refused;
  const parts = [
    waiting > 0 && `${entriesWords(waiting)} to send`,
    refused > 0 && `${entriesWords(refused)} not taken in`,
  ];
  return parts.filter(Boolean).join(" · ") || "All that was noted here has been sent";
}
