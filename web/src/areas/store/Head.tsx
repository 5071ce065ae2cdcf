import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/store", "Shelves"],
  ["/store/drier", "Drier"],
  ["/store/make", "Make"],
  ["/store/runway", "How long it lasts"],
  ["/store/held", "Held back"],
] as const;

/** Head is the top of every page of the store. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The pages of the store" />;
}
