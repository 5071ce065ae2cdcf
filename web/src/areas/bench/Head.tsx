import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/bench", "The shelves"],
  ["/bench/wanted", "Wanted"],
  ["/bench/trays", "Trays"],
  ["/bench/seeds", "Seeds"],
  ["/bench/volunteers", "Volunteers"],
  ["/bench/mix", "Mix"],
  ["/bench/setting-out", "Setting out"],
  ["/bench/family", "Family"],
] as const;

/** Head is the top of every page of the bench. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The bench's pages" />;
}
