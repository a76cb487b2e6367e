import { createHash, randomBytes } from "node:crypto";
import { Secret, TOTP } from "otpauth";
import type { Db } from "@/data/engine/db";
import {
  beginSecondStep,
  endSecondStep,
  totpOf,
  trySecondStep,
  spendRecoveryCode,
  spendTotpStep,
} from "@/data/office/second-step";
import { allowCode, forgetCodes } from "../web/limits";
import { newToken, tokenHash } from "../web/secrets";

const STEP_S = 30;
const MINUTES = 10;
const MOST_TRIES = 5;
const RECOVERY_CODES = 8;

/** RFC 6238 with what every app understands: SHA-1, six digits, thirty seconds. */
const totp = (secret: string, label = "") =>
  new TOTP({ issuer: "Golden Satchel", label, secret: Secret.fromBase32(secret), period: STEP_S, digits: 6 });

/** A new secret, 160 bits as RFC 4226 wants, in base 32. */
export const newTotpSecret = (): string => new Secret({ size: 20 }).base32;
/** What the app reads from a picture. */
export const totpAddress = (secret: string, email: string): string => totp(secret, email).toString();

/** The time step a code belongs to, now or one step before or after; null: it is not right. */
export function stepOfCode(secret: string, code: string, now: Date): number | null {
  const token = code.replace(/\s/g, "");
  if (!/^\d{6}$/.test(token)) return null;
  const delta = totp(secret).validate({ token, timestamp: now.getTime(), window: 1 });
  return delta === null ? null : Math.floor(now.getTime() / 1000 / STEP_S) + delta;
}

/** Letters and digits that are not mistaken for each other. */
const LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
const plain = (code: string) => code.toLowerCase().replace(/[^a-z0-9]/g, "");
export const recoveryHash = (code: string): string => createHash("sha256").update(plain(code)).digest("hex");

/** Eight codes to write down: "k7mq-3xwd-p2ra", 59 bits each. */
export const newRecoveryCodes = (): string[] =>
  Array.from({ length: RECOVERY_CODES }, () => {
    const letters = Array.from({ length: 12 }, () => {
      // Bytes that would make some letters likelier are thrown away.
      for (;;) {
        const byte = randomBytes(1)[0]!;
        if (byte < 256 - (256 % LETTERS.length)) return LETTERS[byte % LETTERS.length]!;
      }
    }).join("");
    return letters.match(/.{4}/g)!.join("-");
  });

/** The password was right. Null: no second step is wanted; otherwise the token that stands for it, which a cookie keeps. */
export async function secondStepFor(db: Db, person: number, now: Date): Promise<string | null> {
  if (!(await totpOf(db, person))) return null;
  const token = newToken();
  const expires = new Date(now.getTime() + MINUTES * 60_000);
  await beginSecondStep(db, { tokenHash: tokenHash(token), person, now, expires });
  return token;
}

/** Whether this code is hers, and uses it up. */
export async function codeIsRight(db: Db, person: number, code: string, now: Date): Promise<boolean> {
  const known = await totpOf(db, person);
  if (!known) return false;
  const step = stepOfCode(known.secret, code, now);
  if (step !== null) return spendTotpStep(db, person, step);
  return spendRecoveryCode(db, person, recoveryHash(code));
}

export type SecondStep = { ok: true; person: number } | { ok: false; why: "wrong" | "over" | "too often" };

/**
 * The code comes. "over": it was begun too long ago, or five codes were wrong: the password is asked for again. "too often": beginning again does not
 * help, for a quarter of an hour.
 */
export async function takeSecondStep(db: Db, token: string | null, code: string, now: Date): Promise<SecondStep> {
  const hash = token === null ? null : tokenHash(token);
  const person = hash === null ? undefined : await trySecondStep(db, hash, now, MOST_TRIES);
  if (hash === null || person === undefined) return { ok: false, why: "over" };
  if (!(await allowCode(person)).allowed) return { ok: false, why: "too often" };
  if (!(await codeIsRight(db, person, code, now))) return { ok: false, why: "wrong" };
  await forgetCodes(person);
  await endSecondStep(db, hash);
  return { ok: true, person };
}
