import { stretchesOf } from "./stretches";

const term = (name: string, from: string, to: string) => ({ name, from, to });
const terms = [
  term("Tides term", "2025-09-01", "2025-12-19"),
  term("Lights term", "2026-01-12", "2026-06-12"),
  term("Tides term", "2026-08-31", "2026-12-18"),
  term("Lights term", "2027-01-11", "2027-06-11"),
];

test("the term under way comes first, earlier ones after it, and last the school year to its end", () => {
  const [now, ...others] = stretchesOf({ terms }, "2026-11-28");
  expect(now).toEqual({ name: "Tides term", from: "2026-08-31", to: "2026-12-18" });
  expect(others.map(({ name }) => name)).toEqual(["Lights term", "Tides term 2025", "the school year"]);
  expect(others.at(-1)).toMatchObject({ to: "2027-06-11" });
});

test("no two have the same name", () => {
  const names = stretchesOf({ terms }, "2027-06-01").map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
});

test("where no term has begun, or none is known, it is a year back and a semester on", () => {
  for (const calendar of [{ terms: [] }, { terms: terms.slice(2) }])
    expect(stretchesOf(calendar, "2026-08-01")).toEqual([
      { name: "the last year", from: "2025-08-01", to: "2026-12-05" },
    ]);
});

test("a term that began long ago and still goes on is a year of its own", () => {
  const long = [term("All year", "2025-09-01", "2026-12-18")];
  expect(stretchesOf({ terms: long }, "2026-11-28").at(-1)).toEqual({
    ...{ name: "the school year", from: "2025-09-01", to: "2026-12-18" },
  });
});
