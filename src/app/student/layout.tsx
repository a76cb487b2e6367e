import type { ReactNode } from "react";
import { Messages } from "@/screens/language/messages";
import { enter } from "@/server/web/page";
import { screenLanguage } from "@/server/web/screen-language";

/** Students' screens are in the student's language. */
export default async function StudentLayout({ children }: { children: ReactNode }) {
  await enter("see own work");
  const said = await screenLanguage();
  return (
    <div lang={said.language}>
      <Messages {...said}>{children}</Messages>
    </div>
  );
}
