import { openText, sealsSecrets, sealText } from "../engine/sealed-text";
import type { Queryable } from "../engine/db";

/** Begins a way in: good for a few minutes, and for one message. */
export async function beginLogin(
  db: Queryable,
  login: { stateHash: string; nonce: string; system: number; now: Date; expires: Date },
): Promise<void> {
  await db.query("delete from lti_login where expires < $1", [login.now]);
  await db.query("insert into lti_login (state_hash, nonce, system_id, expires) values ($1, $2, $3, $4)", [
    ...[login.stateHash, login.nonce, login.system, login.expires],
  ]);
}

/** Ends it, whatever comes of it: a second message with the same state finds nothing. */
export async function endLogin(
  db: Queryable,
  stateHash: string,
  now: Date,
): Promise<{ nonce: string; system: number } | undefined> {
  const rows = await db.query<{ nonce: string; system: number; expires: Date }>(
    "delete from lti_login where state_hash = $1 returning nonce, system_id system, expires",
    [stateHash],
  );
  return rows[0] && rows[0].expires > now ? rows[0] : undefined;
}

export interface Choosing {
  course: number;
  person: number;
  returnUrl: string;
  data: string | null;
  several: boolean;
}

export async function beginChoice(
  db: Queryable,
  { tokenHash, now, expires, ...choosing }: Choosing & { tokenHash: string; now: Date; expires: Date },
): Promise<void> {
  await db.query("delete from lti_choice where expires < $1", [now]);
  await db.query(
    "insert into lti_choice (token_hash, course_id, person_id, return_url, data, several, expires) values ($1, $2, $3, $4, $5, $6, $7)",
    [...[tokenHash, choosing.course, choosing.person, choosing.returnUrl, choosing.data, choosing.several, expires]],
  );
}

/** What she is choosing for; hers and nobody else's. */
export async function choiceOf(
  db: Queryable,
  tokenHash: string,
  person: number,
  now: Date,
): Promise<Choosing | undefined> {
  const rows = await db.query<Choosing>(
    `select course_id course, person_id person, return_url "returnUrl", data, several from lti_choice
      where token_hash = $1 and person_id = $2 and expires > $3`,
    [tokenHash, person, now],
  );
  return rows[0];
}

export async function endChoice(db: Queryable, tokenHash: string): Promise<void> {
  await db.query("delete from lti_choice where token_hash = $1", [tokenHash]);
}

/** The keys this installation signs with, newest first. */
export async function storedKeys(db: Queryable): Promise<{ id: number; jwk: Record<string, unknown> }[]> {
  const rows = await db.query<{ id: number; jwk: Record<string, unknown> | string }>(
    "select id, private_jwk jwk from lti_key order by id desc",
  );
  return rows.map(({ id, jwk }) => ({
    id,
    jwk: typeof jwk === "string" ? (JSON.parse(openText(jwk)) as Record<string, unknown>) : jwk,
  }));
}

export async function storeKey(db: Queryable, jwk: object, now: Date): Promise<void> {
  // Two processes may both find none: the first that comes is everybody's.
  await db.query(
    "insert into lti_key (private_jwk, created) select $1::jsonb, $2 where not exists (select 1 from lti_key)",
    [JSON.stringify(sealsSecrets() ? sealText(JSON.stringify(jwk)) : jwk), now],
  );
}
