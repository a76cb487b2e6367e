import type { ReactNode } from "react";
import { enter } from "@/server/web/page";
import { InOwnLanguage } from "../in-own-language";

export default async function StudentLayout({ children }: { children: ReactNode }) {
  // A child who is not signed in is led to the right door by the page, which knows what was asked for.
  await enter("sign in");
  return <InOwnLanguage>{children}</InOwnLanguage>;
}
