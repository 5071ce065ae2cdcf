import type { Schemas } from "../../../api/client";
import { addDays, daysBetween } from "../../../parts/dates";

export type PlanView = Schemas["SeasonPlanView"];
export type Stand = Schemas["PlanStand"];
export type Pick = Schemas["PlanPick"];

/** The height of a stand's row, and of the head above all. */
export const rowHeight = 40;
export const headHeight = 40;
/** The least that a leaf takes under a finger. */
export const leastTarget = 24;

/** usable are the stands that something may be picked of, refused those that are needed and not for use. */
export const usable = (view: PlanView) => view.stands.filter((stand) => stand.refused === "");
export const refused = (view: PlanView) => view.stands.filter((stand) => stand.refused !== "");

/** Across places the days of a plan across a width. */
export interface Across {
  first: string;
  days: number;
  width: number;
}

export const acrossOf = (view: PlanView, width: number): Across => {
  // Days after the last that anything can be taken on are left out, as long as they are many.
  const lastGood = Math.max(0, ...view.stands.map((stand) => stand.good.findLastIndex((good) => good > 0)));
  const all = daysBetween(view.first, view.last) + 1;
  return { first: view.first, days: Math.min(all, lastGood + 8), width };
};

/** x is the middle of a day. */
export const x = (across: Across, day: string) =>
  ((daysBetween(across.first, day) + 0.5) / across.days) * across.width;

/** xAt is the left side of a day, by its number from the first. */
export const xAt = (across: Across, day: number) => (day / across.days) * across.width;

/** dayAt is the day that lies at a place across. */
export const dayAt = (across: Across, at: number) =>
  addDays(
    across.first,
    Math.max(0, Math.min(across.days - 1, Math.floor((at / across.width) * across.days))),
  );

export const keyOf = (stand: Stand, day = "") => `${stand.plantingId}/${stand.part}/${day}`;

/** leafSize is how tall a picking's leaf is drawn: by its weight against the greatest of its kind. */
export const leafSize = (pick: Pick, most: number) => 13 + 17 * Math.sqrt(pick.grams / Math.max(1, most));
