/** Anything SQL can be sent to: the database itself or one running transaction. */
export interface Queryable {
  /**
   * Runs one statement. Parameters are `$1`, `$2` …; pass JSON as a string and cast it (`$1::jsonb`).
   * Returned values: int8 and numeric as number, date as "YYYY-MM-DD", timestamptz as Date, jsonb parsed.
   * @throws DatabaseError
   */
  query<Row>(text: string, params?: unknown[]): Promise<Row[]>;
  /** Runs several statements without parameters (migrations). */
  script(text: string): Promise<void>;
}

export interface Db extends Queryable {
  /** Runs `work` in one transaction: all of it is kept, or, when it throws, nothing. */
  transaction<Result>(work: (tx: Queryable) => Promise<Result>): Promise<Result>;
  /**
   * Calls `heard` with the payload of each NOTIFY on the channel, until the returned function is called. `missed` is called
   * when the connection was lost and is back: something may have been sent meanwhile.
   */
  listen(channel: string, heard: (payload: string) => void, missed?: () => void): Promise<() => void>;
  close(): Promise<void>;
}

/** An error of the database, the same for both engines. `code` is the SQLSTATE. */
export class DatabaseError extends Error {
  constructor(
    message: string,
    readonly code?: string,
    readonly constraint?: string,
    readonly detail?: string,
  ) {
    super(message);
    this.name = "DatabaseError";
  }
}

/**
 * By its name and not by its class: the bundler may hold this module more than once, and the one database of the process
 * throws the class of whichever bundle opened it.
 */
function isDatabaseError(error: unknown): error is DatabaseError {
  return error instanceof Error && error.name === "DatabaseError";
}

const UNIQUE_VIOLATION = "23505";

export function isTaken(error: unknown, constraint: string): boolean {
  return isDatabaseError(error) && error.code === UNIQUE_VIOLATION && error.constraint === constraint;
}

/** The first row of a statement that must return one. */
export async function one<Row>(db: Queryable, text: string, params: unknown[] = []): Promise<Row> {
  const [row] = await db.query<Row>(text, params);
  if (row === undefined) throw new Error("A statement that must return a row returned none.");
  return row;
}
