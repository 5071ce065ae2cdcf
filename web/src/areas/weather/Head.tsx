import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/weather", "Read and expected"],
  ["/weather/water", "Water in the ground"],
  ["/weather/climate", "The climate"],
] as const;

/** Head is the top of every page of the weather. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The weather's pages" />;
}
