import fc from "fast-check";
import { asWords, readTyped, withoutFiller } from "./typed";

/** What was taken, in short: "grades 3,4,5". */
const read = (typed: string) => {
  const { words, taken } = readTyped(typed);
  return [words, ...taken.map(({ means: { as, ...what } }) => `${as} ${Object.values(what).flat().join(",")}`)];
};

describe("what is typed into the words", () => {
  test.each([
    ["tide tables for beginners", ["tide tables for beginners"]],
    ["ma.5.m.2", ["", "code MA.5.M.2"]],
    ["fractions MA.K.N.1 game", ["fractions game", "code MA.K.N.1"]],
    ["MA.5", ["", "code MA.5"]],
    ["4.MD.2 rulers", ["rulers", "code 4.MD.2"]],
    ["978-0-306-40615-7", ["", "isbn 9780306406157"]],
    ["otter 0306406152", ["otter", "isbn 9780306406157"]],
    ["978-0-306-40615-8", ["", "wrong isbn 9780306406158"]],
    ["tides by Teodor Brandt", ["tides", "author Teodor Brandt"]],
    ["by brandt about tides", ["about tides", "author brandt"]],
    ["topic negative numbers", ["", "topic negative numbers"]],
    ["depths topic: tides for grade 4", ["depths", "topic tides", "grades 4"]],
    ["the set Sea week", ["", "set Sea week"]],
    ["money grade 4", ["money", "grades 4"]],
    ["grades 3-5 tides", ["tides", "grades 3,4,5"]],
    ["tides for 4th graders", ["tides", "grades 4"]],
    ["first grade phonics", ["phonics", "grades 1"]],
    ["puffins kindergarten", ["puffins", "grades 0"]],
    ["kinder shapes", ["shapes", "grades 0"]],
    ["K-2 rhyme", ["rhyme", "grades 0,1,2"]],
    ["grade k shapes", ["shapes", "grades 0"]],
    ["fractions year 5", ["fractions", "grades 4"]],
    ["years 3-4 clouds", ["clouds", "grades 2,3"]],
    ["grades 5 to 3", ["grades 5 to 3"]],
    ["upgrade 4 boats", ["upgrade 4 boats"]],
    ["knots 45 min", ["knots", "minutes 45"]],
    ["knots under 20 minutes", ["knots", "minutes 20"]],
    ["up to half an hour clouds", ["clouds", "minutes 30"]],
    ["15-minute starter", ["starter", "minutes 15"]],
    ["12 mins clouds", ["clouds", "minutes 15"]],
    ["knots 75 minutes", ["knots", "minutes 90"]],
    ["knots an hour and a half", ["knots", "minutes 90"]],
    ["knots within 1.5 hours", ["knots", "minutes 90"]],
    ["two hours of knots", ["of knots", "minutes "]],
    ["life in 24 hours", ["life in 24 hours"]],
    ["maths games", ["games", "subject mathematics"]],
    ["tides maths", ["tides", "subject mathematics"]],
    ["art of the sea", ["art of the sea"]],
    ["tides quiz", ["tides", "kind quiz"]],
    ["quiz about tides", ["about tides", "kind quiz"]],
    ["otter story", ["otter", "kind reading"]],
    ["story writing", ["story writing"]],
    ["quiz", ["quiz"]],
  ])("%s", (typed, meant) => {
    expect(read(typed)).toEqual(meant);
  });

  test("in quotes everything is just words; around the quotes it is read on", () => {
    expect(read('"day by day" "MA.5.M.2"')).toEqual(['"day by day" "MA.5.M.2"']);
    expect(read('"year 5" tides quiz')).toEqual(['"year 5" tides', "kind quiz"]);
  });

  test("each part can be made words again, and is then read as nothing else", () => {
    for (const typed of ["knots 45 min", "tides quiz", "tides for 4th graders", "maths games", "ma.5 herring"]) {
      const [part] = readTyped(typed).taken;
      const words = asWords(typed, part!);
      expect(readTyped(words).taken).toEqual([]);
      expect(words.replaceAll('"', "")).toBe(typed);
    }
  });

  test("the small words of a sentence are not looked for", () => {
    expect(withoutFiller("i need something about volcanoes for my class")).toBe("volcanoes");
    expect(withoutFiller("how the heart works")).toBe("heart works");
    expect(withoutFiller("what is this")).toBe("what is this");
    expect(withoutFiller('"what is this"')).toBe('"what is this"');
  });

  const sentence = fc
    .array(
      fc.constantFrom(
        "tides",
        "quiz",
        "grade 4",
        "45 min",
        "by Ines",
        "ma.5",
        '"high water"',
        "-moon",
        "topic sea",
        "é",
      ),
      { minLength: 1, maxLength: 8 },
    )
    .map((parts) => `${parts.join(" ")} `);
  let tookGrade = 0;
  test("nothing anybody types breaks it, and every part stands where it says", () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 80 }), sentence), (typed) => {
        const { words, taken } = readTyped(typed);
        for (const { from, to, text } of taken) expect(typed.slice(from, to)).toBe(text);
        // What is taken out stands apart, and the rest is what is looked for: no letter is lost or there twice.
        for (const [at, part] of taken.slice(1).entries()) expect(part.from).toBeGreaterThanOrEqual(taken[at]!.to);
        const rest = taken.reduceRight((left, { from, to }) => left.slice(0, from) + left.slice(to), typed);
        expect(words.replace(/\s/g, "")).toBe(rest.replace(/\s/g, ""));
        if (taken.some(({ means }) => means.as === "grades")) tookGrade += 1;
      }),
    );
    expect(tookGrade).toBeGreaterThan(0);
  });
});
