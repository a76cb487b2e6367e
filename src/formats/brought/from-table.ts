import { mostBrought, type Brought, type BroughtPage, type BroughtQuestion } from "@/core/brought/brought";

/** What a column holds, by the words above it. */
const columns = {
  ask: /^(?:question|prompt|ask|item|pregunta)s?$/i,
  right: /^(?:right|correct|answer|key|solution|respuesta|correcta)(?:s| answers?)?$/i,
  hint: /^(?:hint|help|pista)$/i,
  marks: /^(?:marks?|points?|puntos)$/i,
  topic: /^(?:topic|section|part|page|tema)$/i,
} as const;
const OPTION = /^(?:option|choice|opci[oó]n)?\s?(?:[a-j]|\d{1,2})$/i;

type Name = keyof typeof columns;

/** Which columns a table of questions has; null: it is none. */
function readHead(head: readonly string[]): { at: Record<Name, number>; options: number[] } | null {
  const clean = head.map((cell) => cell.trim());
  const at = Object.fromEntries(
    (Object.keys(columns) as Name[]).map((name) => [name, clean.findIndex((cell) => columns[name].test(cell))]),
  ) as Record<Name, number>;
  const options = clean.flatMap((cell, nth) => (OPTION.test(cell) ? nth : []));
  return at.ask < 0 || (at.right < 0 && options.length === 0) ? null : { at, options };
}

/** "B", "b; d", "the 13:05": letters of the choices, or what they say. */
function rightOf(said: string, options: readonly string[]): string[] {
  const parts = said
    .split(/[;|]/)
    .map((part) => part.trim())
    .filter(Boolean);
  const letters = parts.map((part) =>
    /^[A-Ja-j]$/.test(part) ? options[part.toLowerCase().codePointAt(0)! - 97] : undefined,
  );
  return options.length > 0 && letters.every((text) => text !== undefined) ? (letters as string[]) : parts;
}

const A_PAGE = 20; // questions; a step has room for 60 things

/**
 * A table of questions, a question in each row: `question`, `A` … `J` or `option 1` …, `answer` (a letter, a text, several with ;), `hint`,
 * `marks`, `topic`. Rows of one topic are a page; without topics twenty are. Null: the table has no such columns.
 */
export function fromTable(rows: readonly (readonly string[])[], title: string): Brought | null {
  const [head, ...lines] = rows.filter((row) => row.some((cell) => cell.trim() !== ""));
  const read = head && readHead(head);
  if (!read) return null;
  const cell = (row: readonly string[], name: Name) => (read.at[name] < 0 ? "" : (row[read.at[name]] ?? "").trim());
  const pages: BroughtPage[] = [];
  const without: string[] = [];
  lines.forEach((row, nth) => {
    const ask = cell(row, "ask").slice(0, 2000);
    if (ask === "") return void without.push(`Line ${nth + 2} asks nothing.`);
    const options = read.options.map((at) => (row[at] ?? "").trim()).filter(Boolean);
    const marks = Number(cell(row, "marks").replace(",", "."));
    const asked: BroughtQuestion = {
      ...{ ask, options, right: rightOf(cell(row, "right"), options), hint: cell(row, "hint").slice(0, 2000) },
      marks: cell(row, "marks") !== "" && marks >= 0 && marks <= 100 ? marks : null,
    };
    const topic = cell(row, "topic").slice(0, 200);
    const last = pages.at(-1);
    const room = last && last.blocks.length < A_PAGE;
    if (!last || !room || (topic !== "" && topic !== last.title)) {
      if (pages.length >= mostBrought.pages)
        return void without.push(`Line ${nth + 2} is beyond the 200 pages there can be.`);
      pages.push({ title: topic || (last?.title ?? title), blocks: [], notes: "", left: [] });
    }
    const unmatched =
      options.length > 0 &&
      asked.right.filter((text) => !options.some((one) => one.toLowerCase() === text.toLowerCase()));
    if (unmatched && unmatched.length > 0)
      pages
        .at(-1)!
        .left.push(
          `Line ${nth + 2}: the answer “${unmatched[0]!.slice(0, 80)}” is none of its choices. Choose it yourself.`,
        );
    pages.at(-1)!.blocks.push({ kind: "question", asked });
  });
  pages[0]?.left.push(...without.slice(0, 20));
  return { kind: "questions", title, pages, pictures: [] };
}
