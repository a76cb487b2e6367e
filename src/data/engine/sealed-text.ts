import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from "node:crypto";

/*
 * Some secrets have to be sent again, so a hash is not enough: those of the directory, the sign-in and the authenticator apps, and the key we sign with.
 * When SECRET_KEY is set they are sealed in the database: AES-256-GCM, with a key derived from it by HKDF (RFC 5869). Someone with the database or a
 * backup, but without the key, cannot read them. Stored as "sealed1.", then nonce, ciphertext and tag in base64url.
 */
const MARK = "sealed1.";
const [NONCE, TAG] = [12, 16];
const SHORTEST = 32;

/** The secrets of this database were sealed with another SECRET_KEY, or there is none. */
export class CannotOpenSecret extends Error {
  constructor() {
    super(
      "A secret in the database cannot be opened. Set SECRET_KEY to the key it was sealed with. Nothing was changed.",
    );
    this.name = "CannotOpenSecret";
  }
}

/** Null: secrets are kept as they are. @throws Error when SECRET_KEY is too short to be one */
function key(): Uint8Array | null {
  const said = process.env.SECRET_KEY;
  if (!said) return null;
  if (said.length < SHORTEST)
    throw new Error(`SECRET_KEY has ${said.length} characters. It needs at least ${SHORTEST}. Nothing was changed.`);
  return new Uint8Array(hkdfSync("sha256", said, "", "golden satchel: secrets in the database", 32));
}

/** Whether secrets are sealed here. @throws Error when SECRET_KEY is too short */
export const sealsSecrets = (): boolean => key() !== null;

export const isSealed = (stored: string): boolean => stored.startsWith(MARK);

export function sealText(text: string): string {
  const made = key();
  if (!made) return text;
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv("aes-256-gcm", made, nonce);
  const sealed = Buffer.concat([nonce, cipher.update(text, "utf8"), cipher.final(), cipher.getAuthTag()]);
  return MARK + sealed.toString("base64url");
}

/** What was sealed, or was stored before there was a key. @throws CannotOpenSecret */
export function openText(stored: string): string {
  if (!isSealed(stored)) return stored;
  const made = key();
  if (!made) throw new CannotOpenSecret();
  const bytes = Buffer.from(stored.slice(MARK.length), "base64url");
  try {
    const decipher = createDecipheriv("aes-256-gcm", made, bytes.subarray(0, NONCE));
    decipher.setAuthTag(bytes.subarray(-TAG));
    return decipher.update(bytes.subarray(NONCE, -TAG), undefined, "utf8") + decipher.final("utf8");
  } catch {
    throw new CannotOpenSecret();
  }
}
