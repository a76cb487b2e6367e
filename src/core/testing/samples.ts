import { richText } from "../content/rich-text";
import { anyNeed } from "../find/need";
import type { Question } from "../question/question";
import { newStep } from "../resource/edit";
import { lessonOf } from "../resource/testing/documents";

/** What the uses shown in comments speak of where more than a number or a text is asked for; see uses.test.ts. */

export const question = {
  id: "q",
  type: "shortText",
  prompt: { en: richText("How often does the tide come in?") },
  marks: 1,
  partial: "by part",
  checked: "at once",
  accepted: [{ text: "twice", share: 1 }],
  spelling: { ignoreCase: true, ignoreAccents: true, forgiveOneSlip: false },
} satisfies Question;

/** A text to read, a question, and a step for the teacher. */
export const lesson = lessonOf([
  newStep("en", "Look", () => "look", [
    { id: "text", type: "text", text: { en: richText("The tide comes in twice a day.") } },
  ]),
  newStep("en", "Ask", () => "ask", [{ id: "block", type: "question", question }]),
  { ...newStep("en", "Answers", () => "answers"), audience: "teacher" },
]);

/** Something about tides for grade 4 or 5. */
export const need = { ...anyNeed, words: "tides", grades: [4, 5] };

export { daily, isles } from "../calendar/testing/calendar";
