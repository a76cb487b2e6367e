import type { ReactNode } from "react";
import { Messages } from "@/screens/language/messages";
import { enter } from "@/server/web/page";
import { screenLanguage } from "@/server/web/screen-language";

/** The students’ door is in the student's language. */
export default async function JoinLayout({ children }: { children: ReactNode }) {
  await enter("sign in");
  const said = await screenLanguage();
  return (
    <div lang={said.language}>
      <Messages {...said}>{children}</Messages>
    </div>
  );
}
