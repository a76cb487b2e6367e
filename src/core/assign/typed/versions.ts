import { languageName } from "../../find/also";
import type { VersionWords } from "./how";
import type { Resolved } from "./moments";
import { wordsIn } from "./token";
import { well } from "./who-gets";
import type { LineVersion, LineWorld } from "./world";

/** Common practice: a third of a grade is felt. */
const EASIER_BY = 0.3;

function found(words: VersionWords, { main, versions }: LineWorld): LineVersion | undefined {
  switch (words.by) {
    case "main":
      return undefined;
    case "shorter":
      return versions
        .filter(({ minutes }) => minutes < main!.minutes)
        .sort((one, other) => one.minutes - other.minutes)[0];
    case "easier":
      return versions
        .filter(
          ({ readingGrade }) =>
            readingGrade !== null && main!.readingGrade !== null && readingGrade < main!.readingGrade - EASIER_BY,
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

/** The version meant, 0 for the resource itself. */
export function versionOf(words: VersionWords, world: LineWorld): Resolved<number> {
  const no = (problem: string) => ({ value: null, answer: { said: "which version?", problem, offers: [] } });
  if (!world.main) return no("Versions are chosen for one resource at a time.");
  if (words.by === "main") return { value: 0, answer: well("the one you chose") };
  const version = found(words, world);
  if (version) return { value: version.id, answer: well(`“${version.title}”`) };
  if (words.by === "title") return no(`No version is called “${words.words}”.`);
  return no(
    `There is no ${words.by === "language" ? `${languageName(words.language)} version` : `${words.by} version`} of it.`,
  );
}
