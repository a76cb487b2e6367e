import { hash, verify } from "@node-rs/argon2";
import { createHash, randomBytes } from "node:crypto";

/** argon2id with the library's defaults (19 MiB, two passes), as OWASP's password storage page recommends. */
export const hashSecret = (secret: string): Promise<string> => hash(secret);

// Somebody who does not exist takes as long to refuse as somebody with another password.
let nobody: Promise<string> | undefined;

export async function secretIsRight(stored: string | null | undefined, typed: string): Promise<boolean> {
  nobody ??= hashSecret(randomBytes(16).toString("hex"));
  const right = await verify(stored ?? (await nobody), typed);
  return right && stored !== null && stored !== undefined;
}

/** For an address anybody may open who has it: 128 bits. */
export const newLinkToken = (): string => randomBytes(16).toString("base64url");

export const newToken = (): string => randomBytes(32).toString("base64url");

/** What is kept of a token: someone who reads the table cannot use it. */
export const tokenHash = (token: string): string => createHash("sha256").update(token).digest("hex");

export const sha256 = (text: string): string => createHash("sha256").update(text).digest("hex");
