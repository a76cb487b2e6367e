import { readSynonyms } from "./synonyms";

describe("words that find each other", () => {
  const synonyms = readSynonyms("# a remark\nboat, vessel, ship\nWarm-up, starter # both\n\n");

  test("each word of a line means the others", () => {
    expect(synonyms.get("boat")).toEqual(["vessel", "ship"]);
    expect(synonyms.get("ship")).toEqual(["boat", "vessel"]);
    expect(synonyms.get("warm-up")).toEqual(["starter"]);
    expect(synonyms.get("harbourmaster")).toBeUndefined();
  });

  test("American and British spellings find each other", () => {
    expect(synonyms.get("harbor")).toContain("harbour");
    expect(synonyms.get("colour")).toContain("color");
  });

  test("but not where the spelling depends on the sense", () => {
    for (const word of ["meter", "metre", "program", "licence", "practice"]) expect(synonyms.get(word)).toBeUndefined();
  });

  test("a word alone on its line is an error that names the line", () => {
    expect(() => readSynonyms("boat, ship\nlonely")).toThrow("line 2: “lonely” stands alone");
  });
});
