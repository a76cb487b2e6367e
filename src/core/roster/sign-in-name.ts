/** Letters that Unicode does not take apart. */
const apart: Record<string, string> = {
  ø: "o",
  æ: "ae",
  œ: "oe",
  ß: "ss",
  ł: "l",
  đ: "d",
  ð: "d",
  þ: "th",
  ħ: "h",
  ı: "i",
};

/**
 * A name as it is typed on any keyboard: "Åse-Marie" is "ase-marie". What is in no Latin script becomes nothing.
 * `typable("Åse-Marie")` gives `"ase-marie"`.
 */
export function typable(name: string): string {
  return name
    .toLowerCase()
    .replace(/[øæœßłđðþħı]/g, (letter) => apart[letter]!)
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replace(/['’.]/g, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
}

const LONGEST = 24;

/**
 * A readable name to sign in with, unlike all that are taken: "aisha.bello", then "aisha.bello2". Names in other scripts
 * get a word of the shore and a number, which a child can read out.
 * `signInName({ givenName: "Aisha", familyName: "Bello" }, new Set(["aisha.bello"]))` gives `"aisha.bello2"`.
 */
export function signInName(student: { givenName: string; familyName: string }, taken: ReadonlySet<string>): string {
  const given = typable(student.givenName).split("-")[0] ?? "";
  const family = typable(student.familyName);
  const base = ([given, family].filter(Boolean).join(".") || "boat").slice(0, LONGEST).replace(/[-.]{1,24}$/, "");
  if (!taken.has(base) && (given || family)) return base;
  for (let n = 2; ; n += 1) if (!taken.has(`${base}${n}`)) return `${base}${n}`;
}

/** What a name to sign in with has to be like, for one that somebody chooses. `isSignInName("aisha.bello2")` gives `true`. */
export const isSignInName = (name: string): boolean => /^[a-z0-9][a-z0-9.-]{1,38}[a-z0-9]$/.test(name);
