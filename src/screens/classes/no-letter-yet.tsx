import { languageName } from "@/core/locale/names";
import { Notice } from "@/ui/notice";

/** Which families get the English letter, because none is written in their language. */
export function NoLetterYet({ families }: { families: readonly { student: string; language: string }[] }) {
  if (families.length === 0) return null;
  return (
    <Notice className="not-printed mb-5">
      <p>We do not have a letter in every family’s language yet. These families get the English one:</p>
      <ul className="mt-1">
        {families.map(({ student, language }) => (
          <li key={student}>
            {student}: {languageName(language)}
          </li>
        ))}
      </ul>
    </Notice>
  );
}
