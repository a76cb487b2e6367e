import fc from "fast-check";
import { givesAway, glossary } from "./glossary";

const words = (text: string, terms: string[]) =>
  glossary(terms)(text).flatMap((part) => (part.term === undefined ? [] : [`${part.text}=${terms[part.term]!}`]));

test("whole words are found, large or small, and in the plural", () => {
  expect(words("The Median of the medians", ["median"])).toEqual(["Median=median", "medians=median"]);
  expect(words("remedial, median-like", ["median"])).toEqual(["median=median"]);
  expect(words("amedian medianx", ["median"])).toEqual([]);
  expect(words("three boxes", ["box"])).toEqual(["boxes=box"]);
});

test("of two that could stand there, the longer", () => {
  expect(words("at high water, the water", ["water", "high water"])).toEqual(["high water=high water", "water=water"]);
});

test("words with accents and signs are words", () => {
  expect(words("La pleamar es máxima.", ["pleamar", "máxima"])).toEqual(["pleamar=pleamar", "máxima=máxima"]);
  expect(words("is it (a) keel?", ["keel?", "(a)"])).toEqual(["(a)=(a)", "keel?=keel?"]);
});

test("no words, or empty ones, mark nothing", () => {
  expect(glossary([])("text")).toEqual([{ text: "text" }]);
  expect(glossary(["", "  "])("text")).toEqual([{ text: "text" }]);
  expect(glossary(["tide"])("")).toEqual([{ text: "" }]);
});

test("put together again, the stretches are the text", () => {
  fc.assert(
    fc.property(fc.string(), fc.array(fc.string({ maxLength: 6 }), { maxLength: 4 }), (text, terms) => {
      expect(
        glossary(terms)(text)
          .map((part) => part.text)
          .join(""),
      ).toBe(text);
    }),
  );
});

test("a meaning that stands among the answers would give them away", () => {
  const question = {
    prompt: "What is a keel?",
    options: [{ text: 'The lowest part\nof a "boat"' }, { text: "A sail" }],
  };
  expect(givesAway(question, ['the lowest part\nof a "boat"'])).toBe(true);
  expect(givesAway(question, ["the mast", ""])).toBe(false);
});
