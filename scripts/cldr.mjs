// Writes src/core/locale/cldr.json from the Unicode CLDR (package cldr-core): money, measures, paper and dates by country.
// Run it when there is a new version of CLDR: `npm install --no-save cldr-core && node scripts/cldr.mjs`.
import { readFileSync, writeFileSync } from "node:fs";

const read = (name) =>
  JSON.parse(readFileSync(new URL(`../node_modules/cldr-core/supplemental/${name}.json`, import.meta.url), "utf8"))
    .supplemental;
const { currencyData, version } = read("currencyData");
const { measurementData } = read("measurementData");
const list = readFileSync(new URL("../src/core/locale/countries.ts", import.meta.url), "utf8");
const countries = [...list.matchAll(/"([A-Z]{2})"/g)].map(([, code]) => code);

/** What is paid with in a country now: the last currency it has that is tender and has not ended. */
const money = (country) =>
  (currencyData.region[country] ?? []).flatMap((one) =>
    Object.entries(one)
      .filter(([, { _to, _tender }]) => !_to && _tender !== "false")
      .map(([code]) => code),
  );
const monthFirst = (country) => {
  const { language } = new Intl.Locale(`und-${country}`).maximize();
  const parts = new Intl.DateTimeFormat(`${language}-${country}`, { dateStyle: "short" }).formatToParts(new Date());
  const order = parts.map(({ type }) => type).filter((type) => type !== "literal");
  return order.indexOf("month") < order.indexOf("day") && order[0] !== "year";
};
const grouped = (pairs) => {
  const groups = {};
  for (const [key, value] of pairs) (groups[key] ??= []).push(value);
  return Object.fromEntries(Object.entries(groups).map(([key, values]) => [key, values.join(" ")]));
};
const where = (of, value) => countries.filter((country) => (of[country] ?? of["001"]) === value).join(" ");
const { measurementSystem, paperSize } = measurementData;
writeFileSync(
  new URL("../src/core/locale/cldr.json", import.meta.url),
  `${JSON.stringify(
    {
      source: `Unicode CLDR ${version._cldrVersion}`,
      currencies: grouped(
        countries.flatMap((country) =>
          money(country)
            .slice(0, 1)
            .map((code) => [code, country]),
        ),
      ),
      inches: where(measurementSystem, "US"),
      miles: [where(measurementSystem, "US"), where(measurementSystem, "UK")].join(" "),
      letterPaper: where(paperSize, "US-Letter"),
      monthFirst: countries.filter(monthFirst).join(" "),
    },
    null,
    2,
  )}\n`,
);
