import type { Page } from "./PagesHead";

/** The pages of what there is to do. */
export const pages: readonly Page[] = [
  ["/", "Now"],
  ["/week", "The week"],
  ["/year", "The year behind"],
];
