import type { ReactNode } from "react";
import { Messages } from "@/screens/language/messages";
import { enter } from "@/server/web/page";
import { screenLanguage } from "@/server/web/screen-language";

/** Students' screens are in the student's language. */
export default async function StudentLayout({ children }: { children: ReactNode }) {
  // A child who is not signed in is led to the right door by the page, which knows what was asked for.
  await enter("sign in");
  const said = await screenLanguage();
  return (
    <div lang={said.language}>
      <Messages {...said}>{children}</Messages>
    </div>
  );
}
