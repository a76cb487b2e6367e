/** A language by its name in that language itself: "English", "español". */
export function nativeLanguageName(tag: string): string {
  try {
    return new Intl.DisplayNames([tag], { type: "language" }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}
