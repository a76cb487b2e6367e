import { checkingOf, feedbackFor, marksAreOpen } from "./feedback";
import { newQuestion } from "./new-question";
import { richText } from "../content/rich-text";

const at = (text: string) => new Date(text);
const allDue = at("2026-12-04T14:00:00Z");
const working = { checked: false, handedIn: false, allDue, now: at("2026-12-02T10:00:00Z") };

describe("when a student may see how it went", () => {
  test("the stricter of question and assignment decides", () => {
    expect(checkingOf("at once", "at the end")).toBe("at the end");
    expect(checkingOf("after due", "at once")).toBe("after due");
    expect(checkingOf("never", "after due")).toBe("never");
  });

  test("at once: what was checked, and everything when it is handed in", () => {
    expect(marksAreOpen("at once", working)).toBe(false);
    expect(marksAreOpen("at once", { ...working, checked: true })).toBe(true);
    expect(marksAreOpen("at the end", { ...working, checked: true })).toBe(false);
    expect(marksAreOpen("at the end", { ...working, handedIn: true })).toBe(true);
  });

  test("after due: not while others still work, though it is handed in", () => {
    expect(marksAreOpen("after due", { ...working, handedIn: true })).toBe(false);
    expect(marksAreOpen("after due", { ...working, handedIn: true, now: allDue })).toBe(true);
    expect(marksAreOpen("never", { ...working, handedIn: true, now: at("2027-12-04T14:00:00Z") })).toBe(false);
  });
});

describe("what is written about answers", () => {
  const right = { en: richText("Yes: the sixths are the same size.") };
  const wrong = { en: richText("Look at how many parts make a whole.") };
  const general = { en: richText("There is a second way to do this.") };
  let made = 0;
  const question = { ...newQuestion("choice", "en", () => `q${(made += 1)}`), feedback: { right, wrong, general } };

  test("only what is said of this answer leaves, so that nothing gives the right one away", () => {
    expect(feedbackFor(question, "right")).toEqual({ right, general });
    expect(feedbackFor(question, "wrong")).toEqual({ wrong, general });
    expect(feedbackFor(question, "partly")).toEqual({ wrong, general });
  });

  test("of a blank, and of what a person reads, only what is said of any answer", () => {
    expect(feedbackFor(question, "blank")).toEqual({ general });
    expect(feedbackFor(question, "to read")).toEqual({ general });
    expect(feedbackFor({ ...question, feedback: { right } }, "wrong")).toBeUndefined();
  });
});
