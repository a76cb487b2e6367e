import type { ReactNode } from "react";
import { plainComfort } from "@/core/student/comfort";
import { comfortOf } from "@/data/student/comfort";
import { ComfortProvider } from "@/screens/student/comfort";
import { enter } from "@/server/web/page";
import { InOwnLanguage } from "../in-own-language";

export default async function StudentLayout({ children }: { children: ReactNode }) {
  // A child who is not signed in is led to the right door by the page, which knows what was asked for.
  const { db, visitor } = await enter("sign in");
  const student = visitor?.kind === "student";
  return (
    <InOwnLanguage>
      <ComfortProvider start={student ? await comfortOf(db, visitor.id) : plainComfort} mayKeep={student}>
        {children}
      </ComfortProvider>
    </InOwnLanguage>
  );
}
