import en from "./en.json";
import es from "./es.json";
import refusals from "./refusals.en.json";

/** What students' screens say, a file for each language. Messages are in the ICU format. A new language is a file, named here. */
export type Catalogue = typeof en;
export const catalogues = { en, es } satisfies Record<string, Catalogue>;
export type ScreenLanguage = keyof typeof catalogues;
export const screenLanguages = Object.keys(catalogues) as ScreenLanguage[];

export const isScreenLanguage = (text: unknown): text is ScreenLanguage =>
  screenLanguages.includes(text as ScreenLanguage);

/** The code of something that went wrong, as `problem` in the catalogues says it. */
export type ProblemCode = keyof Catalogue["problem"];

/** Why an act of a teacher's or the office's was refused, by code. These screens are in English; a language would be another such file. */
export { refusals };
export type RefusalCode = keyof typeof refusals;

declare module "use-intl" {
  interface AppConfig {
    Locale: ScreenLanguage;
    Messages: Catalogue;
  }
}
