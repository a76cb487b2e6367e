import type { Voice } from "@/core/review/voice";
import type { Stroke } from "@/core/live/lesson";
import type { PieceState } from "@/core/review/piece";
import { hers } from "../assign/assignments";
import { one, type Queryable } from "../engine/db";

/** Which of what children sent is looked at: what waits, what went back and did not come again, what is good. */
export type QueuePart = "waiting" | "sent back" | "shown";

/** A piece, or a reply to one, as it stands in a teacher's queue. */
export interface Waiting {
  /** "p12" a piece, "r3" a reply: ids of the two are not told apart otherwise. */
  key: string;
  id: number;
  kind: "piece" | "reply";
  assignment: number;
  className: string;
  title: string;
  student: number;
  name: string;
  revision: number;
  step: string;
  question: string;
  number: number;
  state: PieceState | "shown" | "taken down";
  /** The answer; of a reply what was written. */
  value: unknown;
  voice: Voice | null;
  comment: string;
  marks: Stroke[];
  named: boolean;
  sent: Date;
  decided: Date | null;
  /** Of a reply: whose piece it is to. */
  to: string | null;
  /** Whether classmates may see it, and how many pieces to the same question they see already. */
  sharing: { classmates: string; until: string | null; replies: string } | null;
}

const MOST = 400;

const states: Record<QueuePart, { piece: string; reply: string }> = {
  waiting: { piece: "p.state = 'waiting'", reply: "y.state = 'waiting'" },
  "sent back": { piece: "p.state = 'sent back'", reply: "y.state = 'taken down'" },
  shown: { piece: "p.state in ('approved', 'not looked at')", reply: "y.state = 'shown'" },
};

const ofPieces = `from piece p join recipient r on r.id = p.recipient_id join assignment a on a.id = r.assignment_id
  join class c on c.id = a.class_id join person s on s.id = r.student_id`;
const isLast = `not exists (select 1 from piece n where n.recipient_id = p.recipient_id and n.question_id = p.question_id and n.number > p.number)`;
const ofReplies = `from piece_reply y join piece p on p.id = y.piece_id join recipient r on r.id = p.recipient_id
  join assignment a on a.id = r.assignment_id join class c on c.id = a.class_id join person s on s.id = y.student_id`;

/** What of all her classes' work is in this part of the queue: what waits oldest first, the rest newest first; 400 at most. */
export function queueOf(db: Queryable, teacher: number, now: Date, part: QueuePart): Promise<Waiting[]> {
  const { piece, reply } = states[part];
  return db.query<Waiting>(
    `select * from (
       select 'p' || p.id key, p.id, 'piece' kind, a.id assignment, c.name "className", f.facts ->> 'title' title, s.id student,
              s.given_name || ' ' || s.family_name as name, r.revision_id revision, p.step_id step, p.question_id question, p.number,
              p.state, e.value, p.voice, p.comment, p.marks, p.named, p.sent, p.decided, null as to, a.sharing
         ${ofPieces} join resource_facts f on f.resource_id = a.resource_id join response e on e.id = p.response_id
        where ${piece} and ${isLast} and a.called_back is null and ${hers}
       union all
       select 'r' || y.id, y.id, 'reply', a.id, c.name, f.facts ->> 'title', s.id, s.given_name || ' ' || s.family_name, r.revision_id,
              p.step_id, p.question_id, 1, y.state, to_jsonb(y.text), y.voice, '', '[]'::jsonb, true, y.at, y.decided,
              o.given_name || ' ' || o.family_name, a.sharing
         ${ofReplies} join resource_facts f on f.resource_id = a.resource_id join person o on o.id = r.student_id
        where ${reply} and a.called_back is null and ${hers}) q
      order by sent ${part === "waiting" ? "" : "desc"}, key limit ${MOST}`,
    [teacher, now],
  );
}

/** How many there are in each part. */
export function queueCounts(db: Queryable, teacher: number, now: Date): Promise<Record<QueuePart, number>> {
  const count = (part: QueuePart) => `(select count(*) ${ofPieces} where ${states[part].piece} and ${isLast}
      and a.called_back is null and ${hers})
    + (select count(*) ${ofReplies} where ${states[part].reply} and a.called_back is null and ${hers})`;
  return one(db, `select ${count("waiting")} waiting, ${count("sent back")} "sent back", ${count("shown")} shown`, [
    teacher,
    now,
  ]);
}

/** How many wait for her: said on every page. */
export async function waitingFor(db: Queryable, teacher: number, now: Date): Promise<number> {
  const { waiting } = await one<{ waiting: number }>(
    db,
    `select (select count(*) ${ofPieces} where p.state = 'waiting' and ${isLast} and a.called_back is null and ${hers})
          + (select count(*) ${ofReplies} where y.state = 'waiting' and a.called_back is null and ${hers}) waiting`,
    [teacher, now],
  );
  return waiting;
}

/** What a teacher often says, in her order. */
export async function phrasesOf(db: Queryable, teacher: number): Promise<string[] | null> {
  const rows = await db.query<{ text: string }>("select text from phrase where person_id = $1 order by position", [
    teacher,
  ]);
  return rows.length === 0 ? null : rows.map(({ text }) => text);
}

export async function setPhrases(tx: Queryable, teacher: number, phrases: readonly string[]): Promise<void> {
  await tx.query("delete from phrase where person_id = $1", [teacher]);
  await tx.query(
    "insert into phrase (person_id, position, text) select $1, nth, text from unnest($2::text[]) with ordinality p(text, nth)",
    [teacher, phrases],
  );
}
