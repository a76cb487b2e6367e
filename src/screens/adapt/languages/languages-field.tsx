"use client";
import { Languages, Trash2 } from "lucide-react";
import { useState } from "react";
import type { Document } from "@/core/resource/document";
import { languageNamed } from "@/core/resource/language-named";
import { translated, withLanguage, withoutLanguage } from "@/core/resource/translate";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { nativeLanguageName } from "@/screens/media/native-language-name";

const usual = ["en", "es", "fr", "pt", "de", "zh", "ar", "vi"];

/** The languages of the resource, how far each is, and another one, by its name or its BCP 47 tag. */
export function LanguagesField({
  document,
  onDocument,
  onLanguage,
}: {
  document: Document;
  onDocument: (document: Document) => void;
  onLanguage: (language: string) => void;
}) {
  const [typed, setTyped] = useState("");
  const [main, ...others] = document.languages;
  const tag = languageNamed(typed);
  const here = tag !== null && document.languages.includes(tag);
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
          if (!tag || here) return;
          onDocument(withLanguage(document, tag));
          onLanguage(tag);
          setTyped("");
        }}
      >
        <TextInput
          aria-label="Another language"
          aria-describedby="language-typed"
          list="usual-languages"
          placeholder="Spanish, português, ar …"
          value={typed}
          maxLength={40}
          onChange={(event) => setTyped(event.target.value)}
        />
        <datalist id="usual-languages">
          {usual
            .filter((one) => !document.languages.includes(one))
            .map((one) => (
              <option key={one} value={nativeLanguageName(one)} />
            ))}
        </datalist>
        <Button type="submit" disabled={!tag || here}>
          Add
        </Button>
      </form>
      <p id="language-typed" role="status" className="min-h-5 text-[13px] text-ink-soft">
        {here
          ? `${nativeLanguageName(tag)} is here already.`
          : tag
            ? `Adds ${nativeLanguageName(tag)}.`
            : typed.trim().length > 3
              ? "We do not know a language by that name."
              : ""}
      </p>
    </section>
  );
}
