/** A sheet is a plant's file as a form shows it: tables, lists and lines. */
export type Sheet = Record<string, unknown>;

/** Where something stands in a sheet: ["part", 0, "harvest", "from"]. */
export type Path = readonly (string | number)[];

const isTable = (node: unknown): node is Sheet =>
  typeof node === "object" && node !== null && !Array.isArray(node);

/** tableOf is a node as a table; an empty one where it is none. */
export const tableOf = (node: unknown): Sheet => (isTable(node) ? node : {});

/** putIn is put for a whole sheet. */
export const putIn = (sheet: Sheet, path: Path, value: unknown): Sheet => tableOf(put(sheet, path, value));

/** read returns what stands at a path; undefined where nothing does. */
export function read(node: unknown, path: Path): unknown {
  let at = node;
  for (const step of path) {
    if (typeof step === "number") at = Array.isArray(at) ? asList(at)[step] : undefined;
    else at = isTable(at) ? at[step] : undefined;
  }
  return at;
}

/** put returns a copy of a node with a value at a path; undefined takes away what stands there. */
export function put(node: unknown, path: Path, value: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return value;
  if (typeof step === "number") {
    const list = Array.isArray(node) ? [...asList(node)] : [];
    const next = put(list[step], rest, value);
    if (next === undefined) list.splice(step, 1);
    else list[step] = next;
    return list;
  }
  const table = isTable(node) ? node : {};
  const next = put(table[step], rest, value);
  if (next !== undefined) return { ...table, [step]: next };
  return Object.fromEntries(Object.entries(table).filter(([key]) => key !== step));
}

/** keyOf writes a path as the key that faults are told by: "part[0].harvest.from". */
export const keyOf = (path: Path) =>
  path.reduce<string>(
    (key, step) => (typeof step === "number" ? `${key}[${step}]` : key ? `${key}.${step}` : step),
    "",
  );

/** inWords reads a key to a grower: "part 1, harvest, from". */
export const inWords = (key: string) =>
  key
    .replace(/\[(\d+)\]/g, (_, n: string) => ` ${Number(n) + 1}`)
    .replace(/\./g, ", ")
    .replace(/_/g, " ");

export const asText = (value: unknown) =>
  typeof value === "string" ? value : typeof value === "number" ? String(value) : "";
export const asList = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
export const asWords = (value: unknown) => asList(value).map(asText);

/** The pieces of a figure's line: "110 (80 to 150) cm usual; in dry ground". */
export interface Figure {
  number: string;
  unit: string;
  rests: string;
}

const figureLine = /^(.*?)\s+((?:guess|usual|published|measured)\b.*)$/;
const numberFirst = /^(-?[\d.]+(?:\s+to\s+-?[\d.]+)?(?:\s+\([^)]*\))?)\s*(.*)$/;

/** splitFigure takes a figure's line apart; what is no figure stands whole in its number. */
export function splitFigure(line: string): Figure {
  const [, body = line, rests = ""] = figureLine.exec(line) ?? [];
  const [, number = body, unit = ""] = numberFirst.exec(body) ?? [];
  return { number, unit, rests };
}

/** joinFigure writes a figure's line; one without a number is none, and what is usual holds. */
export const joinFigure = ({ number, unit, rests }: Figure) =>
  number.trim() === "" ? "" : `${number.trim()} ${unit.trim()} ${rests.trim()}`.replace(/\s+/g, " ");

/** How well a word of a scale is borne. */
export type Borne = "no" | "borne" | "good";

/** splitScale tells for each word of a scale whether it is good, borne or neither. */
export function splitScale(line: string, words: readonly string[]): { marks: Borne[]; rests: string } {
  const [, body = line, rests = ""] = figureLine.exec(line) ?? [];
  const [, from, to = from, low = from, high = to] =
    /^(\S+)(?: to (\S+))?(?: \((\S+) to (\S+)\))?$/.exec(body.trim()) ?? [];
  const at = (word?: string) => words.indexOf(word ?? "");
  return {
    marks: words.map((_, i) =>
      at(from) >= 0 && i >= at(from) && i <= at(to)
        ? "good"
        : at(low) >= 0 && i >= at(low) && i <= at(high)
          ? "borne"
          : "no",
    ),
    rests,
  };
}

/** joinScale writes a scale's line: what is good, and in brackets what is borne. Gaps are closed. */
export function joinScale(marks: readonly Borne[], words: readonly string[], rests: string) {
  const good = marks.indexOf("good");
  if (good < 0) return "";
  const borne = marks.findIndex((mark) => mark !== "no");
  const last = marks.length - 1 - [...marks].reverse().findIndex((mark) => mark !== "no");
  const best = marks.lastIndexOf("good");
  return `${words[good]} to ${words[best]} (${words[borne]} to ${words[last]}) ${rests || "guess"}`;
}

/** A stage and the usual day that it comes on. */
export interface StageDay {
  stage: string;
  day: string;
}

/** splitCourse reads "shooting 5 May, leafing 27 May". A day that is being typed keeps its spaces. */
export const splitCourse = (course: string): StageDay[] =>
  course
    .split(",")
    .map((entry) => entry.trimStart())
    .filter((entry) => entry !== "")
    .map((entry) => {
      const [, stage = entry, day = ""] = /^(\D*?)\s*(\d.*)?$/.exec(entry) ?? [];
      return { stage, day };
    });

export const joinCourse = (rows: readonly StageDay[]) =>
  rows.map(({ stage, day }) => `${stage} ${day}`).join(", ");
