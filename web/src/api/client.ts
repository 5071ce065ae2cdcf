import createClient from "openapi-fetch";

import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Problem = Schemas["ErrorModel"];

export const api = createClient<paths>({ baseUrl: "" });

/** What the server's form check says, in a grower's words. */
const plainly: Record<string, string> = {
  "expected number": "Write a number.",
  "expected string": "Write something here.",
};

/** Refusal is an answer of the server that something cannot be, with what is wrong at which field. */
export class Refusal extends Error {
  readonly status: number;
  readonly fields: Record<string, string>;

  constructor(problem: Problem) {
    const fields: Record<string, string> = {};
    const general: string[] = [];
    for (const fault of problem.errors ?? []) {
      const field = (fault.location ?? "").replace(/^(body|query|path)\.?/, "");
      if (field) fields[field] = plainly[fault.message ?? ""] ?? fault.message ?? "";
      else if (fault.message) general.push(fault.message);
    }
    super(
      general[0] ??
        (Object.keys(fields).length > 0 ? Object.values(fields)[0] : undefined) ??
        problem.detail ??
        "",
    );
    this.status = problem.status ?? 0;
    this.fields = fields;
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

/** told waits for an answer and returns its body, or throws why there is none. */
export async function told<T>(reply: Promise<Reply<T>>): Promise<T> {
  let answer: Reply<T>;
  try {
    answer = await reply;
  } catch {
    throw new Unreachable();
  }
  if (answer.error) throw new Refusal(answer.error);
  return answer.data as T;
}
