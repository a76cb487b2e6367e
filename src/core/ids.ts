/** A number from an address, or undefined: what is not a number is not there. `idFrom("17")` gives `17`. */
export function idFrom(text: string | string[] | null | undefined): number | undefined {
  const first = Array.isArray(text) ? text[0] : text;
  return first && /^\d{1,9}$/.test(first) ? Number(first) : undefined;
}

/** Numbers with commas between, from an address, each once; what is none is left out. `idsFrom("17,x,9")` gives `[17, 9]`. */
export const idsFrom = (text: string | string[] | null | undefined): number[] => [
  ...new Set(
    String(text ?? "")
      .split(",")
      .map((one) => idFrom(one))
      .filter((id) => id !== undefined),
  ),
];
