/** The form words are listed under: lower case, without accents. */
export function listedForm(word: string): string {
  return word.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
