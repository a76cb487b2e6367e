import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { letterHome, withoutLetter } from "@/core/roster/letter";
import { lettersHome, readLetters } from "./letters";

const facts = {
  student: "Pau Ferran",
  className: "5 Kittiwake",
  subject: "mathematics and reading",
  teacher: "Ines Halloran",
  school: "Lighthouse Road Primary",
  address: "satchel.example/join",
  signInName: "pau.ferran",
};
const letters = lettersHome();

test("a letter home is in the family's language, a regional one too, else in English", () => {
  expect(letterHome(letters, facts, "es").greeting).toBe("Estimada familia de Pau Ferran:");
  expect(letterHome(letters, facts, "es-MX").language).toBe("es");
  expect(letterHome(letters, facts, "pl").language).toBe("en");
  expect(letterHome(letters, facts, null).language).toBe("en");
});

test.each(Object.keys(letters))(
  "in %s it says where to go and which name to type, and nothing is left unfilled",
  (language) => {
    const { greeting, paragraphs, closing } = letterHome(letters, facts, language);
    const text = [greeting, ...paragraphs, closing].join(" ");
    for (const said of ["satchel.example/join", "pau.ferran", "5 Kittiwake", "Pau Ferran"])
      expect(text).toContain(said);
    expect(text).not.toMatch(/[{}]/);
  },
);

test("families whose language no letter is written in are named, those who read one of them are not", () => {
  const family = (familyName: string, familyLanguage: string | null) => ({
    givenName: "A",
    familyName,
    familyLanguage,
  });
  expect(
    withoutLetter(letters, [
      family("Rey", "es-MX"),
      family("Dahl", null),
      family("Noor", "ar"),
      family("Li", "zh-Hans"),
    ]),
  ).toEqual([
    { student: "A Noor", language: "ar" },
    { student: "A Li", language: "zh-Hans" },
  ]);
});

test("another language is one more file; one that says too little, or is none, is left out", () => {
  const folder = mkdtempSync(path.join(tmpdir(), "letters-"));
  const file = (name: string, text: object | string) =>
    writeFileSync(path.join(folder, name), typeof text === "string" ? text : JSON.stringify(text));
  const whole = { greeting: "Ahoj {student}", paragraphs: ["{className} {address} {signInName}"], closing: "Zdar" };
  file("en.json", letters.en!);
  file("cs.json", whole);
  file("xx.json", { ...whole, paragraphs: ["{className}"] });
  file("yy.json", { ...whole, closing: "", paragraphs: [...whole.paragraphs, "{password}"] });
  file("zz.json", "{");
  const read = readLetters(folder);
  expect(Object.keys(read).sort()).toEqual(["cs", "en"]);
  expect(letterHome(read, facts, "cs-CZ").greeting).toBe("Ahoj Pau Ferran");
  rmSync(folder, { recursive: true });
  const empty = mkdtempSync(path.join(tmpdir(), "letters-"));
  expect(() => readLetters(empty)).toThrow("no letter in English");
  rmSync(empty, { recursive: true });
});
