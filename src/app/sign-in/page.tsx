import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { hasPeople } from "@/data/student/front-door";
import { demoPeople } from "@/data/office/people";
import { SignInScreen } from "@/screens/sign-in/sign-in-screen";
import { enter } from "@/server/web/page";
import { currentVisitor } from "@/server/web/session";

export const metadata: Metadata = { title: "Sign in" };

/** `?to=` what somebody shared by a link: signing in leads back there. */
export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db } = await enter("sign in");
  if (!(await hasPeople(db))) redirect("/begin");
  const visitor = await currentVisitor();
  if (visitor?.kind === "adult" && visitor.roles.includes("teacher")) redirect("/find");
  if (visitor?.kind === "adult" && visitor.roles.includes("curator")) redirect("/desk");
  const { to } = await searchParams;
  return (
    <SignInScreen
      to={typeof to === "string" ? to : undefined}
      demo={process.env.DEMO === "1" ? await demoPeople(db) : null}
    />
  );
}
