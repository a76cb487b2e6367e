import { cookies } from "next/headers";

const COOKIE = "satchel-second";
const SECONDS = 600;
const LONGEST = 300;

const options = () => ({
  ...{ httpOnly: true, sameSite: "lax" as const, path: "/sign-in", maxAge: SECONDS },
  secure: process.env.PUBLIC_ADDRESS?.startsWith("https:") ?? false,
});

/** The browser keeps what stands for the right password until the code comes, and where she wanted to go. */
export async function keepSecondStep(token: string, to?: string): Promise<void> {
  (await cookies()).set(COOKIE, `${token} ${to ?? ""}`, options());
}

export async function keptSecondStep(): Promise<{ token: string | null; to: string | undefined }> {
  const said = (await cookies()).get(COOKIE)?.value;
  if (!said || said.length > LONGEST) return { token: null, to: undefined };
  const [token = null, to] = said.split(" ");
  return { token, to: to || undefined };
}

export async function forgetSecondStep(): Promise<void> {
  (await cookies()).delete({ name: COOKIE, path: "/sign-in" });
}
