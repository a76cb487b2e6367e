import type { Document } from "../resource/document";

/**
 * The hosts that links of a document lead to, each once: what leaves the school. Teachers' steps and notes are not counted.
 * `linksOut(lesson)` gives `[]`.
 */
export function linksOut(document: Pick<Document, "steps">): string[] {
  const hosts = new Set<string>();
  const look = (value: unknown): void => {
    if (Array.isArray(value)) return value.forEach(look);
    if (typeof value !== "object" || value === null) return;
    for (const [key, inner] of Object.entries(value)) {
      if (key === "href" && typeof inner === "string") {
        const host = /^https?:\/\/([^/?#]+)/i.exec(inner)?.[1];
        if (host) hosts.add(host.toLowerCase());
      } else if (key !== "teacherNotes") look(inner);
    }
  };
  for (const step of document.steps) if (step.audience !== "teacher") look(step);
  return [...hosts];
}
