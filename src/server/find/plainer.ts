import { plainChanges, type PlainChange } from "@/core/plain-words/plain-words";
import type { Document } from "@/core/resource/document";
import { commonSpanish, simplerWords } from "./word-files";

/** What is written for everybody reads like grade 6 at most; common practice of public authorities. */
const FOR_EVERYBODY = 6;

/** Plainer words and shorter sentences for what a family reads of a resource, in one of its languages. */
export const plainerForFamilies = (document: Document, language: string): PlainChange[] =>
  plainChanges(document, {
    ...{ language, grade: FOR_EVERYBODY, simpler: simplerWords(language) },
    commonSpanish: language.startsWith("es") ? commonSpanish() : [],
  });
