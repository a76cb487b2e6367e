import type { Sharing } from "@/core/review/sharing";
import { plainSharing } from "@/core/review/sharing";
import { decidePiece } from "@/data/review/pieces";
import type { Queryable } from "@/data/engine/db";
import { sendPieces } from "@/server/review/send-pieces";
import { SeededRandom } from "./bulk/random";
import type { Lesson } from "./town";

const HOUR = 3_600_000;
const good = ["You looked closely.", "Well done.", "You looked closely. How do you know?"];
const again = ["Tell me more: how did you see that?", "Look at this one again. What happens first?"];

/**
 * Sends what was handed in to be looked at, and decides about some of it: about every fourth piece is good, every eighth went back,
 * the rest waits.
 */
export async function addPieces(
  tx: Queryable,
  of: { assignment: number; lesson: Lesson; by: number; sharing: Partial<Sharing>; now: Date },
): Promise<void> {
  await tx.query("update assignment set sharing = $2::jsonb where id = $1", [
    of.assignment,
    JSON.stringify({ ...plainSharing, ...of.sharing }),
  ]);
  const done = await tx.query<{ recipient: number; attempt: number; at: Date }>(
    `select r.id recipient, t.id attempt, t.handed_in at from recipient r join attempt t on t.recipient_id = r.id
      where r.assignment_id = $1 and t.handed_in is not null order by t.handed_in, r.id`,
    [of.assignment],
  );
  for (const { recipient, attempt, at } of done)
    await sendPieces(tx, { assignment: of.assignment, recipient }, of.lesson.document, { id: attempt }, null, at);
  // Counted question by question, so that at any hour of the day there is something good to see of each.
  const pieces = await tx.query<{ id: number; sent: Date; nth: number }>(
    `select p.id, p.sent, (row_number() over (partition by p.question_id order by p.sent, p.id) - 1)::int nth from piece p join recipient r on r.id = p.recipient_id where r.assignment_id = $1 order by p.sent, p.id`,
    [of.assignment],
  );
  for (const { id, sent, nth } of pieces) {
    const random = new SeededRandom(id * 31 + nth);
    const state = nth % 8 === 3 ? "sent back" : nth % 4 === 0 ? "approved" : null;
    if (!state) continue;
    await decidePiece(
      tx,
      id,
      { state: "waiting", decided: null },
      {
        ...{ state, by: of.by, voice: null, marks: [], named: true },
        at: new Date(Math.min(of.now.getTime() - 60_000, sent.getTime() + 2 * HOUR)),
        comment: random.pick(state === "approved" ? good : again),
      },
    );
  }
}
