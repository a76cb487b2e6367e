import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { hasPeople } from "@/data/front-door";
import { demoPeople } from "@/data/people";
import { SignInScreen } from "@/screens/sign-in/sign-in-screen";
import { enter } from "@/server/page";
import { currentVisitor } from "@/server/session";

export const metadata: Metadata = { title: "Sign in" };

export default async function SignInPage() {
  const { db } = await enter("sign in");
  if (!(await hasPeople(db))) redirect("/begin");
  const visitor = await currentVisitor();
  if (visitor?.kind === "adult" && visitor.roles.includes("teacher")) redirect("/find");
  return <SignInScreen demo={process.env.DEMO === "1" ? await demoPeople(db) : null} />;
}
