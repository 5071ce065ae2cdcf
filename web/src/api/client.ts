import createClient from "openapi-fetch";

import { thisDevice } from "./device";
import type { components, paths } from "./schema";
import { answerFetch } from "./stored";

export type Schemas = components["schemas"];
export type Problem = Schemas["ErrorModel"];

export const api = createClient<paths>({ baseUrl: "", fetch: answerFetch });

let plot = "";

/** The plot that this page shows, once it is known: nothing is asked of another. */
export const plotShown = () => plot;

/** showPlot notes which plot this page shows. */
export function showPlot(id: string) {
  plot ||= id;
}

let key = "";

/**
 * underKey begins a change whose request carries a key: sent again after a lost answer, it counts once. The request has
 * to be begun at once, not after waiting for something else.
 */
export function underKey<T>(sent: string, change: () => Promise<T>): Promise<T> {
  key = sent;
  try {
    return change();
  } finally {
    key = "";
  }
}

api.use({
  onRequest({ request }) {
    if (plot) request.headers.set("Acre-Plot", plot);
    const device = thisDevice();
    if (device) request.headers.set("Acre-Device", device);
    if (key && request.method !== "GET") request.headers.set("Idempotency-Key", key);
    return request;
  },
});

/** newKey makes a key by which what is sent twice counts once. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}

/** seen is what a change says of what the page showed: what was changed meanwhile is not written over. */
export const shownVersion = (version: string) => ({ "If-Match": `"${version}"` });

/** What the server's form check says, in a grower's words. */
const plainly: Record<string, string> = {
  "expected number": "Write a number.",
  "expected string": "Write something here.",
};

/** A question that the plot asks back before it notes something unlikely or unwise. */
export interface Asked {
  code: string;
  words: string;
}

/** What the server marks a question with, before its code. */
const asks = "asks: ";

/** The questions that a field of the form answers; the others are answered with a yes. */
const answeredAtTheField = new Set(["took anyway", "weigh"]);

/** Where the server says that it serves another plot than the page shows. */
const otherPlotAt = "header.Acre-Plot";

/** Refusal is an answer of the server that something cannot be, with what is wrong at which field. */
export class Refusal extends Error {
  readonly status: number;
  readonly fields: Record<string, string>;
  /** What was asked back: sent again with these words among what is affirmed, it is noted. */
  readonly asked: Asked[];
  /** What was sent was made from something that was changed meanwhile. */
  readonly stale: boolean;
  /** Another plot is served here now than this page shows. */
  readonly otherPlot: boolean;

  constructor(problem: Problem) {
    const fields: Record<string, string> = {};
    const general: string[] = [];
    const asked: Asked[] = [];
    for (const fault of problem.errors ?? []) {
      if (fault.location === otherPlotAt) continue; // no field of a form mends it
      if (typeof fault.value === "string" && fault.value.startsWith(asks)) {
        const code = fault.value.slice(asks.length);
        asked.push({ code, words: fault.message ?? "" });
        if (!answeredAtTheField.has(code)) continue;
      }
      const field = (fault.location ?? "").replace(/^(body|query|path|header)\.?/, "");
      if (field) fields[field] = plainly[fault.message ?? ""] ?? fault.message ?? "";
      else if (fault.message) general.push(fault.message);
    }
    super(
      general[0] ??
        (Object.keys(fields).length > 0 ? Object.values(fields)[0] : undefined) ??
        asked[0]?.words ??
        problem.detail ??
        "",
    );
    this.status = problem.status ?? 0;
    this.fields = fields;
    this.asked = asked;
    this.stale = problem.status === 412;
    this.otherPlot = (problem.errors ?? []).some((fault) => fault.location === otherPlotAt);
  }
}

/** Unreachable is the server not being there: the note is kept and sent later. */
export class Unreachable extends Error {
  constructor() {
    super("The plot cannot be reached just now.");
  }
}

interface Reply<T> {
  data?: T;
  error?: Problem;
}

/** answerOf waits for an answer and returns its body, or throws why there is none. */
export async function answerOf<T>(reply: Promise<Reply<T>>): Promise<T> {
  let answer: Reply<T>;
  try {
    answer = await reply;
  } catch {
    throw new Unreachable();
  }
  if (answer.error) throw new Refusal(answer.error);
  return answer.data as T;
}
