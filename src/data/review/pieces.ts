import type { Stroke } from "@/core/live/lesson";
import type { Piece, PieceState } from "@/core/review/piece";
import type { Voice } from "@/core/review/voice";
import { plainSharing, type Sharing } from "@/core/review/sharing";
import { one, type Queryable } from "../engine/db";
import { announceWork } from "../student/work";

/** A piece with what it shows and what was said to it. */
export interface SentPiece extends Piece {
  recipient: number;
  step: string;
  response: number;
  value: unknown;
  sent: Date;
  decided: Date | null;
  comment: string;
  voice: Voice | null;
  /** Lines of the teacher's over it. */
  marks: Stroke[];
  /** Whether classmates see whose it is. */
  named: boolean;
}

const columns = `p.id, r.student_id student, p.recipient_id recipient, p.step_id step, p.question_id question, p.response_id response,
  p.number, p.state, e.value, p.sent, p.decided, p.comment, p.voice, p.marks, p.named
  from piece p join recipient r on r.id = p.recipient_id join response e on e.id = p.response_id`;

export async function sharingOf(db: Queryable, assignment: number): Promise<Sharing> {
  const row = await one<{ sharing: Sharing | null }>(db, "select sharing from assignment where id = $1", [assignment]);
  return row.sharing ?? plainSharing;
}

/** All a child has sent with a piece of work, in the order it was sent. */
export const piecesBy = (db: Queryable, recipient: number): Promise<SentPiece[]> =>
  db.query<SentPiece>(`select ${columns} where p.recipient_id = $1 order by p.sent, p.id`, [recipient]);

/** All that was sent to one question of a piece of work, with how the child is called. */
export const piecesTo = (
  db: Queryable,
  assignment: number,
  question: string,
): Promise<(SentPiece & { name: string })[]> =>
  db.query(
    `select s.given_name || case when s.guest_of is null then ' ' || left(s.family_name, 1) || '.' else '' end as name, ${columns} join person s on s.id = r.student_id
      where r.assignment_id = $1 and p.question_id = $2 order by p.sent, p.id`,
    [assignment, question],
  );

export interface NewPiece {
  recipient: number;
  step: string;
  question: string;
  response: number;
  state: PieceState;
}

/** Sends one; what was sent last already is not sent again. */
export async function sendPiece(tx: Queryable, piece: NewPiece, now: Date): Promise<void> {
  await tx.query(
    `insert into piece (recipient_id, step_id, question_id, response_id, number, sent, state)
     select $1, $2, $3, $4, coalesce(max(p.number), 0) + 1, $6, $5
       from piece p where p.recipient_id = $1 and p.question_id = $3
     having coalesce((array_agg(p.response_id order by p.number desc))[1], 0) <> $4`,
    [piece.recipient, piece.step, piece.question, piece.response, piece.state, now],
  );
}

/** A piece, of one of these assignments' children; undefined where there is none. */
export async function pieceOf(db: Queryable, assignment: number, piece: number): Promise<SentPiece | undefined> {
  const rows = await db.query<SentPiece>(`select ${columns} where r.assignment_id = $1 and p.id = $2`, [
    assignment,
    piece,
  ]);
  return rows[0];
}

export interface Decision {
  state: PieceState;
  by: number | null;
  at: Date | null;
  comment: string;
  voice: Voice | null;
  marks: readonly Stroke[];
  named: boolean;
}

/** Decides about a piece as it was: false, and nothing is changed, where it was decided since, or sent again. */
export async function decidePiece(
  db: Queryable,
  piece: number,
  was: { state: PieceState; decided: Date | null },
  decision: Decision,
): Promise<boolean> {
  const rows = await db.query(
    `update piece p set state = $2, decided_by = $3, decided = $4, comment = $5, voice = $6::jsonb, marks = $7::jsonb, named = $8
      where p.id = $1 and p.state = $9 and p.decided is not distinct from $10
        and not exists (select 1 from piece n where n.recipient_id = p.recipient_id and n.question_id = p.question_id and n.number > p.number)
      returning 1`,
    [
      piece,
      decision.state,
      decision.by,
      decision.at,
      decision.comment,
      decision.voice && JSON.stringify(decision.voice),
      JSON.stringify(decision.marks),
      decision.named,
      was.state,
      was.decided,
    ],
  );
  return rows.length > 0;
}

export interface Reply {
  id: number;
  piece: number;
  student: number;
  name: string;
  text: string;
  voice: Voice | null;
  at: Date;
  state: "waiting" | "shown" | "taken down";
}

const reply = `y.id, y.piece_id piece, y.student_id student, s.given_name || case when s.guest_of is null then ' ' || left(s.family_name, 1) || '.' else '' end as name, y.text, y.voice,
  y.at, y.state from piece_reply y join person s on s.id = y.student_id`;

/** What was replied to these pieces, in order. */
export const repliesTo = (db: Queryable, pieces: readonly number[]): Promise<Reply[]> =>
  db.query<Reply>(`select ${reply} where y.piece_id = any($1::int[]) order by y.at, y.id`, [pieces]);

export async function addReply(
  tx: Queryable,
  of: { piece: number; student: number; text: string; voice: Voice | null; state: "waiting" | "shown"; at: Date },
): Promise<void> {
  await tx.query(
    "insert into piece_reply (piece_id, student_id, text, voice, state, at) values ($1, $2, $3, $4::jsonb, $5, $6)",
    [of.piece, of.student, of.text, of.voice && JSON.stringify(of.voice), of.state, of.at],
  );
}

/** Shows a reply or takes it down. Returns whose it is; undefined where it is not a reply to work of this assignment. */
export async function decideReply(
  db: Queryable,
  assignment: number,
  id: number,
  state: Reply["state"],
  at: Date | null,
): Promise<number | undefined> {
  const rows = await db.query<{ student: number }>(
    `update piece_reply y set state = $3, decided = $4
       from piece p join recipient r on r.id = p.recipient_id
      where y.id = $2 and p.id = y.piece_id and r.assignment_id = $1
      returning y.student_id student`,
    [assignment, id, state, at],
  );
  return rows[0]?.student;
}

/** Tells the screens of one child, and of the teachers, that something was sent or decided; and the first pages of the class. */
export async function announcePieces(db: Queryable, assignment: number, student: number): Promise<void> {
  await announceWork(db, assignment, student);
  await db.query("select pg_notify('class', (select class_id from assignment where id = $1::int)::text)", [assignment]);
}

/** What each of these pieces' children sent before to the same question, by the piece's id. */
export async function earlierPieces(db: Queryable, pieces: readonly number[]): Promise<Map<number, SentPiece[]>> {
  if (pieces.length === 0) return new Map();
  const rows = await db.query<SentPiece & { of: number }>(
    `select l.id as of, ${columns} join piece l on l.recipient_id = p.recipient_id and l.question_id = p.question_id
      where l.id = any($1::int[]) and p.number < l.number order by p.number`,
    [pieces],
  );
  const found = new Map<number, SentPiece[]>();
  for (const { of, ...piece } of rows) found.set(of, [...(found.get(of) ?? []), piece]);
  return found;
}
