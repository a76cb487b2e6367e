import { languageName } from "../../locale/names";
import type { VersionWords } from "./how";
import type { Resolved } from "./moments";
import { wordsIn } from "./token";
import { well } from "./who-gets";
import { formatList } from "@/core/format-list";
import type { LineVersion, LineWorld } from "./world";

/** Common practice: a third of a grade is felt. */
const EASIER_BY = 0.3;

type Main = LineWorld["mains"][number];

function found(words: VersionWords, main: Main, versions: readonly LineVersion[]): LineVersion | undefined {
  switch (words.by) {
    case "main":
      return undefined;
    case "shorter":
      return versions
        .filter(({ minutes }) => minutes < main.minutes)
        .sort((one, other) => one.minutes - other.minutes)[0];
    case "easier":
      return versions
        .filter(
          ({ readingGrade }) =>
            readingGrade !== null && main.readingGrade !== null && readingGrade < main.readingGrade - EASIER_BY,
        )
        .sort((one, other) => one.readingGrade! - other.readingGrade!)[0];
    case "language":
      return versions.find(({ languages }) => languages[0]?.split("-")[0] === words.language.split("-")[0]);
    case "title": {
      const named = versions.filter(({ title }) => wordsIn(title).includes(words.words));
      return named.find(({ title }) => wordsIn(title) === words.words) ?? named[0];
    }
  }
}

/**
 * The versions meant, one for each of the resources that has such a one; none: the resources themselves.
 * `versionsOf({ by: "main" }, world).value` gives `[]`.
 */
export function versionsOf(words: VersionWords, world: LineWorld): Resolved<{ of: number; resource: number }[]> {
  const no = (problem: string) => ({ value: null, answer: { said: "which version?", problem, offers: [] } });
  const several = world.mains.length > 1;
  if (words.by === "main") return { value: [], answer: well(several ? "the ones you chose" : "the one you chose") };
  const meant = world.mains.flatMap(
    (main) =>
      found(
        words,
        main,
        world.versions.filter(({ of }) => of === main.id),
      ) ?? [],
  );
  if (meant.length > 0)
    return {
      value: meant.map(({ id, of }) => ({ of, resource: id })),
      answer: well(formatList(meant.map(({ title }) => `“${title}”`))),
    };
  if (words.by === "title") return no(`No version is called “${words.words}”.`);
  return no(
    `There is no ${words.by === "language" ? `${languageName(words.language)} version` : `${words.by} version`} of ${several ? "them" : "it"}.`,
  );
}
