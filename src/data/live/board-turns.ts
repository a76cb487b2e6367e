import type { BoardTurn } from "@/core/run-sheet/who";
import { one, type Queryable } from "../engine/db";

/** Who came to the board in a class so far, among those who are in it now. */
export const boardTurns = (db: Queryable, classId: number): Promise<BoardTurn[]> =>
  db.query(
    `select b.student_id student, b.at from board_turn b
       join enrolled n on n.class_id = b.class_id and n.student_id = b.student_id
      where b.class_id = $1 order by b.at, b.id`,
    [classId],
  );

export async function addBoardTurn(
  db: Queryable,
  of: { class: number; student: number; by: number; at: Date },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    "insert into board_turn (class_id, student_id, by_id, at) values ($1, $2, $3, $4) returning id",
    [of.class, of.student, of.by, of.at],
  );
  return id;
}

/** Takes a turn of a class back: the child did not come. */
export async function removeBoardTurn(db: Queryable, of: { class: number; turn: number }): Promise<number | undefined> {
  const [row] = await db.query<{ student: number }>(
    "delete from board_turn where id = $2 and class_id = $1 returning student_id student",
    [of.class, of.turn],
  );
  return row?.student;
}
