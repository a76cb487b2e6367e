import type { Document } from "./document";
import type { Unfinished } from "./unfinished";

const SHA256 = /^[0-9a-f]{64}$/;

const filesIn = (value: unknown, found: string[] = []): string[] => {
  if (typeof value === "string") {
    if (value.length === 64 && SHA256.test(value)) found.push(value);
  } else if (typeof value === "object" && value !== null) for (const part of Object.values(value)) filesIn(part, found);
  return found;
};

/**
 * Every file of its own that a document shows or plays, by SHA-256, each once; not those that ship with the application.
 * `storedFiles(lesson)` gives `[]`.
 */
export const storedFiles = (document: Document): string[] => [...new Set(filesIn(document))];

/**
 * Where a document needs a file that is stored no more (a disk that was lost, a backup without its folder of files).
 * `gone`: the SHA-256 of each such file.
 * `missingFiles(lesson, [])` gives `[]`.
 */
export function missingFiles(document: Document, gone: readonly string[]): Unfinished[] {
  if (gone.length === 0) return [];
  const misses = (value: unknown) => filesIn(value).some((sha256) => gone.includes(sha256));
  return document.steps.flatMap((step): Unfinished[] => [
    ...(misses(step.instructions) ? [{ step: step.id, problem: "A recording is missing. Record it again." }] : []),
    ...step.blocks
      .filter(misses)
      .map((block) => ({ step: step.id, block: block.id, problem: "A file is missing. Add it again." })),
  ]);
}

/**
 * The same document with each stored file under another name: shown to somebody who reaches files by another address.
 * `renameFiles(["a".repeat(64), "text"], () => "other")` gives `["other", "text"]`.
 */
export function renameFiles<Value>(value: Value, rename: (sha256: string) => string): Value {
  if (typeof value === "string") return (value.length === 64 && SHA256.test(value) ? rename(value) : value) as Value;
  if (Array.isArray(value)) return value.map((part) => renameFiles<unknown>(part, rename)) as Value;
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, part]) => [name, renameFiles(part, rename)])) as Value;
}

const REFERENCE = /^(?:[0-9a-f]{64}|(?:drawing|film|sound):[a-z0-9-]{1,80}|captions:[a-z0-9-]{1,80}\.[a-z-]{2,12})$/;

/**
 * Every file a document shows or plays, each once: its own by SHA-256, and those that ship with the application by name.
 * `mediaOf(lesson)` gives `[]`.
 */
export function mediaOf(document: Pick<Document, "steps">): string[] {
  const found = new Set<string>();
  const visit = (value: unknown) => {
    if (typeof value === "string") {
      if (value.length <= 100 && REFERENCE.test(value)) found.add(value);
    } else if (typeof value === "object" && value !== null) Object.values(value).forEach(visit);
  };
  visit(document.steps);
  return [...found];
}
