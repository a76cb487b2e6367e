import type { Metadata } from "next";
import { classById, studentsOf } from "@/data/classes/classes";
import { LettersScreen } from "@/screens/classes/letters-screen";
import { baseAddress } from "@/server/web/base-address";
import { idFrom } from "@/core/ids";
import { lettersHome } from "@/server/classes/letters";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Letters home" };

export default async function LettersPage({ params }: { params: Promise<{ class: string }> }) {
  const id = idFrom((await params).class) ?? -1;
  const { db, visitor } = await enter("see class", { class: id });
  const [group, students] = await Promise.all([classById(db, id), studentsOf(db, id)]);
  return (
    <LettersScreen
      letters={lettersHome()}
      className={group!.name}
      subject={group!.subject}
      teacher={`${visitor.givenName} ${visitor.familyName}`}
      school={visitor.schoolName ?? ""}
      students={students}
      joinAddress={`${(await baseAddress()).replace(/^https?:\/\//, "")}/join`}
    />
  );
}
