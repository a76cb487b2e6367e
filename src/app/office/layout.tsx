import type { ReactNode } from "react";
import { OfficeBar } from "@/screens/office/office-bar";
import { enter } from "@/server/web/page";

export default async function OfficeLayout({ children }: { children: ReactNode }) {
  const { visitor } = await enter("change the school's calendar");
  const elsewhere = visitor.roles.includes("teacher")
    ? { href: "/find", text: "Find" }
    : visitor.roles.includes("curator")
      ? { href: "/desk", text: "The desk" }
      : null;
  return (
    <div className="flex h-dvh flex-col">
      <OfficeBar
        name={`${visitor.givenName} ${visitor.familyName}`}
        school={visitor.schoolName ?? ""}
        elsewhere={elsewhere}
      />
      <main id="main" className="min-h-0 flex-1 overflow-auto">
        {children}
      </main>
    </div>
  );
}
