import { availability } from "@/core/assign/door";
import type { OwnAssignment } from "@/data/student/work";
import type { Visitor } from "../web/session";

/**
 * What a student sees who came in by the class's code: the code is on the board for everybody, and anybody can press any name.
 * So it opens today's work and shows nothing of earlier: neither what was answered nor how it went. A child's own card does.
 */
export function seenByCode(visitor: Pick<Visitor, "joinedAt" | "zone">, assigned: OwnAssignment, now: Date): boolean {
  return (
    visitor.joinedAt === null ||
    availability(assigned, visitor.zone, now).open ||
    begunSince(visitor.joinedAt, assigned.lastBegun)
  );
}

const begunSince = (joined: Date, begun: Date | null): boolean => begun !== null && begun >= joined;

/** Whether a try is from before somebody came in by the code: somebody else may have done it. */
export const fromBefore = (
  visitor: Pick<Visitor, "joinedAt">,
  attempt: { started: Date; handedIn: Date | null },
): boolean => visitor.joinedAt !== null && attempt.handedIn !== null && attempt.started < visitor.joinedAt;
