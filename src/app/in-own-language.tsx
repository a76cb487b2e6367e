import type { ReactNode } from "react";
import { Messages } from "@/screens/language/messages";
import { screenLanguage } from "@/server/web/screen-language";

/** Students' pages, in the language chosen on this device or asked for by the browser. */
export async function InOwnLanguage({ children }: { children: ReactNode }) {
  const said = await screenLanguage();
  return (
    <div lang={said.language}>
      <Messages {...said}>{children}</Messages>
    </div>
  );
}
