import { RunSheet } from "@/core/run-sheet/schema";
import type { Queryable } from "../engine/db";

/** The script as it goes on in a class; undefined: nothing has moved in it. */
export async function scriptInUse(db: Queryable, assignment: number): Promise<RunSheet | undefined> {
  const [row] = await db.query<{ sheet: unknown }>("select sheet from script_in_use where assignment_id = $1", [
    assignment,
  ]);
  return row && RunSheet.parse(row.sheet);
}

export async function keepScript(
  db: Queryable,
  of: { assignment: number; sheet: RunSheet; by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into script_in_use (assignment_id, sheet, by_id, at) values ($1, $2, $3, $4)
     on conflict (assignment_id) do update set sheet = excluded.sheet, by_id = excluded.by_id, at = excluded.at`,
    [of.assignment, JSON.stringify(of.sheet), of.by, of.at],
  );
}
