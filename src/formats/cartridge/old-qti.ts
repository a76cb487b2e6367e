import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { formatAnswer } from "@/core/question/format";
import type { Option, Question } from "@/core/question/question";
import { element, writeMarkup, xmlFile, type Element } from "../markup";
import { questionMarkup, type PageStyle } from "../xhtml/block-markup";
import { richMarkup } from "../xhtml/rich-markup";

/** What a question is called where there are only these kinds (1EdTech Common Cartridge, "Assessment"; names from memory). */
export type OldKind = "multiple_choice" | "multiple_response" | "fib" | "essay";

/** What a question becomes in a cartridge: those it has no kind for are read by a person. */
export function oldKindOf(question: Question): OldKind {
  switch (question.type) {
    case "choice":
      return question.right ? "multiple_choice" : "essay";
    case "choices":
      return "multiple_response";
    case "shortText":
      return question.accepted.length > 0 ? "fib" : "essay";
    case "number":
      return question.parts.length === 1 && question.parts[0]!.tolerance === 0 ? "fib" : "essay";
    default:
      return "essay";
  }
}

const field = (label: string, entry: string): Element =>
  element("qtimetadatafield", {}, element("fieldlabel", {}, label), element("fieldentry", {}, entry));
/** HTML inside an element of text, as cartridges have it. */
const material = (pieces: readonly Element[]): Element =>
  element(
    "material",
    {},
    element("mattext", { texttype: "text/html" }, pieces.map((piece) => writeMarkup(piece)).join("")),
  );
const score = (value: number) => element("setvar", { action: "Set", varname: "SCORE" }, String(value));
const whenRight = (...tests: readonly Element[]) =>
  element("respcondition", { continue: "No" }, element("conditionvar", {}, ...tests), score(100));
const equals = (value: string) => element("varequal", { respident: "response", case: "No" }, value);

/** One item of QTI 1.2 as a Common Cartridge allows it. */
export function oldItem(question: Question, of: { identifier: string; title: string }, style: PageStyle): Element {
  const kind = oldKindOf(question);
  const { languages } = style;
  const asked = material(richMarkup(inLanguage(question.prompt, languages)));
  const choices = (options: readonly Option[], cardinality: "Single" | "Multiple") =>
    element(
      "response_lid",
      { ident: "response", rcardinality: cardinality },
      element(
        "render_choice",
        {},
        ...options.map(({ id, text }) =>
          element(
            "response_label",
            { ident: id },
            element("material", {}, element("mattext", { texttype: "text/plain" }, inLanguage(text, languages) ?? "")),
          ),
        ),
      ),
    );
  const typed = element("response_str", { ident: "response", rcardinality: "Single" }, element("render_fib", {}));
  const parts = (): { presentation: readonly Element[]; scoring: readonly Element[] } => {
    if (kind === "multiple_choice" && question.type === "choice")
      return {
        presentation: [asked, choices(question.options, "Single")],
        scoring: [whenRight(equals(question.right!))],
      };
    if (kind === "multiple_response" && question.type === "choices") {
      const right = new Set(question.right);
      return {
        presentation: [asked, choices(question.options, "Multiple")],
        scoring: [
          whenRight(
            element(
              "and",
              {},
              ...question.options.map(({ id }) => (right.has(id) ? equals(id) : element("not", {}, equals(id)))),
            ),
          ),
        ],
      };
    }
    if (kind === "fib") {
      const accepted =
        question.type === "shortText"
          ? question.accepted.filter(({ share }) => share === 1).map(({ text }) => text)
          : question.type === "number"
            ? [String(question.parts[0]!.right)]
            : [];
      return { presentation: [asked, typed], scoring: accepted.map((text) => whenRight(equals(text))) };
    }
    // It has no kind of its own there: what there is to choose from stands in what is asked.
    return {
      presentation: [material([questionMarkup(question, { ...style, forTeacher: false })]), typed],
      scoring: [],
    };
  };
  const { presentation, scoring } = parts();
  return element(
    "item",
    { ident: of.identifier, title: of.title },
    element(
      "itemmetadata",
      {},
      element("qtimetadata", {}, field("cc_profile", `cc.${kind}.v0p1`), field("cc_weighting", String(question.marks))),
    ),
    element("presentation", {}, ...presentation),
    element(
      "resprocessing",
      {},
      element("outcomes", {}, element("decvar", { maxvalue: 100, minvalue: 0, varname: "SCORE", vartype: "Decimal" })),
      ...scoring,
    ),
    kind === "essay" &&
      element(
        "itemfeedback",
        { ident: "solution" },
        element(
          "solution",
          {},
          element("solutionmaterial", {}, material([element("p", {}, formatAnswer(question, languages))])),
        ),
      ),
  );
}

/** The questions of a resource as one assessment. */
export function oldAssessment(
  questions: readonly Question[],
  of: { identifier: string; title: string },
  style: PageStyle,
): string {
  return xmlFile(
    element(
      "questestinterop",
      { xmlns: "http://www.imsglobal.org/xsd/ims_qtiasiv1p2" },
      element(
        "assessment",
        { ident: of.identifier, title: of.title },
        element(
          "qtimetadata",
          {},
          field("cc_profile", "cc.exam.v0p1"),
          field("qmd_assessmenttype", "Examination"),
          field("qmd_scoretype", "Percentage"),
        ),
        element(
          "section",
          { ident: "root_section" },
          ...questions.map((question, at) =>
            oldItem(
              question,
              {
                identifier: `${of.identifier}-${question.id}`,
                title: plainText(inLanguage(question.prompt, style.languages)).slice(0, 80) || `Question ${at + 1}`,
              },
              style,
            ),
          ),
        ),
      ),
    ),
  );
}
