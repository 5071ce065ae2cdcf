import { PagesHead, type Page } from "../../parts/PagesHead";

const pages: readonly Page[] = [
  ["/settings", "The plot"],
  ["/settings/home", "At home"],
  ["/settings/kept", "On this device"],
  ["/settings/notices", "What it is made of"],
];

/** Head is the top of every page of the settings. */
export function Head({ title, words }: { title: string; words?: string }) {
  return <PagesHead title={title} words={words} pages={pages} label="Settings" />;
}
