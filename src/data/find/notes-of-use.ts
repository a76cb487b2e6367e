import { one, type Queryable } from "../engine/db";

export interface NoteOfUse {
  id: number;
  person: number;
  by: string;
  className: string;
  words: string[];
  text: string;
  at: Date;
}

/** What colleagues of one school said of a resource, the newest first. Never read for another school. */
export async function notesOfUse(db: Queryable, school: number | null, resource: number): Promise<NoteOfUse[]> {
  return db.query<NoteOfUse>(
    `select n.id, n.person_id person, p.given_name || ' ' || p.family_name "by", n.class_name "className", n.words, n.text, n.at
       from note_of_use n join person p on p.id = n.person_id
      where n.school_id = $1 and n.resource_id = $2 order by n.at desc, n.id desc limit 40`,
    [school ?? -1, resource],
  );
}

export async function addNoteOfUse(
  db: Queryable,
  note: {
    person: number;
    school: number;
    resource: number;
    className: string;
    words: readonly string[];
    text: string;
    at: Date;
  },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    "insert into note_of_use (person_id, school_id, resource_id, class_name, words, text, at) values ($1, $2, $3, $4, $5, $6, $7) returning id",
    [note.person, note.school, note.resource, note.className, note.words, note.text, note.at],
  );
  return id;
}

/** Her own notes only; false when it is somebody else's or gone. */
export async function removeNoteOfUse(db: Queryable, person: number, note: number): Promise<boolean> {
  return (
    (await db.query("delete from note_of_use where id = $1 and person_id = $2 returning 1", [note, person])).length > 0
  );
}
