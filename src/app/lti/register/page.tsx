import type { Metadata } from "next";
import { ConnectScreen } from "@/screens/lti/connect-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Connect a course site" };

/** The course site opens this when its keeper adds us there (LTI Dynamic Registration): the office here has to agree. */
export default async function RegisterPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await enter("connect another system");
  const { openid_configuration: configuration, registration_token: token } = await searchParams;
  const address = typeof configuration === "string" && URL.canParse(configuration) ? configuration : null;
  return <ConnectScreen configuration={address} token={typeof token === "string" ? token : null} />;
}
