import { fromBase64, toBase64 } from "lib0/buffer";
import { devicesOf, pageOf, type PageChange } from "@/core/together/contributions";
import { withoutWriter } from "@/core/together/erase";
import { writtenOn } from "@/core/together/standing";
import type { Queryable } from "../engine/db";
import { changesAfter } from "./shared-pages";

async function changesOf(db: Queryable, page: number): Promise<PageChange[]> {
  const kept = (await changesAfter(db, page, 0)).changes;
  return kept.map((one) => ({ ...one, at: one.at.getTime(), change: fromBase64(one.change) }));
}

/** Something a child did with others while a lesson was led: by assignment and step; with how many others, not with whom. */
export interface DoneTogether {
  groups: { assignment: number; step: string; opened: Date; mode: string; others: number }[];
  pages: { assignment: number; step: string; begun: Date; wrote: string[] }[];
}

export async function doneTogether(db: Queryable, student: number): Promise<DoneTogether> {
  const groups = await db.query<DoneTogether["groups"][number]>(
    `select l.assignment_id assignment, w.key step, l.opened, w.value ->> 'mode' as mode, jsonb_array_length(g.value) - 1 others
       from lesson l, jsonb_each(l.state -> 'work') w, jsonb_array_elements(w.value -> 'groups') g
      where exists (select 1 from jsonb_array_elements(g.value) m where (m ->> 'student')::int = $1) order by l.id, w.key`,
    [student],
  );
  const written = await db.query<{ id: number; assignment: number; step: string; begun: Date }>(
    `select s.id, l.assignment_id assignment, s.step_id step, s.begun from shared_page s join lesson l on l.id = s.lesson_id
      where exists (select 1 from shared_page_change c where c.page_id = s.id and c.student_id = $1) order by s.id`,
    [student],
  );
  const pages: DoneTogether["pages"] = [];
  for (const { id, ...page } of written) {
    const changes = await changesOf(db, id);
    const hers = [...devicesOf(changes)].filter(([, owner]) => owner === student).map(([device]) => device);
    pages.push({ ...page, wrote: writtenOn(pageOf(changes), new Set(hers)) });
  }
  return { groups, pages };
}

/**
 * Takes what a student wrote out of every page she wrote together with others; theirs stays. Within a transaction.
 * What was deleted before this was done so had only lost its name: `student_id` is null there, and nobody knows whose it was.
 */
export async function eraseWriter(tx: Queryable, student: number): Promise<void> {
  // Nobody adds to them meanwhile: addChange holds the page's row.
  const pages = await tx.query<{ id: number }>(
    `select id from shared_page s
      where exists (select 1 from shared_page_change c where c.page_id = s.id and c.student_id = $1) order by id for update`,
    [student],
  );
  for (const { id } of pages) {
    const rewritten = [...withoutWriter(await changesOf(tx, id), student)];
    await tx.query(
      `update shared_page_change c set change = t.change from unnest($1::bigint[], $2::text[]) t(id, change) where c.id = t.id`,
      [rewritten.map(([change]) => change), rewritten.map(([, change]) => toBase64(change))],
    );
    await tx.query(
      "update shared_page_change set student_id = null, erased = true where page_id = $1 and student_id = $2",
      [id, student],
    );
    await tx.query(
      `update shared_page s set rewritten = rewritten + 1,
              bytes = (select coalesce(sum(length(change)), 0) from shared_page_change where page_id = s.id) where id = $1`,
      [id],
    );
  }
}
