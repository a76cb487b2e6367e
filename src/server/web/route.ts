import { z } from "zod";
import { storable } from "@/core/storable";
import type { Db } from "@/data/engine/db";
import { database, databaseToRead } from "./database";
import { log } from "./log";
import { noteAct } from "./metrics";
import { guard, permit, type AboutOf, type Act } from "./permissions";
import { currentVisitor, type Visitor } from "./session";
import { refuse } from "./refuse";
import { storageProblem } from "./storage-problem";
import { underWay } from "./under-way";

type Context = { params: Promise<Record<string, string>> };

export interface RouteCaller<Body> {
  db: Db;
  now: Date;
  visitor: Visitor;
  params: Record<string, string>;
  body: Body;
  request: Request;
}

/** Larger bodies than a class's answers ever are. */
const LARGEST_BODY = 1_000_000;

/** What there is before anybody has been asked who is there. */
export type Uncertain<Body> = Omit<RouteCaller<Body>, "visitor">;

/**
 * Makes a route handler. `aboutOf` says what the permission is about, from the address. With a `body` schema the request
 * must carry JSON of that shape. `quickly` may answer by a permission that was asked a moment ago and is checked again as it is used;
 * null: it cannot.
 *
 *     export const GET = route("see results", (params) => ({ assignment: numberFrom(params, "assignment") }), async ({ db }) => …);
 */
export function route<Name extends Act, Body = undefined>(
  permission: Name,
  aboutOf: (params: Record<string, string>) => AboutOf<Name>,
  work: (caller: RouteCaller<Body>) => Promise<Response>,
  body?: z.ZodType<Body>,
  quickly?: (caller: Uncertain<Body>) => Promise<Response | null>,
): (request: Request, context: Context) => Promise<Response> {
  const answer = async (request: Request, context: Context): Promise<Response> => {
    const params = await context.params;
    try {
      const [db, now] = [await database(), new Date()];
      const text = body ? await request.text() : "";
      const read = text.length > LARGEST_BODY ? undefined : body?.safeParse(storable(readJson(text)));
      const quick = read?.success && (await quickly?.({ db, now, params, body: read.data, request }));
      if (quick) return quick;
      const visitor = await currentVisitor();
      if (!(await permit(db, visitor, permission, aboutOf(params), now))) {
        return visitor ? refuse(404, "nothingHere") : refuse(401, "signedOutNow");
      }
      if (body) {
        if (!read) return refuse(413, "tooMuchAtOnce");
        if (!read.success) return refuse(400, "bodyNotRead", { why: read.error.issues[0]?.message ?? "" });
      }
      return await work({
        db: request.method === "GET" ? await databaseToRead(permission) : db,
        now,
        visitor: visitor!,
        params,
        body: (read as { data: Body } | undefined)?.data as Body,
        request,
      });
    } catch (error) {
      // Nobody is there any more to be told anything.
      if (request.signal.aborted) return new Response(null, { status: 499 });
      const id = request.headers.get("x-request-id") ?? undefined;
      log.error({ act: permission, request: id, error: (error as Error).message }, "route failed");
      const full = storageProblem(error);
      return full ? refuse(507, { problem: full }) : refuse(500, "didNotWork");
    }
  };
  return guard(
    (request: Request, context: Context): Promise<Response> =>
      underWay(async () => {
        const at = performance.now();
        const response = await answer(request, context);
        const outcome = response.status >= 500 ? "failed" : response.status >= 400 ? "refused" : "ok";
        noteAct(permission, outcome, performance.now() - at);
        return response;
      }),
    permission,
    body,
  );
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export function numberFrom(params: Record<string, string>, name: string): number {
  return /^\d{1,9}$/.test(params[name] ?? "") ? Number(params[name]) : -1;
}
