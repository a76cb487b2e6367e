import { withoutLetter, letterHome, letterLanguages } from "./letter";

const facts = {
  student: "Pau Ferran",
  className: "5 Kittiwake",
  subject: "mathematics and reading",
  teacher: "Ines Halloran",
  school: "Lighthouse Road Primary",
  address: "satchel.example/join",
  signInName: "pau.ferran",
};

test("a letter home is in the family's language, a regional one too, else in English", () => {
  expect(letterHome(facts, "es").greeting).toBe("Estimada familia de Pau Ferran:");
  expect(letterHome(facts, "es-MX").language).toBe("es");
  expect(letterHome(facts, "pl").language).toBe("en");
  expect(letterHome(facts, null).language).toBe("en");
});

test("in every language it says where to go and which name to type, and never a password", () => {
  for (const language of letterLanguages) {
    const text = letterHome(facts, language).paragraphs.join(" ");
    expect(text).toContain("satchel.example/join");
    expect(text).toContain("pau.ferran");
    expect(text).toContain("5 Kittiwake");
  }
});

test("families whose language no letter is written in are named, those who read one of them are not", () => {
  const family = (familyName: string, familyLanguage: string | null) => ({
    givenName: "A",
    familyName,
    familyLanguage,
  });
  expect(
    withoutLetter([family("Rey", "es-MX"), family("Dahl", null), family("Noor", "ar"), family("Li", "zh-Hans")]),
  ).toEqual([
    { student: "A Noor", language: "ar" },
    { student: "A Li", language: "zh-Hans" },
  ]);
});
