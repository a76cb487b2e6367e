import { licenceNames } from "../licence/licence";
import { inLanguage } from "../content/language";
import { remarks } from "../resource/remarks";
import type { Document } from "../resource/document";
import { missingFiles } from "../resource/stored-files";
import { unfinished, type Unfinished } from "../resource/unfinished";
import type { Finding, LookedAt, LookedResource, Remedy } from "./finding";
import { leaveOut } from "./leave-out";
import { linksOut } from "./links-out";

interface Looked {
  remarks: Unfinished[];
  links: string[];
}

// The same document is looked at after every change of the form; measuring how it reads is most of the work.
const looked = new WeakMap<Document, Looked>();

function lookOnce(document: Document): Looked {
  const known = looked.get(document) ?? { remarks: remarks(document), links: linksOut(document) };
  looked.set(document, known);
  return known;
}

const firstWithLink = ({ steps }: Document): string | null =>
  steps.find((step) => linksOut({ steps: [step] }).length > 0)?.id ?? null;

/**
 * What is odd about the thing itself: unfinished, in somebody else's voice, links that leave, rights kept.
 * `resourceFindings(lookedAt(), resource(lesson, { mine: false }))` gives `[]`.
 */
export function resourceFindings(of: LookedAt, resource: LookedResource): Finding[] {
  const at = (step: string | null) => `/adapt/${resource.id}${step ? `?step=${step}` : ""}`;
  const name = of.resources.length + of.versionsToAssign.length > 1 ? `“${resource.title}”: ` : "";
  const mend = (step: string | null): Remedy[] =>
    resource.mine
      ? [{ text: "Go there", href: at(step) }]
      : [{ text: "Make your copy and fix it", href: `/find?open=${resource.id}` }];
  const undone = [...unfinished(resource.document, resource.owner), ...missingFiles(resource.document, resource.gone)];
  const found: Finding[] = undone.map(({ step, problem }, nth) => ({
    key: `unfinished ${resource.id} ${nth}`,
    level: "remark",
    text: `${name}${problem}`,
    remedies: mend(step),
  }));
  const voices = new Set(
    resource.document.steps.flatMap((step) =>
      Object.values(step.instructions).flatMap(({ recording }) =>
        recording && recording.by !== of.me ? [recording.name] : [],
      ),
    ),
  );
  if (voices.size > 0)
    found.push({
      key: `voice ${resource.id}`,
      level: "remark",
      text: `${name}${[...voices].join(" and ")} ${voices.size === 1 ? "speaks" : "speak"} the instructions, not you.`,
      remedies: [
        { text: "Assign a copy without any voice", copyWithoutVoices: resource.id },
        ...(resource.mine ? [{ text: "Record your own", href: at(null) }] : []),
      ],
    });
  for (const [nth, { step, problem }] of lookOnce(resource.document).remarks.entries())
    found.push({
      key: `remark ${resource.id} ${nth}`,
      level: "remark",
      text: `${name}${problem}`,
      remedies: mend(step),
    });
  const out = lookOnce(resource.document).links;
  if (out.length > 0)
    found.push({
      key: `link ${resource.id}`,
      level: "remark",
      text: `${name}Links go outside the school: ${out.slice(0, 3).join(", ")}${out.length > 3 ? " …" : ""}.`,
      remedies: [...leaveOut(of.form, resource.id), ...mend(firstWithLink(resource.document))],
    });
  const { licence } = resource.document;
  if (licence === "all-rights-reserved" && !resource.mine && !resource.sameSchool)
    found.push({
      key: `licence ${resource.id}`,
      level: "remark",
      text: `${name}${resource.ownerName} keeps all rights (${licenceNames[licence]}). Ask before your class gets it.`,
      remedies: leaveOut(of.form, resource.id),
    });
  if (!inLanguage(resource.document.title, resource.document.languages)?.trim())
    found.push({ key: `title ${resource.id}`, level: "stop", text: "It has no title.", remedies: mend(null) });
  return found;
}
