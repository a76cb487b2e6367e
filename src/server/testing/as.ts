import type { Db } from "@/data/engine/db";
import type { Outcome } from "../web/act";
import type { Visitor } from "../web/session";

/**
 * Who is asking and which database answers, for tests of actions: they are the real ones, only the cookie is left out.
 * Use with jest.mock("../web/session", () => require("./as").session) and the like.
 */
const state: {
  visitor: Visitor | null;
  session: string | null;
  db: Db | null;
  signedIn: { person: number; class: number | null }[];
} = {
  visitor: null,
  session: null,
  db: null,
  signedIn: [],
};

export function actAs(visitor: Visitor | null, session: string | null = null): void {
  state.visitor = visitor;
  state.session = session;
}

/** What an action gave back. @throws with its problem when it was refused */
export function value<Value>(outcome: Outcome<Value>): Value {
  if (!outcome.ok) throw new Error(outcome.problem);
  return outcome.value;
}

export function answerFrom(db: Db): void {
  state.db = db;
}

/** The sign-ins since the last call, newest last. */
export function takeSignIns(): { person: number; class: number | null }[] {
  return state.signedIn.splice(0);
}

export const session = {
  currentVisitor: async () => state.visitor,
  sessionHash: async () => state.session,
  signIn: async (person: number, _kind: string, joinedClass: number | null) => {
    state.signedIn.push({ person, class: joinedClass });
  },
  signOut: async () => {
    state.visitor = null;
  },
};

export const database = { database: async () => state.db, databaseToRead: async () => state.db };

/** A redirect as Next throws it: with a digest. */
export const navigation = {
  redirect: (to: string) => {
    throw Object.assign(new Error(`redirect to ${to}`), { digest: `REDIRECT;${to}` });
  },
  notFound: () => {
    throw Object.assign(new Error("not found"), { digest: "NOT_FOUND" });
  },
};

export function visitorOf(
  person: { id: number; district: number; school: number | null },
  more: Partial<Visitor> = {},
): Visitor {
  return {
    kind: "adult",
    givenName: "Test",
    familyName: "Person",
    schoolName: "Here",
    zone: "Europe/London",
    locale: "en",
    country: "XS",
    roles: ["teacher"],
    joinedClass: null,
    joinedAt: null,
    ...person,
    ...more,
  };
}
