import { headers } from "next/headers";

/** Which request this is: the proxy gives each one, and answers with it. Undefined outside a request. */
export async function requestId(): Promise<string | undefined> {
  try {
    return (await headers()).get("x-request-id") ?? undefined;
  } catch {
    return undefined;
  }
}
