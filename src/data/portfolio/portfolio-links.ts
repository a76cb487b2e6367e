import { one, type Queryable } from "../engine/db";

/** A link that shows some of a child's portfolio, as her teachers see it. The address is kept nowhere. */
export interface PortfolioLink {
  id: number;
  by: string;
  made: Date;
  until: Date;
  opened: number;
  pieces: number[];
}

const lives = "l.ended is null and l.until > now()";

export async function addPortfolioLink(
  tx: Queryable,
  of: { student: number; by: number; hash: string; at: Date; until: Date; pieces: readonly number[] },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    "insert into portfolio_link (student_id, by_id, hash, made, until) values ($1, $2, $3, $4, $5) returning id",
    [of.student, of.by, of.hash, of.at, of.until],
  );
  await tx.query("insert into portfolio_link_piece (link_id, piece_id) select $1, unnest($2::int[])", [id, of.pieces]);
  return id;
}

/** Links to a child's portfolio that lead somewhere now, the newest first. */
export const portfolioLinks = (db: Queryable, student: number): Promise<PortfolioLink[]> =>
  db.query(
    `select l.id, p.given_name || ' ' || p.family_name "by", l.made, l.until, l.opened,
            array(select piece_id from portfolio_link_piece where link_id = l.id order by piece_id) pieces
       from portfolio_link l join person p on p.id = l.by_id where l.student_id = $1 and ${lives} order by l.id desc`,
    [student],
  );

export interface OpenPortfolio {
  id: number;
  student: number;
  givenName: string;
  until: Date;
  pieces: number[];
}

/** Where an address leads, by its hash; undefined: nowhere, or nowhere any more. */
export async function portfolioByHash(db: Queryable, hash: string): Promise<OpenPortfolio | undefined> {
  const [row] = await db.query<OpenPortfolio>(
    `select l.id, l.student_id student, p.given_name "givenName", l.until,
            array(select piece_id from portfolio_link_piece where link_id = l.id) pieces
       from portfolio_link l join person p on p.id = l.student_id where l.hash = $1 and ${lives}`,
    [hash],
  );
  return row;
}

export async function countPortfolioOpened(db: Queryable, link: number): Promise<void> {
  await db.query("update portfolio_link set opened = opened + 1 where id = $1", [link]);
}

/** Ends a link to a child's portfolio. False: there is none to end. */
export async function endPortfolioLink(
  db: Queryable,
  of: { student: number; link: number; at: Date },
): Promise<boolean> {
  const rows = await db.query(
    "update portfolio_link set ended = $3 where id = $2 and student_id = $1 and ended is null returning id",
    [of.student, of.link, of.at],
  );
  return rows.length > 0;
}
