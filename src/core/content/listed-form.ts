/** The form words are listed under: lower case, without accents. `listedForm("Åse")` gives `"ase"`. */
export function listedForm(word: string): string {
  return word.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
