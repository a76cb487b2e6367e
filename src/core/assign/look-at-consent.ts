import type { QuestionType } from "../question/question";
import { allQuestions, type Document } from "../resource/document";
import type { Finding, LookedAt } from "./finding";
import { onceEach } from "./once";

type Kept = "voice" | "picture";
/** What there is of a child in an answer, by what it is called. */
const asks: Readonly<Record<Kept, readonly (readonly [QuestionType, string])[]>> = {
  voice: [["speech", "a recording"], ["clip", "a film with sound"]], // prettier-ignore
  picture: [["photo", "a photograph"], ["clip", "a film"]], // prettier-ignore
};

/**
 * What work asks for that a school may not keep without a family's yes: "a recording", "a film".
 * `consentAsked([lesson])` gives `{ voice: [], picture: [] }`.
 */
export function consentAsked(documents: readonly Document[]): Record<Kept, string[]> {
  const types = new Set(documents.flatMap((document) => allQuestions(document).map(({ question }) => question.type)));
  const asked = (kind: Kept) => asks[kind].flatMap(([type, what]) => (types.has(type) ? [what] : []));
  return { voice: asked("voice"), picture: asked("picture") };
}

/**
 * Work that asks for a voice or a picture, and children whose school may not keep one yet: they could not answer.
 * `consentFindings(lookedAt())` gives `[]`.
 */
export function consentFindings(of: LookedAt): Finding[] {
  const asked = consentAsked([...of.resources, ...of.versionsToAssign].map(({ document }) => document));
  return (["voice", "picture"] as const).flatMap((kind): Finding[] => {
    const children = asked[kind].length > 0 ? of.withoutConsent[kind] : [];
    const [first] = children;
    if (!first) return [];
    const more = children.length - 1;
    const who = more === 0 ? first.name : `${first.name} and ${more === 1 ? "one other" : `${more} others`}`;
    const ids = new Set(children.map(({ id }) => id));
    const rest = onceEach(of.form.to)
      .map((group) => ({ ...group, students: group.students.filter((id) => !ids.has(id)) }))
      .filter(({ students }) => students.length > 0);
    return [
      {
        key: `consent ${kind}`,
        level: "remark",
        text: `It asks for ${asked[kind].join(" and ")}. There is no consent from home yet for ${who}.`,
        remedies:
          rest.length === 0
            ? []
            : [{ text: more === 0 ? "Leave this child out" : "Leave these children out", change: { to: rest } }],
      },
    ];
  });
}
