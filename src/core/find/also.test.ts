import fc from "fast-check";
import { activities } from "../content/vocabulary";
import { licences } from "../content/vocabulary";
import { bitBlanks, chosenBits, packAlso, packDoing } from "./also";
import { countries, countryName, languageName, languageOf, languages } from "../locale/names";
import { devices } from "../content/device";

const anything = fc.record({
  languages: fc.uniqueArray(fc.constantFrom(...languages), { minLength: 1 }),
  country: fc.constantFrom(...countries),
  licence: fc.constantFrom(...licences),
  devices: fc.uniqueArray(fc.constantFrom(...devices)),
  doing: fc.uniqueArray(fc.constantFrom(...activities)),
});

test("what is packed into the integers can be read again, and nothing touches anything else", () => {
  fc.assert(
    fc.property(anything, (values) => {
      const packed = { also: packAlso(values), doing: packDoing(values.doing) };
      const read = (blank: keyof typeof bitBlanks) => {
        const { column, shift, mask, kept, values: known } = bitBlanks[blank];
        const bits = (packed[column] >> shift) & mask;
        return known.filter((_, at) => (kept === "code" ? bits === at : (bits >> at) & 1));
      };
      expect(new Set(read("language"))).toEqual(new Set(values.languages));
      expect(read("country")).toEqual([values.country]);
      expect(read("licence")).toEqual([values.licence]);
      expect(new Set(read("device"))).toEqual(new Set(values.devices));
      expect(new Set(read("doing"))).toEqual(new Set(values.doing));
      expect(packed.also).toBeGreaterThanOrEqual(0);
    }),
  );
});

test("chosen values are bits by their place; what the blank does not know is left out", () => {
  expect(chosenBits("country", ["any", "US"])).toBe(0b101);
  expect(chosenBits("doing", ["opera"])).toBe(0);
});

test("tags lead to their language, other tongues to “other”", () => {
  expect([languageOf("es-MX"), languageOf("EN"), languageOf("fo"), languageOf("gd")]).toEqual([
    "es",
    "en",
    "fo",
    "other",
  ]);
});

test("countries and languages are said in words", () => {
  expect(["any", "XS", "US", "GB", "IE"].map((one) => countryName(one as (typeof countries)[number]))).toEqual([
    "anywhere",
    "the Skerry Isles",
    "the United States",
    "the United Kingdom",
    "Ireland",
  ]);
  expect([languageName("es"), languageName("other")]).toEqual(["Spanish", "another language"]);
});
