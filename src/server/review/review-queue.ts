import type { Question } from "@/core/question/question";
import { allQuestions, type Document } from "@/core/resource/document";
import type { Queryable } from "@/data/engine/db";
import { readRevision } from "@/data/engine/read-once";
import { earlierPieces, type SentPiece } from "@/data/review/pieces";
import { queueCounts, queueOf, type QueuePart, type Waiting } from "@/data/review/queue";
import { phrasesFor } from "./phrases";

/** What was sent before and came back. */
export type EarlierPiece = Pick<SentPiece, "number" | "state" | "value" | "sent" | "comment" | "voice" | "marks">;

export interface QueueItem extends Waiting {
  /** What was asked. */
  asked: Question;
  /** The place of its step, from 1, and what it is called. */
  stepAt: number;
  languages: string[];
  earlier: EarlierPiece[];
}

export interface ReviewQueue {
  part: QueuePart;
  items: QueueItem[];
  counts: Record<QueuePart, number>;
  phrases: string[];
}

/** A teacher's queue of work that is held back, or of what she has decided. */
export async function reviewQueue(db: Queryable, teacher: number, now: Date, part: QueuePart): Promise<ReviewQueue> {
  const [rows, counts, phrases] = await Promise.all([
    queueOf(db, teacher, now, part),
    queueCounts(db, teacher, now),
    phrasesFor(db, teacher),
  ]);
  const earlier = await earlierPieces(
    db,
    rows.filter(({ kind, number }) => kind === "piece" && number > 1).map(({ id }) => id),
  );
  const items: QueueItem[] = [];
  const documents = new Map<number, Document>();
  for (const row of rows) {
    // Of a whole class most have the same revision: each is asked for once.
    const document = documents.get(row.revision) ?? (await readRevision(db, row.revision))!.document;
    documents.set(row.revision, document);
    const found = allQuestions(document).find(({ question }) => question.id === row.question);
    // A version the child no longer has may have had another question: what was sent to it is not looked at any more.
    if (!found) continue;
    items.push({
      ...row,
      asked: found.question,
      stepAt: document.steps.findIndex(({ id }) => id === found.step.id) + 1,
      languages: document.languages,
      earlier: row.kind === "piece" ? (earlier.get(row.id) ?? []) : [],
    });
  }
  return { part, items, counts, phrases };
}
