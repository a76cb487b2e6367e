import { isBlankResponse } from "@/core/question/mark";
import { allQuestions, type Document } from "@/core/resource/document";
import { stateWhenSent } from "@/core/review/piece";
import { isPiece, sendsPieces } from "@/core/review/sharing";
import { lastResponses } from "@/core/results/table";
import type { Queryable } from "@/data/engine/db";
import { piecesBy, sendPiece, sharingOf } from "@/data/review/pieces";
import { lastResponsesOf, type Attempt, type OwnAssignment } from "@/data/student/work";

/**
 * Sends what a child has answered to be looked at or shown: one question, or, when it is handed in, all of them. What was sent
 * last already is not sent again. Returns how many there were to send; nothing is sent where the work does not ask for it.
 */
export async function sendPieces(
  tx: Queryable,
  assigned: Pick<OwnAssignment, "assignment" | "recipient">,
  document: Document,
  attempt: Pick<Attempt, "id">,
  only: string | null,
  now: Date,
): Promise<number> {
  const sharing = await sharingOf(tx, assigned.assignment);
  if (!sendsPieces(sharing)) return 0;
  await tx.query("select 1 from recipient where id = $1 for update", [assigned.recipient]);
  const [answers, before] = [
    lastResponses(await lastResponsesOf(tx, [attempt.id])),
    await piecesBy(tx, assigned.recipient),
  ];
  const sent = allQuestions(document).flatMap(({ step, question }) => {
    const answer = answers.get(question.id);
    const asked = isPiece(question.type) && (only === null || question.id === only);
    return asked && answer && !isBlankResponse(question.type, answer.value)
      ? [{ step: step.id, question: question.id, response: answer.id }]
      : [];
  });
  for (const one of sent)
    await sendPiece(tx, { ...one, recipient: assigned.recipient, state: stateWhenSent(sharing, before) }, now);
  return sent.length;
}
