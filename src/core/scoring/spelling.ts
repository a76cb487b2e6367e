/** How typed words are compared with the accepted ones. */
export interface SpellingRule {
  ignoreCase: boolean;
  ignoreAccents: boolean;
  /** One letter wrong, missing, added or swapped is forgiven in words of five letters and more. */
  forgiveOneSlip: boolean;
}

/**
 * The form two answers are compared in: composed letters, single spaces, straight apostrophes; case and accents by the rule.
 * `comparable("  High  Tide. ", { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false })` gives `"high tide"`.
 */
export function comparable(text: string, rule: SpellingRule): string {
  let form = text
    .normalize("NFC")
    .replace(/[’‘`´]/g, "'")
    .replace(/\s+/g, " ")
    .trim();
  // Where the mark itself is asked for, it is all there is.
  form = form.replace(/[.!?]$/, "").trimEnd() || form;
  if (rule.ignoreCase) form = form.toLocaleLowerCase("und");
  if (rule.ignoreAccents) form = form.normalize("NFD").replace(/\p{M}/gu, "");
  return form;
}

/**
 * Whether one letter added, missing, wrong or swapped with its neighbour turns `a` into `b` (Damerau 1964).
 * `oneSlipApart("tide", "tied")` gives `true`.
 */
export function oneSlipApart(a: string, b: string): boolean {
  if (a === b) return true;
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (long.length - short.length > 1) return false;
  let start = 0;
  while (start < short.length && short[start] === long[start]) start += 1;
  let end = 0;
  while (end < short.length - start && short[short.length - 1 - end] === long[long.length - 1 - end]) end += 1;
  const left = short.length - start - end;
  if (long.length > short.length) return left === 0;
  return left === 1 || (left === 2 && short[start] === long[start + 1] && short[start + 1] === long[start]);
}

const SHORTEST_FORGIVEN = 5;

/** `isAccepted("harbor", "harbour", { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: true })` gives `true`. */
export function isAccepted(typed: string, accepted: string, rule: SpellingRule): boolean {
  const [a, b] = [comparable(typed, rule), comparable(accepted, rule)];
  if (a === b) return a !== "";
  return rule.forgiveOneSlip && b.length >= SHORTEST_FORGIVEN && oneSlipApart(a, b);
}
