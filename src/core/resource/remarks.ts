import { languageName } from "../locale/names";
import { silence } from "../media/shipped";
import { readingGrade } from "../readability/grade";
import type { Document, Step } from "./document";
import { measuredText } from "./student-text";
import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
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
  const { type, attrs, href } = value as { type?: unknown; attrs?: { href?: unknown }; href?: unknown };
  if (type === "link" && typeof attrs?.href === "string") return [attrs.href];
  return [...(typeof href === "string" ? [href] : []), ...Object.values(value).flatMap(addressesIn)];
}

/** Where a step leads to: from its instructions, and from each of its blocks; links in texts, of their own, and in films. */
const linksOf = (step: Step): { block: string | null; addresses: string[] }[] => [
  { block: null, addresses: [...new Set(addressesIn(step.instructions))] },
  ...step.blocks.map((block) => ({ block: block.id, addresses: [...new Set(addressesIn(block))] })),
];

/** Addresses of one's own computer or network (RFC 1918, RFC 6761, RFC 6762): nobody else can open them. */
const ownNetwork =
  /^(?:localhost|.+\.localhost|.+\.local|127\.\d+\.\d+\.\d+|10\.\d+\.\d+\.\d+|192\.168\.\d+\.\d+|172\.(?:1[6-9]|2\d|3[01])\.\d+\.\d+|\[::1\])$/i;

/** Why a link will not lead students anywhere; null: as far as can be told without opening it, it does. */
function brokenLink(address: string): string | null {
  if (address.startsWith("/") && !address.startsWith("//"))
    return placesOfStudents.test(address) ? null : "A link goes to a page students cannot open.";
  if (!URL.canParse(address)) return `“${address.slice(0, 60)}” is not an address.`;
  const parsed = new URL(address);
  if (!/^(?:https?|mailto):$/.test(parsed.protocol))
    return `A link to “${address.slice(0, 60)}” cannot be opened here.`;
  if (parsed.protocol === "mailto:") return null;
  if (ownNetwork.test(parsed.hostname))
    return `${parsed.hostname} can only be reached from your own computer or network.`;
  if (!/^[^.].*\.[^.\d][^.]*$/.test(parsed.hostname) && !/^\d+(?:\.\d+){3}$|^\[/.test(parsed.hostname))
    return `“${parsed.hostname}” is not the name of a website.`;
  return null;
}

/** How far above the grade a text may read before it is worth a word: formulas differ by as much. */
const GRADES_ABOVE = 1;

/** What is worth a look before it goes out, and stops nothing. `remarks(lesson)` gives `[]`. */
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
        found.push({ step: step.id, block: block.id, problem: "A film has no captions." });
      if (block.type === "sound" && block.media !== silence && !inLanguage(block.transcript, languages)?.trim())
        found.push({ step: step.id, block: block.id, problem: "A sound has no transcript." });
    }
    if (step.audience === "teacher") continue;
    if (forTeachers.test(stepWords(step, languages)))
      found.push({ step: step.id, problem: "Students would read something written for teachers." });
    for (const { block, addresses } of linksOf(step))
      for (const address of addresses) {
        const broken = brokenLink(address);
        if (broken) found.push({ step: step.id, ...(block && { block }), problem: broken });
      }
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
