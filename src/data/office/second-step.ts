import type { Queryable } from "../engine/db";
import { openText, sealText } from "../engine/sealed-text";

export interface Totp {
  secret: string;
  /** The time step of the code that was used last; null: none yet. */
  used: number | null;
}

/** How somebody's codes are made; undefined: she signs in with her password alone. */
export async function totpOf(db: Queryable, person: number): Promise<Totp | undefined> {
  const rows = await db.query<Totp>(
    "select totp_secret secret, totp_used used from person where id = $1 and totp_secret is not null",
    [person],
  );
  return rows[0] && { ...rows[0], secret: openText(rows[0].secret) };
}

/** From now on a code is asked for, or with null no longer; codes that were written down before are gone. */
export async function setTotp(
  tx: Queryable,
  person: number,
  totp: { secret: string; used: number; recovery: readonly string[] } | null,
): Promise<void> {
  await tx.query("update person set totp_secret = $2, totp_used = $3 where id = $1", [
    ...[person, totp ? sealText(totp.secret) : null, totp?.used ?? null],
  ]);
  await tx.query("delete from recovery_code where person_id = $1", [person]);
  await tx.query("insert into recovery_code (person_id, code_hash) select $1, unnest($2::text[])", [
    ...[person, totp?.recovery ?? []],
  ]);
}

/** Uses a code's time step up. False: it, or a later one, was used already. */
export async function spendTotpStep(tx: Queryable, person: number, step: number): Promise<boolean> {
  const rows = await tx.query(
    "update person set totp_used = $2 where id = $1 and coalesce(totp_used, -1) < $2 returning id",
    [person, step],
  );
  return rows.length > 0;
}

/** Uses up a code that was written down. False: there is none like it. */
export async function spendRecoveryCode(tx: Queryable, person: number, hash: string): Promise<boolean> {
  const rows = await tx.query("delete from recovery_code where person_id = $1 and code_hash = $2 returning 1", [
    person,
    hash,
  ]);
  return rows.length > 0;
}

export const recoveryCodesLeft = async (db: Queryable, person: number): Promise<number> =>
  (
    await db.query<{ count: number }>("select count(*)::int count from recovery_code where person_id = $1", [person])
  )[0]!.count;

export async function beginSecondStep(
  db: Queryable,
  step: { tokenHash: string; person: number; now: Date; expires: Date },
): Promise<void> {
  await db.query("delete from second_step where expires < $1", [step.now]);
  await db.query("insert into second_step (token_hash, person_id, expires) values ($1, $2, $3)", [
    ...[step.tokenHash, step.person, step.expires],
  ]);
}

/** Counts a try. The person it is about; undefined: it was not begun, or is over, or was tried too often. */
export async function trySecondStep(
  db: Queryable,
  tokenHash: string,
  now: Date,
  most: number,
): Promise<number | undefined> {
  const rows = await db.query<{ person: number }>(
    `update second_step set tries = tries + 1 where token_hash = $1 and expires > $2 and tries < $3 returning person_id person`,
    [tokenHash, now, most],
  );
  return rows[0]?.person;
}

export async function endSecondStep(db: Queryable, tokenHash: string): Promise<void> {
  await db.query("delete from second_step where token_hash = $1", [tokenHash]);
}

/** Somebody's sessions, the newest first. */
export interface Session {
  tokenHash: string;
  device: string | null;
  created: Date;
}

export const sessionsOf = (db: Queryable, person: number, now: Date): Promise<Session[]> =>
  db.query<Session>(
    `select token_hash "tokenHash", device, created from session where person_id = $1 and expires > $2 order by created desc`,
    [person, now],
  );

/** Ends all of somebody's sessions but one. Returns how many. */
export async function endOtherSessions(db: Queryable, person: number, keep: string | null): Promise<number> {
  const rows = await db.query(
    "delete from session where person_id = $1 and token_hash is distinct from $2 returning 1",
    [person, keep],
  );
  return rows.length;
}
