import { languageNamed } from "./language-named";

test.each([
  ["Spanish", "es"],
  ["español", "es"],
  [" espanol ", "es"],
  ["es", "es"],
  ["Welsh", "cy"],
  ["Cymraeg", "cy"],
  ["العربية", "ar"],
  ["Brazilian Portuguese", "pt-BR"],
  ["pt-br", "pt-BR"],
  ["ES", "es"],
  ["qaa", "qaa"],
  ["iw", "he"],
])("“%s” is %s", (typed, tag) => {
  expect(languageNamed(typed)).toBe(tag);
});

test.each(["", "spannish", "Elvish of the north", "x", "12"])("nothing is called “%s”", (typed) => {
  expect(languageNamed(typed)).toBeNull();
});
