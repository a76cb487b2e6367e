import { schoolClock } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import type { PortfolioPiece } from "@/core/portfolio/piece";
import { portfolioReport, portfolioRows } from "@/core/report/portfolio-report";
import type { Report } from "@/core/report/report";
import { studentsOf } from "@/data/classes/classes";
import { noteLook } from "@/data/keep/about-child";
import { mediaByHash } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { readKept } from "../files/files";
import { numberFrom, type RouteCaller } from "../web/route";
import { portfolioForOthers, portfolioOf } from "./portfolio";

/** A child's portfolio as its address asks: `names=none` leaves other children's names out, and what was made with them. */
async function asked({
  db,
  visitor,
  now,
  params,
  request,
}: RouteCaller<undefined>): Promise<{ name: string; pieces: PortfolioPiece[] }> {
  const id = numberFrom(params, "student");
  const student = (await studentsOf(db, numberFrom(params, "class"))).find((one) => one.id === id)!;
  await noteLook(db, { student: id, by: visitor.id, what: "portfolio, as a file", at: now });
  const forOthers = new URL(request.url).searchParams.get("names") === "none";
  return {
    name: forOthers ? student.givenName : `${student.givenName} ${student.familyName}`,
    pieces: forOthers ? await portfolioForOthers(db, id, null) : await portfolioOf(db, id),
  };
}

/** How many photographs stand in a PDF at most: it is written in memory. */
const MOST_PICTURES = 60;

/** The photographs of a portfolio that a PDF can show. What is lost from the disk is left out. */
async function picturesOf(db: Db, pieces: readonly PortfolioPiece[]): Promise<Map<string, Uint8Array>> {
  const files = pieces.flatMap(({ answers }) =>
    answers.flatMap(({ made }) => (made?.question.type === "photo" ? (made.value as string[]) : [])),
  );
  const found = new Map<string, Uint8Array>();
  for (const file of [...new Set(files)].slice(0, MOST_PICTURES)) {
    const media = await mediaByHash(db, file);
    if (media?.mime !== "image/jpeg" && media?.mime !== "image/png") continue;
    const bytes = await readKept(file).catch(() => null);
    if (bytes) found.set(file, bytes);
  }
  return found;
}

export async function portfolioPdf(caller: RouteCaller<undefined>): Promise<Report> {
  const { db, visitor, now } = caller;
  const { name, pieces } = await asked(caller);
  return portfolioReport(pieces, {
    ...{ name, author: `${visitor.givenName} ${visitor.familyName}`, pictures: await picturesOf(db, pieces) },
    formatDay: (at) => formatDay(at, visitor.zone, now),
  });
}

/** The rows of a spreadsheet; days as the school's calendar has them. */
export async function portfolioSheet(
  caller: RouteCaller<undefined>,
): Promise<{ name: string; rows: (string | number | Date)[][] }> {
  const { name, pieces } = await asked(caller);
  const day = (at: Date) => new Date(`${schoolClock(at, caller.visitor.zone).date}T00:00:00Z`);
  const rows = portfolioRows(pieces.map((piece) => ({ ...piece, handedIn: day(piece.handedIn) })));
  return { name, rows };
}
