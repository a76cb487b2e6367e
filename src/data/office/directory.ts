import type { Queryable } from "../engine/db";
import { openText, sealText } from "../engine/sealed-text";

/** Where a school's roster is kept: a directory that speaks OneRoster 1.2 over REST. */
export interface Directory {
  /** Up to and with `/ims/oneroster/rostering/v1p2`. */
  address: string;
  tokenUrl: string;
  clientId: string;
  clientSecret: string;
  /** Which of the directory's schools this one is; null: it has only one. */
  org: string | null;
  fetched: Date | null;
}

export async function directoryOf(db: Queryable, school: number): Promise<Directory | undefined> {
  const rows = await db.query<Directory>(
    `select address, token_url "tokenUrl", client_id "clientId", client_secret "clientSecret", org, fetched
       from school_directory where school_id = $1`,
    [school],
  );
  return rows[0] && { ...rows[0], clientSecret: openText(rows[0].clientSecret) };
}

/** An empty secret keeps the one there is. */
export async function setDirectory(
  db: Queryable,
  school: number,
  directory: Omit<Directory, "fetched" | "org">,
): Promise<void> {
  await db.query(
    `insert into school_directory (school_id, address, token_url, client_id, client_secret) values ($1, $2, $3, $4, $5)
     on conflict (school_id) do update set address = excluded.address, token_url = excluded.token_url, client_id = excluded.client_id,
       client_secret = case when excluded.client_secret = '' then school_directory.client_secret else excluded.client_secret end,
       org = case when excluded.address = school_directory.address then school_directory.org end`,
    [
      ...[school, directory.address, directory.tokenUrl, directory.clientId],
      directory.clientSecret === "" ? "" : sealText(directory.clientSecret),
    ],
  );
}

export async function removeDirectory(db: Queryable, school: number): Promise<void> {
  await db.query("delete from school_directory where school_id = $1", [school]);
}

/** It was brought in: when, and as which of the directory's schools. */
export async function noteFetched(db: Queryable, school: number, org: string | null, at: Date): Promise<void> {
  await db.query("update school_directory set fetched = $3, org = $2 where school_id = $1", [school, org, at]);
}
