import { headers } from "next/headers";

/** Where this application is reached from outside: PUBLIC_ADDRESS, or the address the request came to. */
export async function baseAddress(): Promise<string> {
  const address = process.env.PUBLIC_ADDRESS;
  if (address) return address.replace(/\/$/, "");
  const host = (await headers()).get("host") ?? "localhost";
  return `http://${host}`;
}
