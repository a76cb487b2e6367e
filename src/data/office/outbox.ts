import type { Queryable } from "../engine/db";

/** A message as it would be sent. */
export interface Message {
  toName: string;
  toAddress: string;
  subject: string;
  body: string;
}

/** The mail stand-in: what would be sent is kept to be read. */
export async function addMessages(
  tx: Queryable,
  from: { school: number; person: number; at: Date },
  messages: readonly Message[],
): Promise<void> {
  await tx.query(
    `insert into outbox (school_id, by_id, to_name, to_address, subject, body, at)
     select $1, $2, m."toName", m."toAddress", m.subject, m.body, $3
       from jsonb_to_recordset($4::jsonb) as m("toName" text, "toAddress" text, subject text, body text)`,
    [from.school, from.person, from.at, JSON.stringify(messages)],
  );
}

export type SentMessage = Message & {
  id: number;
  at: Date;
  from: string;
  /** When it left by mail. */
  sent: Date | null;
  /** Why it has not. */
  problem: string | null;
};

const columns = `o.id, o.to_name "toName", o.to_address "toAddress", o.subject, o.body, o.at, o.sent, o.problem,
  p.given_name || ' ' || p.family_name as "from"`;

/** What a person's acts would have sent, the newest first. */
export async function messagesBy(db: Queryable, person: number): Promise<SentMessage[]> {
  return db.query(
    `select ${columns} from outbox o join person p on p.id = o.by_id where o.by_id = $1 order by o.id desc limit 200`,
    [person],
  );
}

/** What would have come to a person, the newest first. */
export async function messagesTo(db: Queryable, person: number): Promise<SentMessage[]> {
  return db.query(
    `select ${columns} from outbox o join person p on p.id = o.by_id join person me on me.email = o.to_address
      where me.id = $1 order by o.id desc limit 200`,
    [person],
  );
}

/** A message on its way. */
export type WaitingMessage = Message & { id: number; tries: number };

const MOST_TRIES = 8;

/**
 * Takes messages that are to go now. The process that takes them has some minutes to send them before another one may. Old messages
 * are not sent: what they say is over.
 */
// A try more than a day ahead was set by a clock that was wrong: none waits that long.
export const takeMessages = (
  db: Queryable,
  of: { now: Date; notBefore: Date; until: Date; most: number },
): Promise<WaitingMessage[]> =>
  db.query<WaitingMessage>(
    `update outbox set tries = tries + 1, next_try = $3
      where id in (select id from outbox where sent is null and at >= $2 and tries < ${MOST_TRIES} and (next_try is null or next_try <= $1 or next_try > $1::timestamptz + interval '1 day')
                    order by id limit $4 for update skip locked)
     returning id, to_name "toName", to_address "toAddress", subject, body, tries`,
    [of.now, of.notBefore, of.until, of.most],
  );

export async function noteSent(db: Queryable, id: number, at: Date): Promise<void> {
  await db.query("update outbox set sent = $2, problem = null where id = $1", [id, at]);
}

export async function noteNotSent(db: Queryable, id: number, problem: string, nextTry: Date): Promise<void> {
  await db.query("update outbox set problem = $2, next_try = $3 where id = $1", [id, problem.slice(0, 300), nextTry]);
}

/**
 * Takes addresses at which a password is chosen out of letters, once they work no more: they were used, replaced or are too old. What is still
 * to be sent has one that works.
 */
export async function forgetOldAddresses(db: Queryable, now: Date): Promise<number> {
  const rows = await db.query(
    `update outbox o set body = regexp_replace(o.body, '/welcome/[A-Za-z0-9_-]{20,}', '/welcome/(no longer works)')
      where o.body ~ '/welcome/[A-Za-z0-9_-]{20,}' and not exists (
        select 1 from invitation i where i.expires > $1
           and i.token_hash = encode(sha256(convert_to(substring(o.body from '/welcome/([A-Za-z0-9_-]+)'), 'utf8')), 'hex'))
      returning 1`,
    [now],
  );
  return rows.length;
}
