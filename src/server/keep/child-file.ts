import { aboutChild, workTitles } from "@/data/keep/about-child";
import type { Queryable } from "@/data/engine/db";
import { doneTogether } from "@/data/live/done-together";
import { mediaByHash } from "@/data/engine/media";
import { fileName } from "@/formats/outgoing";
import { writeZip, type ZipEntry } from "@/formats/write-zip";
import { goneAmong, readKept } from "../files/files";

const README = `Everything Golden Satchel stores about one child.

work.json           what the work she was given is called
together.json       in which groups she was while a lesson was led, and what she wrote on pages with others, without who they were
tables/<name>.json  rows as they are stored: "person" is she, "enrolment" her classes, "recipient" what she was given,
                    "attempt" and "response" what she did, "outcome" and "mark_entry" her marks, "student_note" what
                    teachers noted, "child_look" who looked at what is known of her
files/              pictures she took and what she recorded
`;

/** Everything about a child as a zip, for her family or when she leaves; passwords are not in it. */
export async function* childFile(db: Queryable, student: number): AsyncGenerator<Uint8Array> {
  const [tables, work] = [await aboutChild(db, student), await workTitles(db, student)];
  const json = (value: unknown) => JSON.stringify(value, null, 2);
  async function* entries(): AsyncGenerator<ZipEntry> {
    yield { name: "README.txt", bytes: README };
    yield { name: "work.json", bytes: json(work) };
    yield { name: "together.json", bytes: json(await doneTogether(db, student)) };
    for (const [name, rows] of Object.entries(tables)) yield { name: `tables/${name}.json`, bytes: json(rows) };
    // Files are named by their hashes in what she did; what she only read is not hers.
    const own = json([tables.response, tables.portfolio_piece, tables.piece_reply, tables.piece, tables.media]);
    const named = [...new Set(own.match(/\b[0-9a-f]{64}\b/g) ?? [])];
    const gone = new Set(await goneAmong(named));
    for (const sha256 of named) {
      const media = gone.has(sha256) ? undefined : await mediaByHash(db, sha256);
      if (media) yield { name: `files/${fileName(sha256, media.mime)}`, bytes: await readKept(sha256), packed: false };
    }
  }
  yield* writeZip(entries());
}
