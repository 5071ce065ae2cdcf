import type { ReactNode } from "react";

import { PagesHead } from "../../parts/PagesHead";

const pages = [
  ["/spread", "The map"],
  ["/spread/hold", "Hold it"],
  ["/spread/came-up", "What came up"],
  ["/spread/overtaken", "Overtaken?"],
  ["/spread/after", "After the crop"],
  ["/spread/balance", "Worth and harm"],
] as const;

/** Head is the top of every page of Spread. */
export function Head(props: { title: string; words?: ReactNode; children?: ReactNode }) {
  return <PagesHead {...props} pages={pages} label="The pages of Spread" />;
}
