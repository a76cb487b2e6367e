import { answersOf, withoutOthers, type PortfolioPiece } from "@/core/portfolio/piece";
import { withoutNames } from "@/core/portfolio/without-names";
import { partOf } from "@/core/plan/parts";
import { titleOf } from "@/core/resource/document";
import { renameFiles } from "@/core/resource/stored-files";
import type { Queryable } from "@/data/engine/db";
import { readRevision } from "@/data/engine/read-once";
import { pagesSharedBy } from "@/data/live/shared-pages";
import { namesAround, piecesOf, type KeptPiece } from "@/data/portfolio/pieces";
import { lastResponsesOf } from "@/data/student/work";

async function readPiece(db: Queryable, kept: KeptPiece): Promise<PortfolioPiece> {
  const { id, assignment, attempt, revision, steps, part, question, year, handedIn, why, voice, byChild } = kept;
  const document = partOf((await readRevision(db, revision))!.document, steps);
  const [responses, shared] = await Promise.all([
    lastResponsesOf(db, [attempt]),
    pagesSharedBy(db, assignment, kept.student, "any"),
  ]);
  const title = [titleOf(document), ...(part ? [part] : [])].join(", ");
  return {
    ...{ id, assignment, title, year, handedIn, why, voice, byChild, whole: question === null },
    ...answersOf(document, { responses }, { question, shared }),
  };
}

/** A child's portfolio, as the child and her teachers see it; only some pieces of it where `ids` says which. */
export async function portfolioOf(
  db: Queryable,
  student: number,
  ids: readonly number[] | null = null,
): Promise<PortfolioPiece[]> {
  const kept = await piecesOf(db, student, ids);
  return Promise.all(kept.map((piece) => readPiece(db, piece)));
}

/** The same as people outside the class may see it: without the name of anybody who was ever in a class with the child. */
export async function portfolioForOthers(
  db: Queryable,
  student: number,
  ids: readonly number[] | null,
): Promise<PortfolioPiece[]> {
  const [pieces, names] = await Promise.all([portfolioOf(db, student, ids), namesAround(db, student)]);
  return pieces
    .filter(({ answers }) => answers.length > 0)
    .map((piece) => withoutOthers(piece, (text) => withoutNames(text, names.others, names.own)));
}

/** What a link shows, with each file under an address that the link opens. */
export const atLink = (pieces: readonly PortfolioPiece[], token: string): PortfolioPiece[] =>
  pieces.map((piece) => {
    const { answers, voice } = piece;
    return { ...piece, ...renameFiles({ answers, voice }, (sha256) => `portfolio/${token}/${sha256}`) };
  });
