import { readFileSync } from "node:fs";
import fc from "fast-check";
import { lesson } from "@/data/testing/world";
import { plainText, richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question } from "../question/question";
import { isFamiliar, measureFor } from "../readability/hard";
import { wordsIn } from "../readability/measure";
import { readingGrade } from "../readability/grade";
import type { Document } from "../resource/document";
import { withTexts } from "../resource/texts";
import { cutOf, mostWords, plainChanges, plainIn, plainly } from "./plain-words";
import { readSimpler } from "./simpler";

const list = (name: string) => readSimpler(readFileSync(`words/${name}.txt`, "utf8"));
const english = list("plain-english");
const about = { language: "en", grade: 5, simpler: english };
const said = (text: string, { grade = 5, taught = [] as string[] } = {}) =>
  plainIn(text, plainly({ ...about, grade }, new Set(taught))).map(({ from, to }) => [from, to]);

describe("the lists", () => {
  test("every word that is put in is known at ten, and every word it replaces is hard at some grade", () => {
    const unknown = [...english.values()].filter((to) => !to.split(" ").every((word) => isFamiliar(word)));
    expect(unknown).toEqual([]);
    const grades = [3, 6].map((grade) => measureFor("en", grade));
    const easy = [...english.keys()].filter((word) => !grades.some(({ isHard }) => isHard(word)));
    expect(easy).toEqual([]);
  });

  test("forms go with forms, those of several words by commas; what does not match is left out", () => {
    expect(english.get("purchased")).toBe("bought");
    expect(english.get("assembled")).toBe("put together");
    expect(list("plain-spanish").get("inmensa")).toBe("muy grande");
    expect([...readSimpler("# a > b\none two > three\nno arrow\nvast > very big")]).toEqual([["vast", "very big"]]);
  });
});

describe("plainer words", () => {
  test("stand in the same form, with their capital and their article", () => {
    expect(said("Approximately 20 puffins departed. It was an enormous wave.")).toEqual([
      ["Approximately", "About"],
      ["departed", "left"],
      ["an enormous", "a very big"],
    ]);
  });

  test("words that are taught, names and quotations stay; so does what children of the grade know", () => {
    expect(said("Approximately.", { taught: ["approximately"] })).toEqual([]);
    expect(said("the village of Obtain Harbour and “we obtain” it")).toEqual([]);
    expect(said("The ferry departs", { grade: 9 })).toEqual([]);
  });
});

describe("long sentences", () => {
  test("are cut where a part can stand alone, nearest their middle", () => {
    const cut = (text: string, language = "en") => {
      const found = cutOf(text, language);
      return found && text.slice(0, found.start) + found.to + text.slice(found.end);
    };
    expect(cut("The tide goes out slowly in the morning, and the boats lie on the sand.")).toBe(
      "The tide goes out slowly in the morning. The boats lie on the sand.",
    );
    expect(cut("The wind was strong all day long, but they rowed to the island.")).toBe(
      "The wind was strong all day long. But they rowed to the island.",
    );
    expect(cut("La marea baja por la mañana, y los barcos quedan en la arena.", "es")).toBe(
      "La marea baja por la mañana. Los barcos quedan en la arena.",
    );
    expect(cut("Bring bread, butter, salt and a long rope that reaches down to the water.")).toBeNull();
    expect(cut("Wait, and it comes.")).toBeNull();
  });

  test("without a place to cut they are shown and left to her", () => {
    const long = `Look ${"at the long grey boat ".repeat(6)}now.`;
    expect(plainIn(long, plainly(about))).toEqual([
      { kind: "sentence", words: wordsIn(long).length, start: 0, end: long.length, from: long, to: null },
    ]);
    expect(mostWords(0)).toBeLessThan(mostWords(5));
    expect(mostWords(12)).toBe(25);
  });
});

describe("in a document", () => {
  const text = "The keeper purchased approximately twelve lanterns, and the fishermen assembled a signal on the pier.";
  const document: Document = {
    ...lesson("Purchase"),
    vocabulary: [{ term: "signal", meaning: {} }],
    familyNote: { en: richText("Please assist your child.") },
    steps: [
      {
        ...lesson("x").steps[0]!,
        instructions: { en: { text: richText(`${text} ${text} ${text}`) } },
        teacherNotes: { en: richText("Observe the children.") },
        blocks: [
          {
            ...{ id: "q", type: "question" },
            question: {
              ...newQuestion("choice", "en", () => "c"),
              ...{ prompt: { en: richText("What did he purchase?") }, right: "a" },
              options: [
                { id: "a", text: { en: "He did obtain lanterns" } },
                { id: "b", text: { en: "rope" } },
              ],
            } as Question,
          },
        ],
      },
    ],
  };

  test("what children and families read changes; choices, titles and what the teacher reads do not", () => {
    const changes = plainChanges(document, { ...about, grade: 2 });
    expect(new Set(changes.map(({ from }) => from))).toEqual(
      new Set(["assist", "purchased", "approximately", "assembled", ", and t", "purchase"]),
    );
    const made = withTexts(document, changes);
    expect(plainText(made.steps[0]!.instructions.en!.text).slice(0, 93)).toBe(
      "The keeper bought about twelve lanterns. The fishermen put together a signal on the pier. The",
    );
    expect(made.title).toEqual(document.title);
    expect(JSON.stringify(made.steps[0]!.blocks)).toContain("obtain");
    expect(JSON.stringify(made.steps[0]!.teacherNotes)).toContain("Observe");
    const grade = (of: Document) => readingGrade(plainText(of.steps[0]!.instructions.en!.text), "en")!.grade;
    expect(grade(made)).toBeLessThan(grade(document) - 2);
  });

  test("whichever words are chosen, only they change, and the others are still proposed", () => {
    const proposed = (of: Document) => plainChanges(of, { ...about, grade: 2 }).filter(({ kind }) => kind === "word");
    const changes = proposed(document);
    fc.assert(
      fc.property(fc.subarray(changes), (chosen) => {
        const left = changes.filter((one) => !chosen.includes(one)).map(({ from, to }) => [from, to]);
        expect(proposed(withTexts(document, chosen)).map(({ from, to }) => [from, to])).toEqual(left);
      }),
    );
  });
});
