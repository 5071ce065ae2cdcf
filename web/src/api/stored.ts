import { isAtHome, wasPutOut } from "./device";
import { answered, shownFromDevice, unreached } from "./reach";

/** Answers of one build of this page: another may read them otherwise. */
const build = () => document.querySelector<HTMLScriptElement>("script[type=module]")?.src ?? "";
const beginning = "acre-answers ";
const placeName = () => beginning + build();

const givenHeader = "acre-given";
/** How long the plot may take before it counts as not to be reached, on a device of the house: weak signals hang rather than fail. */
const patienceMs = 20_000;
/** The same where there is an answer of before to show in its place, and for what the device keeps in its place. */
const shortPatienceMs = 6000;

/** What is never kept on a device: what changes by itself, is large, or is of one moment. */
const never = [
  "/api/files",
  "/api/copies",
  "/api/sharing",
  "/api/this-device",
  "/api/photographs",
  "/api/season-plan",
  "/api/find?",
  "/api/what-is-this",
];

const isKept = (request: Request, question: string) =>
  isAtHome() &&
  request.method === "GET" &&
  question.startsWith("/api/") &&
  !never.some((one) => question.startsWith(one));

const questionOf = (request: Request) => {
  const { pathname, search } = new URL(request.url);
  return pathname + search;
};

/** Questions that the plot itself has answered since the page was opened. */
const known = new Set<string>();
/** Answers that came while an older one was shown, for the next who asks. */
const arrived = new Map<string, Response>();

let opened: Promise<Cache> | undefined;
const place = () => (opened ??= caches.open(placeName()));

/** When what is shown from this device was overtaken by the plot's own answers. */
let onNews: () => void = () => undefined;
export const tellNews = (tell: () => void) => (onNews = tell);

let newsDue = 0;
let running = 0;

/** ask asks the plot, for as long as it may take. */
async function ask(request: Request, mostMs = patienceMs): Promise<Response> {
  let answer: Response;
  try {
    answer = await (isAtHome()
      ? fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(mostMs)]) })
      : fetch(request));
  } catch (reason) {
    if (!request.signal.aborted) unreached();
    throw reason;
  }
  if (answer.status === 401 && isAtHome()) {
    await forgetAnswers();
    wasPutOut();
  }
  return answer;
}

/** asked asks the plot and keeps what it says. */
async function asked(request: Request, question: string, mostMs?: number): Promise<Response> {
  const answer = await ask(request, mostMs);
  if (answer.ok) {
    const kept = answer.clone();
    const headers = new Headers(kept.headers);
    headers.set(givenHeader, String(Date.now()));
    // No room on the device is no reason to show nothing.
    void Promise.all([place(), kept.blob()])
      .then(([at, body]) => at.put(question, new Response(body, { headers })))
      .catch(() => undefined);
  }
  known.add(question);
  answered(question);
  return answer;
}

/** overtake asks the plot for what is shown from this device meanwhile. */
async function overtake(request: Request, question: string, tag: string | null) {
  running++;
  try {
    const answer = await asked(request, question, shortPatienceMs);
    if (tag === null || answer.headers.get("etag") !== tag) {
      arrived.set(question, answer);
      newsDue++;
    }
  } catch {
    // It stays as it was given, and says so.
  }
  running--;
  if (running === 0 && newsDue > 0) {
    newsDue = 0;
    onNews();
  }
}

/**
 * answerFetch answers a question from this device where it was answered before and the plot has not answered it since the
 * page was opened, or cannot be reached; the plot is asked beside it. What is shown so is told to `reach`.
 */
export async function answerFetch(request: Request): Promise<Response> {
  const question = questionOf(request);
  if (!isKept(request, question)) return notKept(request);
  // Who asks so wants the plot's own answer, or none.
  if (request.cache === "no-cache") return asked(request, question);
  const fresh = arrived.get(question);
  if (fresh) {
    arrived.delete(question);
    return fresh;
  }
  const before = async () => {
    const answer = await (await place()).match(question);
    if (answer) shownFromDevice(question, Number(answer.headers.get(givenHeader)));
    return answer;
  };
  if (!known.has(question)) {
    const answer = await before().catch(() => undefined);
    if (answer) {
      void overtake(request, question, answer.headers.get("etag"));
      return answer;
    }
  }
  try {
    return await asked(request, question);
  } catch (reason) {
    const answer = await before().catch(() => undefined);
    if (answer) return answer;
    throw reason;
  }
}

/** Changes that this device keeps where they cannot be sent. */
const keptInstead = /\/(observations|pickings|sortings|counts|looks)$/;
const keeps = (request: Request) => keptInstead.test(new URL(request.url).pathname);

/** notKept asks what is never shown from this device, or sends a change. That it was answered says that the plot is there. */
async function notKept(request: Request): Promise<Response> {
  const answer = await ask(request, keeps(request) ? shortPatienceMs : patienceMs);
  answered();
  return answer;
}

/** The picture of Now is kept beside the answers that it was made of, and goes with them: the worker opens a page with it. */
const picturePlace = "/acre-picture";

/** keepPicture keeps what Now looked like, as markup. */
export async function keepPicture(markup: string) {
  await (await place()).put(picturePlace, new Response(markup, { headers: { "Content-Type": "text/html" } }));
}

/** forgetAnswers throws away all that was answered: this device is let in no more. */
export async function forgetAnswers() {
  opened = undefined;
  for (const name of await caches.keys()) if (name.startsWith(beginning)) await caches.delete(name);
}

/** forgetOtherBuilds throws away what other builds of this page kept. */
export async function forgetOtherBuilds() {
  for (const name of await caches.keys())
    if (name.startsWith(beginning) && name !== placeName()) await caches.delete(name);
}
