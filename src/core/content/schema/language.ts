import { z } from "zod";
import { isLanguageTag } from "../vocabulary";
import { RichText } from "./rich-text";

/** A BCP 47 language tag, for example "en", "es" or "pt-BR". */
export const LanguageTag = z.string().refine(isLanguageTag, "Not a language tag (BCP 47)");

export const TextByLanguage = z.record(LanguageTag, z.string().max(4000));
export type TextByLanguage = z.infer<typeof TextByLanguage>;

export const RichTextByLanguage = z.record(LanguageTag, RichText);
export type RichTextByLanguage = z.infer<typeof RichTextByLanguage>;
