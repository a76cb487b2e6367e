import { richText } from "../content/rich-text";
import { newQuestion } from "../question/new-question";
import type { Question, QuestionType } from "../question/question";
import type { Document, Step } from "../resource/document";
import { lesson } from "@/data/testing/world";
import { familyEdition } from "./family-edition";

const step = (id: string, more: Partial<Step>): Step => ({
  ...{ id, title: { en: `Step ${id}`, es: `Paso ${id}` }, audience: "student", phase: "practise", work: "alone" },
  ...{ locked: false, instructions: {}, blocks: [], ...more },
});
const asks = (type: QuestionType, prompt: string) => {
  const id = prompt.replace(/\W/g, "");
  const question = { ...newQuestion(type, "en", () => id), prompt: { en: richText(prompt) } } as Question;
  return { id: `b${id}`, type: "question" as const, question };
};
const document = (steps: Step[]): Document => ({ ...lesson("Tides"), languages: ["en", "es"], minutes: 30, steps });

test("a family is told what to have ready, what to do, how long it takes, and what to ask at the end", () => {
  const edition = familyEdition(
    document([
      step("a", {
        instructions: { en: { text: richText("Look at the moon.") }, es: { text: richText("Mira la luna.") } },
        blocks: [asks("sketch", "Draw it")],
      }),
      step("b", { phase: "check", blocks: [asks("shortText", "Why does it change?")] }),
      step("c", { blocks: [asks("photo", "Take a picture")] }),
    ]),
    ["es", "en"],
  );
  expect(edition).toEqual({
    ...{ minutes: 30, ready: ["paper", "coloured", "camera"], ask: "Why does it change?" },
    steps: [
      { id: "a", title: "Paso a", say: "Mira la luna." },
      { id: "b", title: "Paso b", say: "" },
      { id: "c", title: "Paso c", say: "" },
    ],
  });
});

test("nothing of the teacher's is in it: no step, no note, no answer", () => {
  const secret = step("t", { audience: "teacher", instructions: { en: { text: richText("Only for me") } } });
  const choice = { ...asks("shortText", "What?") };
  const withAnswer = {
    ...choice,
    question: { ...choice.question, accepted: [{ text: "the moon pulls", share: 1 }] } as Question,
  };
  const said = JSON.stringify(
    familyEdition(
      document([secret, step("a", { teacherNotes: { en: richText("Watch Marek") }, blocks: [withAnswer] })]),
      ["en"],
    ),
  );
  expect(said).not.toMatch(/Only for me|Watch Marek|the moon pulls/);
});

test("where nothing is asked there is nothing to have ready, and nothing to ask", () => {
  expect(familyEdition(document([step("a", {})]), ["en"])).toMatchObject({ ready: [], ask: null });
});
