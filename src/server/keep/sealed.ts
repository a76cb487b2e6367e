import { createCipheriv, createDecipheriv, randomBytes, scrypt } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { open, stat } from "node:fs/promises";
import { Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { promisify } from "node:util";

/*
 * A sealed file: "GSSEAL01", a salt of 16 bytes, a nonce of 12, what is sealed (AES-256-GCM), and its tag of 16 at the end. The key is made of the
 * passphrase by scrypt (RFC 7914, N = 2^15).
 */
const MARK = Buffer.from("GSSEAL01");
const [SALT, NONCE, TAG] = [16, 12, 16];
const HEAD = MARK.length + SALT + NONCE;

const keyFrom = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  promisify<string, Buffer, number, object, Buffer>(scrypt)(passphrase, salt, 32, {
    ...{ N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 },
  });

/** Seals what goes through it. */
export async function sealing(passphrase: string): Promise<Transform> {
  const [salt, nonce] = [randomBytes(SALT), randomBytes(NONCE)];
  const cipher = createCipheriv("aes-256-gcm", await keyFrom(passphrase, salt), nonce);
  let begun = false;
  return new Transform({
    transform(piece: Buffer, _encoding, done) {
      if (!begun) this.push(Buffer.concat([MARK, salt, nonce]));
      begun = true;
      done(null, cipher.update(piece));
    },
    flush(done) {
      this.push(cipher.final());
      this.push(cipher.getAuthTag());
      done();
    },
  });
}

async function part(file: string, from: number, length: number): Promise<Buffer> {
  const handle = await open(file);
  try {
    const bytes = Buffer.alloc(length);
    const { bytesRead } = await handle.read(bytes, 0, length, from);
    return bytes.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}

export const isSealed = async (file: string): Promise<boolean> => (await part(file, 0, MARK.length)).equals(MARK);

/** The passphrase is wrong, or the file was changed or is not whole. */
export class CannotUnseal extends Error {
  constructor() {
    super("The passphrase is wrong, or the file is damaged.");
    this.name = "CannotUnseal";
  }
}

/**
 * Unseals a file into another, which is only worth reading when this has come to its end.
 * @throws CannotUnseal
 */
export async function unseal(file: string, passphrase: string, to: string): Promise<void> {
  const { size } = await stat(file);
  if (size < HEAD + TAG) throw new CannotUnseal();
  const head = await part(file, 0, HEAD);
  const key = await keyFrom(passphrase, head.subarray(MARK.length, MARK.length + SALT));
  const decipher = createDecipheriv("aes-256-gcm", key, head.subarray(MARK.length + SALT));
  decipher.setAuthTag(await part(file, size - TAG, TAG));
  try {
    await pipeline(createReadStream(file, { start: HEAD, end: size - TAG - 1 }), decipher, createWriteStream(to));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ENOSPC") throw error;
    throw new CannotUnseal();
  }
}
