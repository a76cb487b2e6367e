/** A number that is right. */
export interface AcceptedNumber {
  right: number;
  /** Still right when off by no more than this, in the first unit. */
  tolerance: number;
  /** Units to choose from, by how many of the first one each makes; null for one that can never be right. */
  units?: readonly { name: string; factor: number | null }[] | undefined;
}

/**
 * Reads a number as people write it: "1,250", "1 250", "12.5", "12,5", "3/4", "1 1/2", "−3". Returns null for anything
 * else. A single comma followed by exactly three digits reads as a thousands sign unless the language uses a decimal
 * comma ("1,250" is 1250 in English and 1.25 in Spanish).
 * `parseNumber("1 1/2")` gives `1.5`.
 */
export function parseNumber(text: string, decimal: "." | "," = "."): number | null {
  const tidy = text.trim().replace(/[−–]/g, "-").replace(/[  ']/g, " ");
  const fraction = /^(-?)(?:(\d+) )?(\d+) ?[/⁄] ?(\d+)$/.exec(tidy);
  if (fraction) {
    const [, sign, whole, top, bottom] = fraction;
    if (Number(bottom) === 0) return null;
    return (sign ? -1 : 1) * (Number(whole ?? 0) + Number(top) / Number(bottom));
  }
  const thousands = decimal === "." ? "," : ".";
  let plain = tidy.replace(/(\d) (?=\d{3}(?:\D|$))/g, "$1");
  const grouped = new RegExp(`^-?\\d{1,3}(\\${thousands}\\d{3})+(\\${decimal}\\d+)?$`);
  if (grouped.test(plain)) plain = plain.replaceAll(thousands, "");
  // The other sign, alone and not as thousands, can only be meant as the decimal sign.
  if (!plain.includes(decimal) && plain.split(thousands).length === 2) plain = plain.replace(thousands, decimal);
  plain = plain.replace(decimal, ".");
  return /^-?(\d+(\.\d*)?|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** `decimalSign("es")` gives `","`. */
export function decimalSign(language: string): "." | "," {
  return new Intl.NumberFormat(language).format(1.5).includes(",") ? "," : ".";
}

/**
 * Whether a typed number, in the unit chosen, is right: within the tolerance of the part, in the part's first unit.
 * Floating-point dust is not counted against anyone (0.1 + 0.2 is 0.3).
 * `numberIsRight({ right: 0.3, tolerance: 0 }, { number: "0.3" })` gives `true`.
 */
export function numberIsRight(
  part: AcceptedNumber,
  response: { number: string; unit?: string | undefined },
  decimal: "." | "," = ".",
): boolean {
  const value = parseNumber(response.number, decimal);
  if (value === null) return false;
  let inFirstUnit = value;
  if (part.units) {
    const unit = part.units.find((accepted) => accepted.name === response.unit);
    if (!unit?.factor) return false;
    inFirstUnit = value * unit.factor;
  }
  const dust = Number.EPSILON * 8 * Math.max(1, Math.abs(part.right), Math.abs(inFirstUnit));
  return Math.abs(inFirstUnit - part.right) <= part.tolerance + dust;
}
