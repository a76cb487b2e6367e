import type { BroughtAnswer, BroughtQuestion } from "@/core/brought/brought";
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

/** Elements whose names differ between the versions by more than their writing. */
const identifierOf = (interaction: Xml): string =>
  attribute(interaction, "responseIdentifier") || attribute(interaction, "response-identifier");
const numberIn = (element: Xml, name: string): number =>
  Number(
    attribute(element, name) ||
      attribute(
        element,
        name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`),
      ) ||
      NaN,
  );

const isInteraction = (name: string) => /interaction$/i.test(name);
/** Whether something is filled in, in it. */
const hasGap = (element: Xml): boolean => isInteraction(nameOf(element)) || inside(element).some(hasGap);

/** What is right as a response says it; of typed words also those that earn as much. */
function rightOf(declared: Xml): string[] {
  const correct = own(declared, "correctResponse").flatMap((one) => own(one, "value").map(textIn));
  if (attribute(declared, "baseType") !== "string" && attribute(declared, "base-type") !== "string") return correct;
  const entries = own(declared, "mapEntry");
  const worth = (entry: Xml) => numberIn(entry, "mappedValue") || 0;
  const most = Math.max(0, ...entries.map(worth));
  const mapped = entries.filter((entry) => most > 0 && worth(entry) === most);
  const keys = mapped.map((entry) => attribute(entry, "mapKey") || attribute(entry, "map-key"));
  return [...new Set([...correct, ...keys])];
}

/** What it is worth: as the item says of its score, or the most its answers earn. Null: it does not say. */
function marksOf(item: Xml): number | null {
  const score = own(item, "outcomeDeclaration").find((one) => attribute(one, "identifier") === "SCORE");
  const bounds = own(item, "mapping").map((one) => numberIn(one, "upperBound"));
  const most = [score ? numberIn(score, "normalMaximum") : NaN, ...bounds].find((one) => one > 0);
  return most === undefined || most > 100 ? null : most;
}

/** What an item asks for where it is more than choosing or writing one thing; null: it is not. */
function answerOf(body: Xml, right: ReadonlyMap<string, readonly string[]>): BroughtAnswer | null {
  const [order] = own(body, "orderInteraction");
  if (order) {
    const items = own(order, "simpleChoice").map((one) => ({ id: attribute(one, "identifier"), text: textIn(one) }));
    const places = (right.get(identifierOf(order)) ?? []).map((id) => items.findIndex((one) => one.id === id));
    return { kind: "order", items: items.map(({ text }) => text), right: places };
  }
  const [match] = own(body, "matchInteraction");
  if (match) {
    const [left = [], other = []] = own(match, "simpleMatchSet").map((set) =>
      own(set, "simpleAssociableChoice").map((one) => ({ id: attribute(one, "identifier"), text: textIn(one) })),
    );
    const pairs = (right.get(identifierOf(match)) ?? []).map((pair): [number, number] => {
      const [one, two] = pair.split(/\s+/);
      return [left.findIndex(({ id }) => id === one), other.findIndex(({ id }) => id === two)];
    });
    const textsOf = (list: typeof left) => list.map(({ text }) => text);
    return { kind: "pairs", left: textsOf(left), right: textsOf(other), pairs };
  }
  const [slider] = own(body, "sliderInteraction");
  if (slider) {
    const [value] = right.get(identifierOf(slider)) ?? [];
    const [from, to, step] = [numberIn(slider, "lowerBound"), numberIn(slider, "upperBound"), numberIn(slider, "step")];
    return value === undefined ? null : { kind: "line", from, to, step: step || 1, right: Number(value) };
  }
  const [hot] = own(body, "hottextInteraction");
  if (hot) return { kind: "marked", passage: markedIn(hot, new Set(right.get(identifierOf(hot)) ?? [])) };
  const [upload] = own(body, "uploadInteraction");
  if (upload) {
    const type = attribute(upload, "type");
    return { kind: "file", of: type.startsWith("audio/") ? "speech" : type.startsWith("video/") ? "clip" : "photo" };
  }
  const entries = [...own(body, "inlineChoiceInteraction"), ...own(body, "textEntryInteraction")];
  if (entries.length < 2 && own(body, "inlineChoiceInteraction").length === 0) return null;
  return { kind: "gaps", passage: passageOf(body, right) };
}

/** The text in which something is marked, and what of it is right. What can be marked and what cannot makes no difference to us. */
function markedIn(hot: Xml, right: ReadonlySet<string>): Extract<BroughtAnswer, { kind: "marked" }>["passage"] {
  const parts: Extract<BroughtAnswer, { kind: "marked" }>["passage"] = [];
  const visit = (element: Xml): void => {
    const name = nameOf(element).replace(/^qti-/, "");
    if (name === "prompt") return;
    if (name === "#text") parts.push({ text: String(element["#text"]).replace(/\s+/g, " "), isRight: false });
    else if (name === "hottext")
      parts.push({ text: textIn(element), isRight: right.has(attribute(element, "identifier")) });
    else {
      inside(element).forEach(visit);
      if (/^(?:p|div|li|td)$/.test(name)) parts.push({ text: " ", isRight: false });
    }
  };
  inside(hot).forEach(visit);
  return parts;
}

/** The text of an item with its gaps, as it is read. */
function passageOf(
  body: Xml,
  right: ReadonlyMap<string, readonly string[]>,
): Extract<BroughtAnswer, { kind: "gaps" }>["passage"] {
  const parts: Extract<BroughtAnswer, { kind: "gaps" }>["passage"] = [];
  const visit = (element: Xml): void => {
    const name = nameOf(element).replace(/^qti-/, "").replaceAll("-", "").toLowerCase();
    const answers = [...(right.get(identifierOf(element)) ?? [])];
    if (name === "textentryinteraction") parts.push({ accepted: answers, options: [] });
    else if (name === "inlinechoiceinteraction") {
      const options = own(element, "inlineChoice");
      const accepted = options.filter((one) => answers.includes(attribute(one, "identifier"))).map(textIn);
      parts.push({ accepted, options: options.map(textIn) });
    } else if (name === "#text") parts.push(String(element["#text"]).replace(/\s+/g, " "));
    else {
      inside(element).forEach(visit);
      if (/^(?:p|div|li|td)$/.test(name)) parts.push(" ");
    }
  };
  inside(body).filter(hasGap).forEach(visit);
  return parts;
}

/** What is asked: the text of an item's body without its interactions, and the prompts in those. `isPassage`: only what has no gaps in it. */
function askOf(body: Xml, isPassage = false): string {
  const said = (element: Xml): string => {
    if (isPassage && element !== body && hasGap(element)) return "";
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
    own(item, "responseDeclaration").map((declared) => [attribute(declared, "identifier"), rightOf(declared)]),
  );
  const marks = marksOf(item);
  const said = own(item, "modalFeedback").map(textIn).filter(Boolean).join(" ");
  const feedback = said ? { feedback: said } : {};
  const answer = answerOf(body, right);
  if (answer) {
    const ask = askOf(body, answer.kind === "gaps") || title;
    found.questions.push({ ask, options: [], right: [], hint: "", marks, ...feedback, more: answer });
    return;
  }
  const interactions = (name: string) => own(body, name);
  const [choice] = interactions("choiceInteraction");
  const [entry] = [...interactions("textEntryInteraction"), ...interactions("extendedTextInteraction")];
  const ask = askOf(body) || title;
  const answers = (element: Xml) =>
    right.get(attribute(element, "responseIdentifier") || attribute(element, "response-identifier")) ?? [];
  if (choice) {
    const options = own(choice, "simpleChoice").map((one) => ({ id: attribute(one, "identifier"), text: textIn(one) }));
    const ids = new Set(answers(choice));
    found.questions.push({
      ...{ ask, hint: "", marks, ...feedback, options: options.map(({ text }) => text) },
      right: options.filter(({ id }) => ids.has(id)).map(({ text }) => text),
    });
  } else if (entry)
    found.questions.push({ ask, options: [], right: answers(entry).filter(Boolean), hint: "", marks, ...feedback });
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
