import { randomUUID } from "node:crypto";
import { basicOf, json, refused, type Answer, type Asked } from "./answer";
import type { Person, Store } from "./state";

/** What lets Golden Satchel in: for trying things out only. */
export const directoryClient = { id: "golden-satchel", secret: "roster-of-the-demo" };
const SCHOOL = "school-1";

const tokens = new Set<string>();
const reference = (id: string, type: string) => ({ href: `/${type}s/${id}`, sourcedId: id, type });

/** The roster, as OneRoster 1.2 Rostering says it over REST: `/directory/token` lets in, the rest is under `/directory/ims/oneroster/rostering/v1p2`. */
export function directory(store: Store): (asked: Asked) => Answer {
  const whole = () => {
    const { people, courses } = store.state;
    const inSchool = people.filter(({ role }) => role !== "keeper");
    const known = new Map<string, Person>(people.map((person) => [person.id, person]));
    return {
      orgs: [{ sourcedId: SCHOOL, status: "active", name: "Lighthouse Road Primary", type: "school" }],
      classes: courses.map(({ id, title }) => ({
        ...{ sourcedId: id, status: "active", title, classType: "homeroom", grades: [], subjects: [] },
        school: reference(SCHOOL, "org"),
      })),
      users: inSchool.map(({ sourcedId, given, family, email, role }) => ({
        ...{ sourcedId, status: "active", enabledUser: "true", givenName: given, familyName: family, email },
        roles: [{ roleType: "primary", role, org: reference(SCHOOL, "org") }],
      })),
      enrollments: courses.flatMap(({ id, members }) =>
        members.flatMap((member) => {
          const person = known.get(member);
          if (!person || person.role === "keeper") return [];
          return {
            ...{ sourcedId: `${id}-${member}`, status: "active", role: person.role },
            ...{ class: reference(id, "class"), user: reference(person.sourcedId, "user") },
            school: reference(SCHOOL, "org"),
          };
        }),
      ),
    };
  };

  return ({ method, url, request }) => {
    if (method === "POST" && url.pathname === "/directory/token") {
      const said = basicOf(request.headers.authorization);
      if (said?.id !== directoryClient.id || said.secret !== directoryClient.secret) return refused(401);
      const token = randomUUID();
      tokens.add(token);
      return json({ access_token: token, token_type: "Bearer", expires_in: 3600 });
    }
    const name = /^\/directory\/ims\/oneroster\/rostering\/v1p2\/(\w+)$/.exec(url.pathname)?.[1];
    if (!tokens.has(request.headers.authorization?.replace(/^Bearer /, "") ?? "")) return refused(401);
    const all = whole()[name as keyof ReturnType<typeof whole>] as readonly object[] | undefined;
    if (!all) return refused(404);
    const [limit, offset] = ["limit", "offset"].map((each) => Number(url.searchParams.get(each) ?? 0));
    const page = all.slice(offset, offset! + (limit || 100));
    return json({ [name!]: page }, { "x-total-count": String(all.length) });
  };
}
