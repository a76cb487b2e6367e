import { z } from "zod";

/** What a letter home says of one child. */
export interface LetterFacts {
  student: string;
  className: string;
  subject: string;
  teacher: string;
  school: string;
  address: string;
  signInName: string;
}

/** What every letter must say, whatever its language: where to go, and with which name. */
const needed = ["{student}", "{className}", "{address}", "{signInName}"];

/** A letter in one language, as its file says it; "{student}" and the like stand for what is said of the child. */
export const LetterText = z
  .object({
    greeting: z.string().min(1).max(200),
    paragraphs: z.array(z.string().min(1).max(2_000)).min(1).max(12),
    closing: z.string().min(1).max(200),
  })
  .superRefine(({ greeting, paragraphs }, context) => {
    const text = [greeting, ...paragraphs].join(" ");
    for (const word of needed)
      if (!text.includes(word)) context.addIssue({ code: "custom", message: `It does not say ${word}.` });
    for (const [word] of text.matchAll(/\{\w{1,20}\}/g))
      if (!/^\{(?:student|className|subject|teacher|school|address|signInName)\}$/.test(word))
        context.addIssue({ code: "custom", message: `Nothing is known for ${word}.` });
  });
export type LetterText = z.infer<typeof LetterText>;

/** The letters there are, by language; English is always among them. */
export type Letters = Readonly<Record<string, LetterText>>;
const FIRST = "en";

const languageIn = (letters: Letters, language: string): string | undefined =>
  [language, language.split("-")[0]!].find((one) => letters[one]);

const filled = (text: string, facts: LetterFacts): string =>
  text.replace(/\{(\w{1,20})\}/g, (whole, name: string) => facts[name as keyof LetterFacts] ?? whole);

/**
 * The letter in the family's language, where it is written in it, else in English; and which that is.
 * `letterHome({ en: { greeting: "Dear family of {student}", paragraphs: [], closing: "" } }, { student: "Ana" }, "es").greeting` gives `"Dear family of Ana"`.
 */
export function letterHome(
  letters: Letters,
  facts: LetterFacts,
  language: string | null,
): LetterText & { language: string } {
  const chosen = (language && languageIn(letters, language)) ?? FIRST;
  const { greeting, paragraphs, closing } = letters[chosen]!;
  return {
    greeting: filled(greeting, facts),
    paragraphs: paragraphs.map((one) => filled(one, facts)),
    closing: filled(closing, facts),
    language: chosen,
  };
}

/**
 * The families whose language no letter is written in, by the student's name.
 * `withoutLetter({ en: {} }, [{ givenName: "Ada", familyName: "Dale", familyLanguage: "pl" }])` gives `[{ student: "Ada Dale", language: "pl" }]`.
 */
export function withoutLetter(
  letters: Letters,
  students: readonly { givenName: string; familyName: string; familyLanguage: string | null }[],
): { student: string; language: string }[] {
  return students.flatMap(({ givenName, familyName, familyLanguage }) =>
    familyLanguage && !languageIn(letters, familyLanguage)
      ? [{ student: `${givenName} ${familyName}`, language: familyLanguage }]
      : [],
  );
}
