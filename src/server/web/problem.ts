import { createTranslator } from "use-intl/core";
import { catalogues, refusals, type ProblemCode, type RefusalCode } from "@/messages/catalogues";

/**
 * Why an act was refused: in English, and as a code with its values, for screens in other languages. Without a code where the core gives
 * its reasons in words.
 */
export interface Problem {
  problem: string;
  code?: ProblemCode | RefusalCode;
  values?: Record<string, string | number>;
}

const english = createTranslator({
  locale: "en",
  messages: { problem: { ...refusals, ...catalogues.en.problem } },
  namespace: "problem",
}) as unknown as (code: ProblemCode | RefusalCode, values?: Record<string, string | number>) => string;

/**
 * The problem of a code.
 *
 *     problemOf("handInFirst", { title: "Ferry fares" }).problem // "First hand in Ferry fares."
 */
export const problemOf = (
  code: ProblemCode | RefusalCode,
  values?: Record<string, string | number>,
): Problem & { code: ProblemCode | RefusalCode } => ({
  problem: english(code, values),
  code,
  ...(values && { values }),
});
