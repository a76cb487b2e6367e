import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { hasPeople } from "@/data/student/front-door";
import { demoPeople } from "@/data/office/people";
import { providerNames } from "@/data/office/providers";
import { SignInScreen } from "@/screens/sign-in/sign-in-screen";
import { enter } from "@/server/web/page";
import { currentVisitor } from "@/server/web/session";

export const metadata: Metadata = { title: "Sign in" };

/** Why somebody was led back here. */
const reasons: Readonly<Record<string, string>> = {
  late: "That took too long, or was started in another window. Please try again.",
  who: "Your school account works, but nobody here has its e-mail address. Ask the school office to add you.",
  refused: "The school's sign-in did not let you in. Please try again, or sign in with your password.",
  code: "That took too long, or the code was wrong too often. Please start again.",
  silent: "The school's sign-in does not answer just now. Sign in with your password, or try again in a moment.",
};

/** `?to=` what somebody shared by a link: signing in leads back there. `?why=`: why the school's own sign-in did not work. */
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
  const { to, why } = await searchParams;
  return (
    <SignInScreen
      to={typeof to === "string" ? to : undefined}
      why={typeof why === "string" ? reasons[why] : undefined}
      providers={await providerNames(db)}
      demo={process.env.DEMO === "1" ? await demoPeople(db) : null}
    />
  );
}
