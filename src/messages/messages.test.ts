import { readFileSync } from "node:fs";
import path from "node:path";
import { createTranslator } from "use-intl/core";
import { catalogues, refusals, screenLanguages, type Catalogue } from "./catalogues";
import { problemOf } from "@/server/web/problem";
import type { RefusalCode } from "./catalogues";
import { chooseLanguage } from "./choose-language";

const flat = (catalogue: Catalogue): Map<string, string> =>
  new Map(
    Object.entries(catalogue).flatMap(([group, messages]) =>
      Object.entries(messages).map(([name, text]) => [`${group}.${name}`, text] as const),
    ),
  );
/** The values a message is given, in alphabetical order. */
const valuesOf = (text: string) => [...new Set([...text.matchAll(/\{(\w+)[,}]/g)].map(([, name]) => name))].sort();
const english = flat(catalogues.en);
const others = screenLanguages.filter((language) => language !== "en");

describe.each(others)("what students' screens say in %s", (language) => {
  const said = flat(catalogues[language]);

  test("says everything English says, and nothing else", () => {
    expect([...said.keys()].sort()).toEqual([...english.keys()].sort());
    expect([...said.values()].filter((text) => text.trim() === "")).toEqual([]);
  });

  test("gives each message the same values", () => {
    const differ = [...said].filter(([name, text]) => valuesOf(text).join() !== valuesOf(english.get(name)!).join());
    expect(differ).toEqual([]);
  });

  test("every message can be put together", () => {
    const problems: string[] = [];
    const translate = createTranslator({
      locale: language,
      messages: catalogues[language],
      onError: (error) => problems.push(error.message),
    }) as unknown as (name: string, values: Record<string, unknown>) => string;
    for (const [name, text] of said)
      translate(name, Object.fromEntries(valuesOf(text).map((value) => [value!, /plural/.test(text) ? 2 : "x"])));
    expect(problems).toEqual([]);
  });
});

describe("why an act was refused, by code", () => {
  test("is no other sentence for children by the same code", () => {
    const both = Object.keys(refusals).filter((code) => code in catalogues.en.problem);
    expect(both).toEqual([]);
  });

  test("is said once: two codes do not say the same", () => {
    const texts = [...Object.values(refusals), ...Object.values(catalogues.en.problem)];
    expect(texts.filter((text, at) => texts.indexOf(text) !== at)).toEqual([]);
  });

  test("can be put together, and ends as a sentence does", () => {
    for (const [code, text] of Object.entries(refusals)) {
      const values = Object.fromEntries(valuesOf(text).map((value) => [value!, /plural/.test(text) ? 2 : "it."]));
      const { problem } = problemOf(code as RefusalCode, values);
      expect(problem).not.toMatch(/[{}]|problem\./);
      expect(problem).toMatch(/[.?!]$/);
    }
  });

  test.each(["student/student", "reading/child", "review/child", "portfolio/child"])(
    "what %s acts refuse is said in each language of children's screens",
    (acts) => {
      const source = readFileSync(path.join(__dirname, "../server", `${acts}-actions.ts`), "utf8");
      const codes = [...source.matchAll(/(?:ActionError|problemOf)\(\s*"(\w+)"/g)].map(([, code]) => code!);
      expect(codes.length).toBeGreaterThan(0);
      expect(codes.filter((code) => !(code in catalogues.en.problem))).toEqual([]);
    },
  );

  test("says one thing and several", () => {
    expect(problemOf("tooManyTriesWait", { minutes: 1 }).problem).toBe(
      "Too many tries. Wait 1 minute, then try again.",
    );
    expect(problemOf("nothingInPocket", { titles: "“Tides”, “Ferries”", count: 2 }).problem).toBe(
      "Nothing in this pocket can be assigned: “Tides”, “Ferries” are not published, or taken off the shelf.",
    );
  });
});

test.each([
  ["es", "en-GB,en", "es"],
  [undefined, "es-MX,es;q=0.9,en;q=0.8", "es"],
  [undefined, "fo,da;q=0.9,es;q=0.5,en;q=0.7", "en"],
  [undefined, "fo", "en"],
  ["xx", null, "en"],
  [undefined, "es;q=nonsense,en;q=0.2", "en"],
])("chosen %s, asked for %s: %s", (chosen, accepted, language) =>
  expect(chooseLanguage(chosen, accepted)).toBe(language),
);
