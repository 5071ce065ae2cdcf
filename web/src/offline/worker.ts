/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from "workbox-precaching";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (string | PrecacheEntry)[] };

/** How long the plot may take to send its page before the one on this device is opened. */
const patienceMs = 2500;

// The program's code lies on the device; its one page is asked for each time, so that an older one is never opened beside a
// plot that can be reached.
precacheAndRoute(self.__WB_MANIFEST, { cleanURLs: false, directoryIndex: "" });
cleanupOutdatedCaches();

const pages = "acre-page";
const page = "/index.html";

/** What Now looked like last stands in the page until the program draws it anew: a phone takes a while for that. */
async function withPicture(event: FetchEvent, answer: Response): Promise<Response> {
  const { pathname, search, origin } = new URL(event.request.url);
  if (pathname !== "/" || search !== "") return answer;
  const text = await answer.text();
  // Only a picture of the same build: another draws otherwise.
  const program = /<script type="module"[^>]* src="([^"]+)"/.exec(text)?.[1];
  const picture =
    program && (await (await caches.open(`acre-answers ${origin}${program}`)).match("/acre-picture"));
  const root = '<div id="root">';
  const markup = picture ? await picture.text() : "";
  return new Response(
    text.replace(root, () => root + markup),
    {
      status: answer.status,
      headers: answer.headers,
    },
  );
}

/** pageOf asks for the page, and opens the one that was kept where the plot cannot be reached. */
async function pageOf(event: FetchEvent): Promise<Response> {
  const kept = await caches.open(pages);
  try {
    const answer = await fetch(event.request, { signal: AbortSignal.timeout(patienceMs) });
    // A device that was put out is sent to the pairing page: that is never kept.
    if (answer.redirected) return Response.redirect(answer.url);
    if (!answer.ok) return answer;
    event.waitUntil(kept.put(page, answer.clone()));
    return await withPicture(event, answer);
  } catch (reason) {
    const before = await kept.match(page);
    if (before) return withPicture(event, before);
    throw reason;
  }
}

self.addEventListener("fetch", (event) => {
  const { pathname } = new URL(event.request.url);
  if (event.request.mode === "navigate" && !/^\/(pair|calendar|api)(\/|$)/.test(pathname))
    event.respondWith(pageOf(event));
});

self.addEventListener("install", (event) => {
  event.waitUntil(
    (async () => {
      const answer = await fetch("/", { credentials: "same-origin" });
      if (answer.ok && !answer.redirected) await (await caches.open(pages)).put(page, answer);
      await self.skipWaiting();
    })(),
  );
});

self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));
