import { exportJWK, generateKeyPair, importJWK, SignJWT, type CryptoKey, type JWK } from "jose";
import { randomUUID } from "node:crypto";
import type { Queryable } from "@/data/engine/db";
import { storedKeys, storeKey } from "@/data/lti/logins";

/** What LTI asks for (1EdTech Security Framework 1.0): RSA with SHA-256. */
export const ALGORITHM = "RS256";

async function ownKey(db: Queryable): Promise<JWK & { kid: string }> {
  const [key] = await storedKeys(db);
  if (key) return key.jwk as JWK & { kid: string };
  const { privateKey } = await generateKeyPair(ALGORITHM, { extractable: true });
  await storeKey(db, { ...(await exportJWK(privateKey)), kid: randomUUID(), alg: ALGORITHM, use: "sig" }, new Date());
  return ownKey(db);
}

/** The public halves of our keys, for everybody. */
export async function publicKeys(db: Queryable): Promise<{ keys: JWK[] }> {
  await ownKey(db);
  return {
    keys: (await storedKeys(db)).map(({ jwk }) => {
      const { kty, n, e, kid, alg, use } = jwk as JWK;
      return { kty, n, e, kid, alg, use } as JWK;
    }),
  };
}

/** Signs what this installation says to another system. */
export async function signed(
  db: Queryable,
  said: Record<string, unknown>,
  of: { issuer: string; audience: string; subject?: string },
): Promise<string> {
  const key = await ownKey(db);
  const token = new SignJWT(said)
    .setProtectedHeader({ alg: ALGORITHM, kid: key.kid })
    .setIssuer(of.issuer)
    .setAudience(of.audience)
    .setIssuedAt()
    .setExpirationTime("5m")
    .setJti(randomUUID());
  if (of.subject) token.setSubject(of.subject);
  return token.sign((await importJWK(key, ALGORITHM)) as CryptoKey);
}
