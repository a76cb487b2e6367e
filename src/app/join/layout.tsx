import type { ReactNode } from "react";
import { enter } from "@/server/web/page";
import { InOwnLanguage } from "../in-own-language";

export default async function JoinLayout({ children }: { children: ReactNode }) {
  await enter("sign in");
  return <InOwnLanguage>{children}</InOwnLanguage>;
}
