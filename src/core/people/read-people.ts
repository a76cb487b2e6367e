/** Adults of a school as an office types or pastes them. */
export interface ReadPerson {
  line: number;
  givenName: string;
  familyName: string;
  email: string;
  roles: PersonRole[];
}

export const personRoles = ["teacher", "office", "curator"] as const;
export type PersonRole = (typeof personRoles)[number];

export interface ReadPeople {
  people: ReadPerson[];
  problems: { line: number; text: string; row: string }[];
}

const MOST_PEOPLE = 500;
const LONGEST_NAME = 80;

/** Loose on purpose: an address is right when mail arrives. At most 200 characters. `isEmail("ines@skerry.example")` gives `true`. */
export const isEmail = (text: string): boolean =>
  text.length <= 200 && /^[^\s@,;<>"]+@[^\s@,;<>"]+\.[^\s@,;<>".]+$/.test(text);

const plain = (text: string) => text.trim().toLowerCase().replace(/\s+/g, " ");
const headings: [keyof ReadPerson | "name", RegExp][] = [
  ["givenName", /^(given|first|fore) ?names?$/],
  ["familyName", /^(family|last|sur) ?names?$/],
  ["name", /^(full )?name$/],
  ["email", /^e-?mail( address)?$/],
  ["roles", /^roles?$/],
];

function rolesIn(text: string): PersonRole[] | null {
  const words = plain(text)
    .split(/[\s,;+/&]+/)
    .filter(Boolean);
  if (words.length === 0) return ["teacher"];
  const found = words
    .filter((word) => word !== "and")
    .map((word) => personRoles.find((role) => role === word.replace(/s$/, "")));
  return found.every((role) => role !== undefined) ? [...new Set(found)] : null;
}

/**
 * Reads a table of people: a heading in any order, or without one given name, family name, e-mail, role. A role is teacher,
 * office or curator, several with commas; none is teacher. Every line becomes a person or a problem.
 * `readPeople([["Ines", "Halloran", "ines@skerry.example", "teacher"]]).people` gives `[{ line: 1, givenName: "Ines", familyName: "Halloran", email: "ines@skerry.example", roles: ["teacher"] }]`.
 */
export function readPeople(rows: readonly string[][]): ReadPeople {
  const filled = rows.map((row, at) => ({ row, line: at + 1 })).filter(({ row }) => row.some((cell) => cell.trim()));
  const named = (filled[0]?.row ?? []).map((cell) => headings.find(([, pattern]) => pattern.test(plain(cell)))?.[0]);
  const headed = named.includes("email");
  const columns = headed ? named : (["givenName", "familyName", "email", "roles"] as const);
  const people: ReadPerson[] = [];
  const problems: ReadPeople["problems"] = [];
  const seen = new Map<string, number>();
  for (const { row, line } of headed ? filled.slice(1) : filled) {
    const cell = (name: (typeof headings)[number][0]) => (row[columns.indexOf(name as never)] ?? "").trim();
    const wrong = (text: string) => problems.push({ line, text, row: row.join(", ").slice(0, 120) });
    if (people.length >= MOST_PEOPLE) {
      wrong(`More than ${MOST_PEOPLE} people at once are not read.`);
      break;
    }
    const whole = cell("name").split(/\s+/);
    const givenName = cell("givenName") || whole.slice(0, -1).join(" ");
    const familyName = cell("familyName") || (whole.length > 1 ? whole.at(-1)! : "");
    const email = cell("email").toLowerCase();
    const roles = rolesIn(cell("roles"));
    if (!givenName || !familyName) wrong("A given name and a family name are needed.");
    else if (givenName.length > LONGEST_NAME || familyName.length > LONGEST_NAME)
      wrong(`A name is longer than ${LONGEST_NAME} letters.`);
    else if (!isEmail(email))
      wrong(email ? `“${email.slice(0, 60)}” is not an e-mail address.` : "There is no e-mail address.");
    else if (!roles) wrong("A role is teacher, office or curator.");
    else if (seen.has(email)) wrong(`This address is in line ${seen.get(email)} too.`);
    else {
      seen.set(email, line);
      people.push({ line, givenName, familyName, email, roles });
    }
  }
  return { people, problems };
}
