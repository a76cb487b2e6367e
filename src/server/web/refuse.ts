import type { ProblemCode, RefusalCode } from "@/messages/catalogues";
import { problemOf, type Problem } from "./problem";

/**
 * The answer of a route that refuses: a status and why, as JSON.
 *
 *     refuse(413, "tooLarge", { megabytes: 20 }) // {"problem":"This file is larger than 20 MB. …","code":"tooLarge", …}
 */
export function refuse(
  status: number,
  why: ProblemCode | RefusalCode | Problem,
  values?: Record<string, string | number>,
): Response {
  return Response.json(typeof why === "string" ? problemOf(why, values) : why, { status });
}
