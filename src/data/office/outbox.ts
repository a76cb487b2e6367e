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

export type SentMessage = Message & { id: number; at: Date; from: string };

const columns = `o.id, o.to_name "toName", o.to_address "toAddress", o.subject, o.body, o.at,
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
