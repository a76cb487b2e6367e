import { listedForm } from "../content/listed-form";

/**
 * People who answer to what is typed: first those with a name that begins so, then those whose name or school has it.
 * `called([{ name: "Ines Halloran" }, { name: "Rona Sundin" }], "ron")` gives `[{ name: "Rona Sundin" }]`.
 */
export function called<Person extends { name: string; school: string | null }>(
  people: readonly Person[],
  typed: string,
): Person[] {
  const sought = listedForm(typed.trim());
  const begins = ({ name }: Person) => ` ${listedForm(name)}`.includes(` ${sought}`);
  const has = ({ name, school }: Person) => listedForm(`${name} ${school ?? ""}`).includes(sought);
  return [...people.filter(begins), ...people.filter((one) => !begins(one) && has(one))];
}
