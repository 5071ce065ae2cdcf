import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/spread", "The map"],
  ["/spread/hold", "Hold it"],
] as const;

/** Head is the top of every page of Spread. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The pages of Spread" />;
}
