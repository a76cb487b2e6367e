import type { Metadata } from "next";
import { idFrom, idsFrom } from "@/core/ids";
import { classById, studentsOf } from "@/data/classes/classes";
import { ResultLettersScreen } from "@/screens/student-results/result-letters-screen";
import { lettersAboutResults } from "@/server/classes/letters";
import { familyLetters } from "@/server/results/family-letters";
import { homeActivities } from "@/server/results/home-activities";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Letters about results" };

export default async function ResultLettersPage({
  params,
  searchParams,
}: {
  params: Promise<{ class: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const id = idFrom((await params).class) ?? -1;
  const { db, visitor, now } = await enter("see class", { class: id });
  const [group, students] = await Promise.all([classById(db, id), studentsOf(db, id)]);
  const asked = idsFrom((await searchParams).students);
  const chosen = students.filter((student) => asked.length === 0 || asked.includes(student.id));
  return (
    <ResultLettersScreen
      texts={lettersAboutResults()}
      letters={await familyLetters(db, visitor, group!, chosen, now)}
      activities={await homeActivities(db, id)}
      group={id}
      className={group!.name}
      teacher={`${visitor.givenName} ${visitor.familyName}`}
      school={visitor.schoolName ?? ""}
    />
  );
}
