"use client";
import { Languages, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Document } from "@/core/resource/document";
import { isLanguageTag } from "@/core/resource/vocabulary";
import { translated, withLanguage, withoutLanguage } from "@/core/resource/translate";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { nativeLanguageName } from "../media/native-language-name";

const usual = ["en", "es", "fr", "pt", "de", "zh", "ar", "vi"];

/** The languages of the resource, how far each is, and another one. Any BCP 47 tag will do. */
export function LanguagesField({
  document,
  onDocument,
  onLanguage,
}: {
  document: Document;
  onDocument: (document: Document) => void;
  onLanguage: (language: string) => void;
}) {
  const [tag, setTag] = useState("");
  const [main, ...others] = document.languages;
  const good = isLanguageTag(tag) && !document.languages.includes(tag);
  return (
    <section>
      <h3 className="mb-1 flex items-center gap-1.5 text-[13px] text-ink-soft">
        <Languages size={15} aria-hidden /> Languages
      </h3>
      <ul className="grid gap-1">
        <li>{nativeLanguageName(main!)}</li>
        {others.map((language) => {
          const { written, all } = translated(document, language);
          return (
            <li key={language} className="flex items-center gap-2">
              <button type="button" className="underline" onClick={() => onLanguage(language)}>
                {nativeLanguageName(language)}
              </button>
              <span className="numbers flex-1 text-[13px] text-ink-soft">
                {written} of {all} texts
              </span>
              <IconButton
                name={`Without ${nativeLanguageName(language)}`}
                small
                onClick={() => onDocument(withoutLanguage(document, language))}
              >
                <Trash2 size={14} aria-hidden />
              </IconButton>
            </li>
          );
        })}
      </ul>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!good) return;
          onDocument(withLanguage(document, tag));
          onLanguage(tag);
          setTag("");
        }}
      >
        <TextInput
          aria-label="Another language (es, fr, pt-BR …)"
          list="usual-languages"
          placeholder="es, fr, pt-BR …"
          value={tag}
          maxLength={20}
          onChange={(event) => setTag(event.target.value.trim())}
        />
        <datalist id="usual-languages">
          {usual
            .filter((one) => !document.languages.includes(one))
            .map((one) => (
              <option key={one} value={one}>
                {nativeLanguageName(one)}
              </option>
            ))}
        </datalist>
        <Button type="submit" disabled={!good}>
          Add
        </Button>
      </form>
    </section>
  );
}
