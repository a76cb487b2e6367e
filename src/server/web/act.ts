import { z } from "zod";
import { storable } from "@/core/storable";
import type { Db } from "@/data/engine/db";
import { database } from "./database";
import { log } from "./log";
import { noteAct, type ActOutcome } from "./metrics";
import { guard, permit, type About, type AboutOf, type Act, type ActAlone } from "./permissions";
import { currentVisitor, type Visitor } from "./session";
import type { ProblemCode, RefusalCode } from "@/messages/catalogues";
import { problemOf, type Problem } from "./problem";
import { requestId } from "./request-id";
import { storageProblem } from "./storage-problem";
import { underWay } from "./under-way";

/** What came of a write: a value, or what was wrong, what was kept, and which field it is about. */
export type Outcome<Value> = { ok: true; value: Value } | ({ ok: false; field?: string } & Problem);

/** Thrown inside an action to refuse with a reason a person can act on. Nothing of the action is kept. */
export class ActionError extends Error {
  readonly problem: Problem;

  /** @param why a code of src/messages, or a problem: with values (problemOf), or in the words of the core */
  constructor(
    why: ProblemCode | RefusalCode | Problem,
    readonly field?: string,
  ) {
    const problem = typeof why === "string" ? problemOf(why) : why;
    super(problem.problem);
    this.name = "ActionError";
    this.problem = problem;
  }
}

export interface Caller {
  db: Db;
  now: Date;
  visitor: Visitor;
}

type Work<Input, Value> = (caller: Caller, input: Input) => Promise<Value>;
type ServerAction<Schema extends z.ZodType<object>, Value> = (input: z.input<Schema>) => Promise<Outcome<Value>>;

/**
 * Makes a server action: input checked by Zod, permission asked, errors turned into outcomes. `about` names what in the
 * input the permission is about; an act whose permission needs something cannot be made without it. For acts
 * anyone may do, `visitor` is null when nobody is signed in.
 *
 *     export const packResource = act(
 *       "pack resource", z.object({ resource: Id }), ({ resource }) => ({ resource }), async ({ db }, { resource }) => …);
 */
export function act<Name extends ActAlone, Schema extends z.ZodType<object>, Value>(
  permission: Name,
  schema: Schema,
  work: Work<z.infer<Schema>, Value>,
): ServerAction<Schema, Value>;
export function act<Name extends Act, Schema extends z.ZodType<object>, Value>(
  permission: Name,
  schema: Schema,
  about: (input: z.infer<Schema>) => AboutOf<Name>,
  work: Work<z.infer<Schema>, Value>,
): ServerAction<Schema, Value>;
export function act<Schema extends z.ZodType<object>, Value>(
  permission: Act,
  schema: Schema,
  ...how: [Work<z.infer<Schema>, Value>] | [(input: z.infer<Schema>) => About, Work<z.infer<Schema>, Value>]
): ServerAction<Schema, Value> {
  const [aboutOf, work] = how.length === 1 ? [() => ({}), how[0]] : how;
  return guard(
    async (input: z.input<Schema>): Promise<Outcome<Value>> =>
      underWay(async () => {
        const at = performance.now();
        const done = (outcome: ActOutcome) => noteAct(permission, outcome, performance.now() - at);
        const parsed = schema.safeParse(storable(input));
        if (!parsed.success) {
          const [issue] = parsed.error.issues;
          done("refused");
          return { ok: false, problem: issue?.message ?? "This could not be read.", field: issue?.path.join(".") };
        }
        try {
          const [db, visitor, now] = [await database(), await currentVisitor(), new Date()];
          if (!(await permit(db, visitor, permission, aboutOf(parsed.data), now))) {
            done("refused");
            return { ok: false, ...problemOf(visitor ? "notThere" : "signedOut") };
          }
          const value = await work({ db, now, visitor: visitor! }, parsed.data);
          done("ok");
          return { ok: true, value };
        } catch (error) {
          if (error instanceof ActionError) {
            done("refused");
            return { ok: false, ...error.problem, ...(error.field && { field: error.field }) };
          }
          // Next's own signals (redirect, not found) travel as exceptions.
          if (typeof (error as { digest?: unknown }).digest === "string") {
            done("ok");
            throw error;
          }
          done("failed");
          log.error({ act: permission, request: await requestId(), error: (error as Error).message }, "action failed");
          const storage = storageProblem(error);
          return { ok: false, ...(storage ? { problem: storage } : problemOf("failed")) };
        }
      }),
    permission,
    schema,
  );
}
