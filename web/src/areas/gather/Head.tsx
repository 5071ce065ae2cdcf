import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/gather", "Windows and baskets"],
  ["/gather/plan", "Plan of the season"],
  ["/gather/needs", "Needs and means"],
  ["/gather/roots", "Roots"],
  ["/gather/worth", "Worth it?"],
] as const;

/** Head is the top of every page of Gather. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The pages of Gather" />;
}
