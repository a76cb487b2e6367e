import type { BlockOf } from "./block";
import { withNewBlockIds } from "./edit";
import { newQuestion } from "../question/new-question";
import { addStop, filmProblem, putStop, removeStop } from "./film";
import { allQuestions, questionsOf, type Step } from "./document";
import { lessonOf } from "./testing/documents";
import { studentStep } from "./student-view";
import { newStep } from "./edit";
import { stepText } from "./words-changed";
import { mainActivity } from "./activity";
import { richText } from "../content/rich-text";

let n = 0;
const newId = () => `f${(n += 1)}`;
const film: BlockOf<"film"> = {
  id: "film",
  type: "film",
  media: "film:a-tide-in-a-minute",
  captions: { en: "captions:a-tide-in-a-minute.en" },
  stops: [],
};
const stepWith = (block: BlockOf<"film">): Step => ({ ...newStep("en", "Watch", newId), blocks: [block] });

describe("stops in a film", () => {
  test("stand in the order of time, wherever they were added", () => {
    const late = addStop(film, 30, "note", "en", newId);
    const both = addStop(late, 12.345, "choice", "en", newId);
    expect(both.stops.map(({ at }) => at)).toEqual([12.3, 30]);
    const moved = putStop(both, { ...both.stops[0]!, at: 44 });
    expect(moved.stops.map(({ at }) => at)).toEqual([30, 44]);
    expect(removeStop(moved, moved.stops[0]!.id).stops).toHaveLength(1);
  });

  test("a question has to be answered unless she says otherwise; what is only to be read may be gone past", () => {
    const [question] = addStop(film, 1, "number", "en", newId).stops;
    const [note] = addStop(film, 1, "note", "en", newId).stops;
    const [link] = addStop(film, 1, "link", "en", newId).stops;
    expect([question!.maySkip, note!.maySkip, link!.maySkip]).toEqual([false, true, true]);
    expect(question!.question?.type).toBe("number");
    expect(note!.note).toBeDefined();
    expect(link!.link?.href).toMatch(/^https:/);
  });

  test("outside the part that is shown, or with an end before the beginning, the film does not do what it should", () => {
    const stopped = addStop(film, 30, "note", "en", newId);
    expect(filmProblem(stopped)).toBeNull();
    expect(filmProblem({ ...stopped, to: 20 })).toMatch(/stop outside/);
    expect(filmProblem({ ...stopped, from: 31 })).toMatch(/stop outside/);
    expect(filmProblem(stopped, 25)).toMatch(/stop outside/);
    expect(filmProblem({ ...film, from: 9, to: 9 })).toMatch(/ends before it begins/);
  });
});

describe("questions a film stops for", () => {
  const asking = addStop(addStop(film, 30, "choice", "en", newId), 10, "number", "en", newId);

  test("are questions of the step like any other, in the order the film asks them", () => {
    expect(questionsOf(stepWith(asking)).map(({ type }) => type)).toEqual(["number", "choice"]);
    const document = lessonOf([stepWith(asking)]);
    expect(allQuestions(document)).toHaveLength(2);
  });

  test("have ids of their own in a copy: their answers are gathered apart", () => {
    const copy = withNewBlockIds(asking, newId) as BlockOf<"film">;
    const ids = (block: BlockOf<"film">) => block.stops.flatMap((stop) => [stop.id, stop.question!.id]);
    expect(ids(copy).some((id) => ids(asking).includes(id))).toBe(false);
    expect(copy.stops.map(({ at }) => at)).toEqual([10, 30]);
  });

  test("the same id twice is no document", () => {
    const [stop] = asking.stops;
    const twice = { ...asking, stops: [stop!, { ...stop!, id: "other" }] };
    expect(() => lessonOf([stepWith(twice)])).toThrow(/used twice/);
  });

  test("leave the server without their answers", () => {
    const question = { ...newQuestion("choice", "en", newId), right: "secret" } as never;
    const told = studentStep(stepWith({ ...film, stops: [{ id: "s", at: 3, maySkip: false, question }] }));
    expect(JSON.stringify(told)).not.toContain("secret");
    expect(questionsOf(told)).toHaveLength(1);
  });

  test("are among the words that are compared when the film was changed", () => {
    const [stop] = asking.stops;
    const spoken = putStop(asking, { ...stop!, note: { en: richText("Look at the post.") } });
    expect(stepText(stepWith(spoken), ["en"])).toMatch(/0:10 Look at the post\./);
  });

  test("a step with a film is about watching", () => {
    expect(mainActivity(stepWith(asking))).toBe("watch");
  });
});
