import type { QueryClient } from "@tanstack/react-query";

import { givenBefore } from "../api/reach";
import { keepPicture } from "../api/stored";
import { momentWords } from "./moment";

/** How long Now has to stand still before its picture is kept. */
const stillMs = 3000;

/** How much of the page a picture holds, in windows: what lies farther down is not seen before the page itself stands. */
const windows = 1.3;

/**
 * keepPictures keeps what Now looks like on this device, whenever it has changed: the next visit shows that at once, marked as
 * of when it was, and inert until the program is there. It returns how to end it.
 */
export function keepPictures(client: QueryClient) {
  let timer = 0;
  const soon = () => {
    clearTimeout(timer);
    timer = window.setTimeout(() => {
      const markup = picture();
      if (markup) void keepPicture(markup).catch(() => undefined);
    }, stillMs);
  };
  soon();
  const stop = client.getQueryCache().subscribe((event) => {
    if (event.type === "updated" && event.action.type === "success") soon();
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

/** picture is Now as markup with its styles; empty where another page is open, or what it shows is itself of before. */
function picture(): string {
  const { pathname, search } = window.location;
  const root = document.getElementById("root")?.firstElementChild;
  const isNow = pathname === "/" && search === "" && document.querySelector("main section");
  if (!root || !isNow || givenBefore() !== undefined || document.querySelector("[role=dialog], [role=menu]"))
    return "";
  const copy = root.cloneNode(true) as Element;
  const far = windows * window.innerHeight;
  const copies = [...copy.querySelectorAll("main *")];
  [...root.querySelectorAll("main *")].forEach((element, i) => {
    if (element.getBoundingClientRect().top + window.scrollY > far) copies[i]?.remove();
  });
  const note = document.createElement("div");
  note.textContent = `as of ${momentWords(Date.now(), true)}, until the plot answers`;
  note.setAttribute(
    "style",
    "padding:0 14px;font-size:14px;line-height:26px;background:var(--card);color:var(--softInk)",
  );
  copy.querySelector(".beside-the-cane")?.prepend(note);
  const shown = document.createElement("div");
  shown.setAttribute("style", document.documentElement.getAttribute("style") ?? "");
  shown.setAttribute("inert", "");
  shown.setAttribute("data-picture", "");
  shown.append(copy);
  return `<style>${styles()}</style>${shown.outerHTML}`;
}

/** styles are the rules that the components wrote into the page: they lie in no file. */
function styles(): string {
  const rules: string[] = [];
  for (const sheet of document.styleSheets)
    if (sheet.href === null) for (const rule of sheet.cssRules) rules.push(rule.cssText);
  return rules.join("").replaceAll("</", "<\\/");
}
