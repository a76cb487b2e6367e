import { mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Db, Queryable } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import type { World } from "@/data/testing/world";
import { beginComingIn } from "../lti/come-in";
import { serve } from "../../../stand-ins/other-school-system/server";
import { Store } from "../../../stand-ins/other-school-system/state";

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer();
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** The simulated course site, running, with a class of the small world: Ines and her students, known here by their numbers in the roster. */
export async function simulatedSite(
  db: Queryable,
  world: World,
): Promise<{ address: string; store: Store; stop: () => Promise<void> }> {
  const folder = mkdtempSync(path.join(tmpdir(), "course-site-"));
  const port = await freePort();
  const address = `http://localhost:${port}`;
  const store = await Store.open(path.join(folder, "site.json"));
  const { email } = await one<{ email: string }>(db, "select email from person where id = $1", [world.ines]);
  store.state.people = [
    { id: "u-ines", given: "Ines", family: "Test", email, role: "teacher", sourcedId: "t-1" },
    ...world.students.map((student, at) => ({
      ...{ id: `u-${at}`, given: `Child ${at}`, family: "Test", email: "", role: "student" as const },
      sourcedId: `s-${student}`,
    })),
  ];
  store.state.courses = [
    {
      ...{ id: "c1", title: "5 Kittiwake", members: store.state.people.map(({ id }) => id) },
      ...{ topics: [], entries: {}, files: {}, lineItems: [] },
    },
  ];
  for (const student of world.students)
    await db.query("update person set roster_id = $2 where id = $1", [student, `s-${student}`]);
  const stopServing = await serve(store, address, port);
  const stop = async () => {
    await stopServing();
    rmSync(folder, { recursive: true, force: true });
  };
  return { address, store, stop };
}

/** Presses a link at the course site and follows it to the message that is signed there. `base`: where we are. */
export async function pressAt(
  db: Db,
  { site, base }: { site: string; base: string },
  person: string,
  where: string,
): Promise<{ idToken: string; state: string }> {
  const cookie = `quayside=${person}`;
  const begun = await fetch(`${site}/courses/c1/${where}`, { headers: { cookie }, redirect: "manual" });
  const asked = Object.fromEntries(new URL(begun.headers.get("location")!).searchParams) as never;
  const { to, state } = (await beginComingIn(db, asked, { base, now: new Date() }))!;
  const page = await (await fetch(to, { headers: { cookie } })).text();
  const field = (name: string) => new RegExp(`name="${name}" value="([^"]+)"`).exec(page)![1]!;
  expect(field("state")).toBe(state);
  return { idToken: field("id_token"), state };
}
