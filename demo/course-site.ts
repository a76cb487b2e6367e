import path from "node:path";
import type { Db } from "@/data/engine/db";
import { addSystem, linkCourse, noteCourse } from "@/data/lti/systems";
import { setDirectory } from "@/data/office/directory";
import { addProvider } from "@/data/office/providers";
import { directoryClient } from "../stand-ins/other-school-system/directory";
import { identityClient } from "../stand-ins/other-school-system/identity";
import { Store, type Person } from "../stand-ins/other-school-system/state";

/** What the course site calls Golden Satchel, and where the two are. */
const CLIENT = "golden-satchel";

interface Seen {
  id: number;
  given: string;
  family: string;
  email: string | null;
  name: string | null;
  roster: string | null;
}

/**
 * Makes the simulated course site of the demo: the people of two classes, the office as its keeper, and the two systems connected, as if the
 * office had done it. `folder`: where it keeps everything.
 */
export async function addCourseSite(
  db: Db,
  of: { folder: string; site: string; satchel: string; now: Date },
): Promise<void> {
  const store = await Store.open(path.join(of.folder, "other-school-system.json"));
  const classes = await db.query<{ id: number; name: string; school: number }>(
    `select c.id, c.name, c.school_id school from class c join school s on s.id = c.school_id
      where c.name in ('5 Kittiwake', '4/5 Puffin') and c.archived is null order by c.id`,
  );
  const [first] = classes;
  if (!first) return;
  const personOf = (seen: Seen, role: Person["role"]): Person => ({
    ...{ id: `p${seen.id}`, given: seen.given, family: seen.family, email: seen.email ?? "", role },
    sourcedId: seen.roster ?? seen.name ?? `p${seen.id}`,
  });
  const columns = `p.id, p.given_name given, p.family_name family, p.email, p.sign_in_name name, p.roster_id roster`;
  const people = new Map<string, Person>();
  for (const { id, name } of classes) {
    const teachers = await db.query<Seen>(
      `select ${columns} from class_teacher t join person p on p.id = t.person_id where t.class_id = $1 and t.role <> 'cover' order by p.id`,
      [id],
    );
    const students = await db.query<Seen>(
      `select ${columns} from enrolled n join person p on p.id = n.student_id where n.class_id = $1 order by p.given_name`,
      [id],
    );
    const members = [
      ...teachers.map((one) => personOf(one, "teacher")),
      ...students.map((one) => personOf(one, "student")),
    ];
    for (const member of members) people.set(member.id, member);
    store.state.courses.push({
      ...{ id: `course-${id}`, title: name, members: members.map((member) => member.id) },
      ...{ topics: [], entries: {}, files: {}, lineItems: [] },
    });
  }
  const keepers = await db.query<Seen>(
    `select ${columns} from person p join person_role r on r.person_id = p.id and r.role = 'office' where p.school_id = $1 order by p.id`,
    [first.school],
  );
  for (const one of keepers) people.set(`p${one.id}`, personOf(one, "keeper"));
  store.state.people = [...people.values()];
  store.state.tools = [
    {
      ...{ clientId: CLIENT, deployment: "1", name: "Golden Satchel", login: `${of.satchel}/lti/login` },
      ...{
        redirects: [`${of.satchel}/lti/launch`],
        keys: `${of.satchel}/lti/keys`,
        target: `${of.satchel}/lti/launch`,
      },
      ...{ custom: { cartridge_url: "$Context.cartridge.url" }, chooses: true },
    },
  ];
  store.save();
  const system = await addSystem(db, {
    ...{ school: first.school, name: "Quayside courses", issuer: of.site, clientId: CLIENT, deployment: "1" },
    ...{ authorizeUrl: `${of.site}/authorize`, tokenUrl: `${of.site}/token`, keysUrl: `${of.site}/keys` },
    ...{ by: keepers[0]?.id ?? null, at: of.now },
  });
  await addProvider(db, {
    ...{ school: first.school, name: "Skerry school account", issuer: `${of.site}/identity`, at: of.now },
    ...{ clientId: identityClient.id, clientSecret: identityClient.secret },
  });
  await setDirectory(db, first.school, {
    ...{ address: `${of.site}/directory/ims/oneroster/rostering/v1p2`, tokenUrl: `${of.site}/directory/token` },
    ...{ clientId: directoryClient.id, clientSecret: directoryClient.secret },
  });
  for (const { id, name } of classes) {
    const here = `${of.site}/courses/course-${id}`;
    const course = await noteCourse(db, system, {
      ...{ contextId: `course-${id}`, title: name, lineItemsUrl: `${here}/lineitems` },
      ...{ membersUrl: `${here}/members`, cartridgeUrl: `${here}/cartridge` },
    });
    await linkCourse(db, course.id, id);
  }
}
