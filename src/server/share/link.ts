import type { Document } from "@/core/resource/document";
import { factsOf, type Facts } from "@/core/resource/facts";
import { renameFiles } from "@/core/resource/stored-files";
import { studentDocument } from "@/core/resource/student-view";
import type { Db } from "@/data/engine/db";
import { linkByHash, type OpenLink } from "@/data/share/links";
import { publishedOf } from "@/data/engine/read-once";
import { foundByToken } from "../web/found-by-token";

/** One thing behind a link, as anybody sees who has the address. */
export interface LinkedThing {
  id: number;
  document: Document;
  facts: Facts;
}

/** Where an address leads; null: nowhere, or nowhere any more, which look the same. */
export const openLink = (db: Db, token: string): Promise<OpenLink | null> =>
  foundByToken(token, (hash) => linkByHash(db, hash));

/** What a link shows, in its order; without the teacher's part where its maker left that out. Files are reached by the link as well. */
export async function linkedThings(db: Db, link: OpenLink, token: string): Promise<LinkedThing[]> {
  const heads = await publishedOf(db, link.resources);
  return link.resources.flatMap((id) => {
    const head = heads.get(id);
    if (!head) return [];
    const whole = link.teacherPart ? head.document : studentDocument(head.document);
    const document = renameFiles(whole, (sha256) => `look/${token}/${sha256}`);
    return [{ id, document, facts: factsOf(head.document) }];
  });
}

/** Whether a file belongs to what a link shows. */
export async function linkShowsFile(db: Db, link: OpenLink, sha256: string): Promise<boolean> {
  const heads = await publishedOf(db, link.resources);
  return [...heads.values()].some(({ files }) => files.includes(sha256));
}
