import { one, type Queryable } from "./db";

export interface Media {
  sha256: string;
  mime: string;
  bytes: number;
}

export async function addMedia(db: Queryable, media: Media & { by: number; at: Date }): Promise<void> {
  await db.query(
    "insert into media (sha256, mime, bytes, added_by, added) values ($1, $2, $3, $4, $5) on conflict (sha256) do update set added = excluded.added",
    [media.sha256, media.mime, media.bytes, media.by, media.at],
  );
}

export async function mediaByHash(db: Queryable, sha256: string): Promise<Media | undefined> {
  return (await db.query<Media>("select sha256, mime, bytes from media where sha256 = $1", [sha256]))[0];
}

/** How many bytes somebody has uploaded, each file once. */
export async function bytesBy(db: Queryable, person: number): Promise<number> {
  return (
    await one<{ bytes: number }>(db, "select coalesce(sum(bytes), 0) bytes from media where added_by = $1", [person])
  ).bytes;
}

/** The SHA-256 of every file there is a row for. */
export const everyMedia = async (db: Queryable): Promise<string[]> =>
  (await db.query<{ sha256: string }>("select sha256 from media order by sha256")).map(({ sha256 }) => sha256);
