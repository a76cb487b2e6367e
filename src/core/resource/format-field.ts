import { months as monthNames } from "../calendar/format-moment";
import { countryName, languageName, type Country } from "../locale/names";
import { deviceName } from "../content/device";
import { formatGradeSpan } from "../content/grade";
import type { Document } from "./document";
import { inLanguage } from "../content/language";
import type { Field } from "./merge";
import { plainText } from "../content/rich-text";

/** Every language of a text, the first alone without its name. */
function each<Value>(
  texts: Record<string, Value> | undefined,
  languages: readonly string[],
  say: (value: Value) => string,
): string {
  const written = languages.flatMap((language) =>
    texts?.[language] ? [[language, say(texts[language])] as const] : [],
  );
  return written
    .map(([language, text]) => (language === languages[0] ? text : `${languageName(language)}: ${text}`))
    .join("\n");
}

/**
 * What is said of the whole in one field, in words: to be shown before and after. Empty where nothing is said.
 * `formatField(lesson, "title")` gives `"Tides"`.
 */
export function formatField(document: Document, field: Field): string {
  const { languages } = document;
  switch (field) {
    case "title":
    case "summary":
      return each(document[field], languages, (text) => text);
    case "teacherNotes":
    case "familyNote":
      return each(document[field], languages, (text) => plainText(text));
    case "kind":
      return document.kind;
    case "grades":
      return `grades ${formatGradeSpan(document.grades)}`;
    case "subjects":
      return document.subjects.join(", ");
    case "topics":
      return document.topics.join(", ");
    case "months":
      return (document.months ?? []).map((month) => monthNames[month - 1]).join(", ");
    case "minutes":
      return document.minutes === undefined ? "" : `${document.minutes} minutes`;
    case "region":
      return document.region ? countryName(document.region.slice(0, 2) as Country) : "";
    case "devices":
      return document.devices.map(deviceName).join(", ");
    case "standards":
      return document.standards.map(({ code, relation }) => `${code} (${relation})`).join("\n");
    case "edition": {
      const { work, isbn13, year, pages, format, readBy } = document.edition ?? {};
      return [work, isbn13, year, pages && `${pages} pages`, format, readBy].filter(Boolean).join(", ");
    }
    case "vocabulary":
      return document.vocabulary
        .map(({ term, meaning }) => `${term}: ${inLanguage(meaning, languages) ?? ""}`)
        .join("\n");
    case "runSheet":
      return (document.runSheet?.days ?? [])
        .map(({ parts }, day) =>
          [`Day ${day + 1}`, ...parts.flatMap(({ lines }) => lines.map(({ kind, text }) => `${kind}: ${text}`))].join(
            "\n",
          ),
        )
        .join("\n");
    case "languages":
      return languages.map(languageName).join(", ");
  }
}
