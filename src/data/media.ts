import type { Queryable } from "./db";

export interface Media {
  sha256: string;
  mime: string;
  bytes: number;
}

export async function addMedia(db: Queryable, media: Media & { by: number; at: Date }): Promise<void> {
  await db.query(
    "insert into media (sha256, mime, bytes, added_by, added) values ($1, $2, $3, $4, $5) on conflict do nothing",
    [media.sha256, media.mime, media.bytes, media.by, media.at],
  );
}

export async function mediaByHash(db: Queryable, sha256: string): Promise<Media | undefined> {
  return (await db.query<Media>("select sha256, mime, bytes from media where sha256 = $1", [sha256]))[0];
}
