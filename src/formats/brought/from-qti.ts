import type { BroughtQuestion } from "@/core/brought/brought";
import { all, attribute, first, inside, nameOf, textIn, type Xml } from "./xml";

/** Questions of a file, and those that have no counterpart, each with its reason. */
export interface FoundQuestions {
  title: string;
  questions: BroughtQuestion[];
  left: string[];
}

/** QTI 3.0 writes `qti-choice-interaction` for 2.1's `choiceInteraction`. */
const kebab = (name: string) => `qti-${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`;
const both = (tree: readonly Xml[], name: string): Xml[] => [...all(tree, name), ...all(tree, kebab(name))];
const own = (element: Xml, name: string): Xml[] => both(inside(element), name);

const noCounterpart = (title: string, what: string) => `“${title.slice(0, 80)}” is ${what}: make it by hand.`;

/** What is asked: the text of an item's body without its interactions, and the prompts in those. */
function askOf(body: Xml): string {
  const isInteraction = (name: string) => /interaction$/i.test(name);
  const said = (element: Xml): string => {
    if (isInteraction(nameOf(element))) return own(element, "prompt").map(textIn).join(" ");
    if (nameOf(element) === "#text") return String(element["#text"]);
    return ` ${inside(element).map(said).join(" ")} `;
  };
  return said(body)
    .replace(/\s+/g, " ")
    .replace(/ ([.,;:?!])/g, "$1")
    .trim();
}

/** One item of QTI 2.1 or 3.0 (1EdTech; names from memory of the published bindings). */
function fromItem(item: Xml, found: FoundQuestions): void {
  const title = attribute(item, "title");
  const [body] = own(item, "itemBody");
  if (!body) return;
  const right = new Map(
    own(item, "responseDeclaration").map((declared) => [
      attribute(declared, "identifier"),
      own(declared, "correctResponse").flatMap((correct) => own(correct, "value").map(textIn)),
    ]),
  );
  const interactions = (name: string) => own(body, name);
  const [choice] = interactions("choiceInteraction");
  const [entry] = [...interactions("textEntryInteraction"), ...interactions("extendedTextInteraction")];
  const ask = askOf(body) || title;
  const answers = (element: Xml) =>
    right.get(attribute(element, "responseIdentifier") || attribute(element, "response-identifier")) ?? [];
  const marks = null;
  if (choice) {
    const options = own(choice, "simpleChoice").map((one) => ({ id: attribute(one, "identifier"), text: textIn(one) }));
    const ids = new Set(answers(choice));
    found.questions.push({
      ...{ ask, hint: "", marks, options: options.map(({ text }) => text) },
      right: options.filter(({ id }) => ids.has(id)).map(({ text }) => text),
    });
  } else if (entry) found.questions.push({ ask, options: [], right: answers(entry).filter(Boolean), hint: "", marks });
  else found.left.push(noCounterpart(title || ask, "a question of a kind we do not read yet"));
}

/** One item of QTI 1.2, as it stands in Common Cartridges. */
function fromOldItem(item: Xml, found: FoundQuestions): void {
  const presentation = first(item, "presentation");
  if (!presentation) return;
  const title = attribute(item, "title");
  const choices = all(inside(presentation), "response_lid");
  const texts = all(inside(presentation), "response_str");
  const withoutChoices = inside(presentation).flatMap((part) =>
    nameOf(part) === "material" || nameOf(part) === "flow" ? all([part], "mattext") : [],
  );
  const ask = withoutChoices.map(textIn).join(" ").trim() || title;
  // What earns anything is right; what is only said to be wrong earns nothing.
  const right = all(inside(item), "respcondition")
    .filter((condition) => all(inside(condition), "setvar").some((set) => Number(textIn(set)) > 0))
    .flatMap((condition) => {
      const not = new Set(all(inside(condition), "not").flatMap((one) => all(inside(one), "varequal")));
      return all(inside(condition), "varequal")
        .filter((one) => !not.has(one))
        .map(textIn);
    });
  const [lid] = choices;
  if (lid && choices.length === 1) {
    const options = all(inside(lid), "response_label").map((label) => ({
      ...{ id: attribute(label, "ident"), text: all(inside(label), "mattext").map(textIn).join(" ") },
    }));
    found.questions.push({
      ...{ ask, hint: "", marks: null, options: options.map(({ text }) => text) },
      right: options.filter(({ id }) => right.includes(id)).map(({ text }) => text),
    });
  } else if (texts.length > 0) found.questions.push({ ask, options: [], right, hint: "", marks: null });
  else found.left.push(noCounterpart(title || ask, "a question of a kind we do not read yet"));
}

/** The questions in one file of QTI 1.2, 2.1 or 3.0; none where it is something else. */
export function questionsInXml(tree: readonly Xml[]): FoundQuestions {
  const [assessment] = all(tree, "assessment");
  const found: FoundQuestions = { title: assessment ? attribute(assessment, "title") : "", questions: [], left: [] };
  for (const item of both(tree, "assessmentItem")) fromItem(item, found);
  for (const root of all(tree, "questestinterop"))
    for (const item of all(inside(root), "item")) fromOldItem(item, found);
  return found;
}
