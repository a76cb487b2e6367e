import { languageName } from "../find/also";
import { silence } from "../media/shipped";
import { readingGrade } from "../readability/grade";
import type { Document, Step } from "./document";
import { measuredText } from "./student-text";
import { inLanguage } from "./language";
import { plainText } from "./rich-text";
import { translated } from "./translate";
import type { Unfinished } from "./unfinished";

/** What is written for teachers, in the languages of the demo. Words that stand over answers and notes, not any mention. */
const forTeachers =
  /\b(answer key|answers? for the teacher|teacher['’]?s? notes?|notes? for teachers?|clave de respuestas|notas? para (?:el|la) docente|soluciones para el profesor)\b/iu;

const stepWords = (step: Step, languages: readonly string[]): string =>
  [
    plainText(inLanguage(step.instructions, languages)?.text),
    ...step.blocks.map((block) => (block.type === "text" ? plainText(inLanguage(block.text, languages)) : "")),
  ].join("\n");

/** Places inside this application that students have. Anything else a link leads to inside it is not there for them. */
const placesOfStudents = /^\/(help|student)(\/|$)/;

function addressesIn(value: unknown): string[] {
  if (Array.isArray(value)) return value.flatMap(addressesIn);
  if (typeof value !== "object" || value === null) return [];
  const { type, attrs } = value as { type?: unknown; attrs?: { href?: unknown } };
  if (type === "link" && typeof attrs?.href === "string") return [attrs.href];
  return Object.values(value).flatMap(addressesIn);
}

/** How far above the grade a text may read before it is worth a word: formulas differ by as much. */
const GRADES_ABOVE = 1;

/** What is worth a look before it goes out, and stops nothing. */
export function remarks(document: Document): Unfinished[] {
  const found: Unfinished[] = [];
  const { languages } = document;
  const measured = readingGrade(measuredText(document), languages[0]!);
  if (measured && measured.grade > document.grades.to + GRADES_ABOVE)
    found.push({
      step: null,
      problem: `It reads like grade ${Math.round(measured.grade)} (${measured.formula}); it is for grade ${document.grades.to === 0 ? "K" : document.grades.to} at most.`,
    });
  for (const step of document.steps) {
    for (const block of step.blocks) {
      if (block.type === "film" && Object.keys(block.captions).length === 0)
        found.push({ step: step.id, problem: "A film has no captions." });
      if (block.type === "sound" && block.media !== silence && !inLanguage(block.transcript, languages)?.trim())
        found.push({ step: step.id, problem: "What is said in a sound is not written down." });
    }
    if (step.audience === "teacher") continue;
    if (forTeachers.test(stepWords(step, languages)))
      found.push({ step: step.id, problem: "Students would read something written for teachers." });
    if (addressesIn(step).some((address) => address.startsWith("/") && !placesOfStudents.test(address)))
      found.push({ step: step.id, problem: "A link leads to a page students do not have." });
  }
  for (const language of languages.slice(1)) {
    const { written, all } = translated(document, language);
    if (written < all)
      found.push({
        step: null,
        problem: `${all - written} of ${all} texts are not written in ${languageName(language)} yet.`,
      });
  }
  return found;
}
