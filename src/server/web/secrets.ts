import { hash, verify } from "@node-rs/argon2";
import { createHash, randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { dataFolder } from "@/data/engine/open";

/** argon2id with the library's defaults (19 MiB, two passes), as OWASP's password storage page recommends. */
export const hashSecret = (secret: string): Promise<string> => hash(secret);

// Somebody who does not exist takes as long to refuse as somebody with another password.
let nobody: Promise<string> | undefined;

export async function secretIsRight(stored: string | null | undefined, given: string): Promise<boolean> {
  nobody ??= hashSecret(randomBytes(16).toString("hex"));
  const right = await verify(stored ?? (await nobody), given);
  return right && stored !== null && stored !== undefined;
}

/** For an address anybody may open who has it: 128 bits. */
export const newLinkToken = (): string => randomBytes(16).toString("base64url");

export const newToken = (): string => randomBytes(32).toString("base64url");

/** What is kept of a token: someone who reads the table cannot use it. */
export const tokenHash = (token: string): string => createHash("sha256").update(token).digest("hex");

export const sha256 = (text: string): string => createHash("sha256").update(text).digest("hex");

let key: string | undefined;

/** The key that seals cookies: SESSION_SECRET, or one made at first start and kept beside the database. */
export function sessionKey(): string {
  key ??= process.env.SESSION_SECRET ?? keptKey();
  if (key.length < 32) throw new Error("SESSION_SECRET must be 32 characters or longer.");
  return key;
}

function keptKey(): string {
  const file = path.join(/* turbopackIgnore: true */ dataFolder(), "session.key");
  if (!existsSync(file)) {
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(file, randomBytes(32).toString("hex"), { mode: 0o600 });
  }
  return readFileSync(file, "utf8").trim();
}
