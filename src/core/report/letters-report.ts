import type { ResultLetter } from "../results/family-letter";
import type { Report, ReportBlock } from "./report";

/**
 * Letters to families, a section each: in the family's language, signed.
 * `lettersReport([], { title: "Results", teacher: "Ines" }).sections` gives `[]`.
 */
export function lettersReport(
  letters: readonly { name: string; letter: ResultLetter }[],
  of: { title: string; school: string; teacher: string },
): Report {
  return {
    ...{ title: of.title, language: "en", author: of.teacher, wide: false },
    sections: letters.map(({ name, letter }) => ({
      ...{ title: name, shown: false, language: letter.language },
      blocks: [
        ...(of.school ? [{ kind: "text" as const, text: of.school, soft: true }] : []),
        { kind: "text", text: letter.greeting },
        { kind: "text", text: letter.opening },
        ...letter.sections.flatMap(({ heading, lines }): ReportBlock[] => [
          { kind: "heading", text: heading },
          { kind: "list", lines },
        ]),
        ...(letter.remark ? [{ kind: "text" as const, text: letter.remark, soft: true }] : []),
        ...(letter.home ? [{ kind: "text" as const, text: letter.home }] : []),
        { kind: "text", text: `${letter.closing}\n${of.teacher}` },
      ],
    })),
  };
}
