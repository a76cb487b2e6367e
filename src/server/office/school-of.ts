import { ActionError } from "../web/act";
import type { Visitor } from "../web/session";

/** The school of somebody of an office; anyone who has none keeps no school's calendar. */
export function schoolOf(visitor: Visitor): number {
  if (visitor.school === null) throw new ActionError("noSchool");
  return visitor.school;
}
