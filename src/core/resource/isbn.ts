/**
 * An ISBN-13 from what somebody typed, with spaces or hyphens; null when it is none. The last digit checks the others:
 * weights 1 and 3 in turn, the sum divisible by 10 (ISO 2108:2017, Annex C).
 */
export function readIsbn(typed: string): string | null {
  const digits = typed.replace(/[\s-]/g, "");
  if (!/^97[89]\d{10}$/.test(digits)) return null;
  const sum = [...digits].reduce((total, digit, at) => total + Number(digit) * (at % 2 === 0 ? 1 : 3), 0);
  return sum % 10 === 0 ? digits : null;
}
