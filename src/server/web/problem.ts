import { createTranslator } from "use-intl/core";
import { catalogues, type ProblemCode } from "@/messages/catalogues";

/** Why an act was refused: in English, and, where screens are in other languages too, as a code with its values. */
export interface Problem {
  problem: string;
  code?: ProblemCode;
  values?: Record<string, string | number>;
}

const english = createTranslator({ locale: "en", messages: catalogues.en, namespace: "problem" }) as unknown as (
  code: ProblemCode,
  values?: Record<string, string | number>,
) => string;

/**
 * The problem of a code.
 *
 *     problemOf("handInFirst", { title: "Ferry fares" }).problem // "First hand in Ferry fares."
 */
export const problemOf = (code: ProblemCode, values?: Record<string, string | number>): Problem => ({
  problem: english(code, values),
  code,
  ...(values && { values }),
});
