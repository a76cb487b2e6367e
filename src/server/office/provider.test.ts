import type { Db } from "@/data/engine/db";
import { addProvider, personOfProvider, providerById, removeProvider } from "@/data/office/providers";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld, type World } from "@/data/testing/world";
import { identityClient } from "../../../stand-ins/other-school-system/identity";
import { newKey } from "../../../stand-ins/other-school-system/state";
import { simulatedSite } from "../testing/simulated-site";
import { beginSigningIn, configurationOf, endSigningIn } from "./provider";

let db: Db;
let world: World;
let site: Awaited<ReturnType<typeof simulatedSite>>;
let provider: number;
const base = "http://localhost:3999";

// As in the demo, where the school's sign-in runs on this machine.
process.env.DEMO = "1";
afterAll(() => void delete process.env.DEMO);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  site = await simulatedSite(db, world);
  provider = await addProvider(db, {
    ...{ school: world.here, name: "School account", issuer: `${site.address}/identity`, at: now },
    ...{ clientId: identityClient.id, clientSecret: identityClient.secret },
  });
}, 60_000);
afterAll(async () => {
  await site.stop();
  await db.close();
});

/** Begins here, presses a name there; the address it leads back to, and the cookie of this browser. */
async function there(person: string): Promise<{ address: URL; cookie: string }> {
  const began = (await beginSigningIn(db, provider, { base, now: new Date() }))!;
  const answer = await fetch(began.to, {
    ...{ method: "POST", body: new URLSearchParams({ person }), redirect: "manual" },
  });
  return { address: new URL(answer.headers.get("location")!), cookie: began.state };
}

test("a teacher comes in by her checked e-mail address, a child by her number in the roster; they stay who they are", async () => {
  expect(await endSigningIn(db, await there("u-ines"), new Date())).toEqual({
    ...{ ok: true, person: world.ines, kind: "adult" },
  });
  expect(await endSigningIn(db, await there("u-0"), new Date())).toEqual({
    ...{ ok: true, person: world.students[0], kind: "student" },
  });
  // Another address there is still the same account.
  site.store.person("u-ines")!.email = "married@skerry.example";
  expect(await endSigningIn(db, await there("u-ines"), new Date())).toMatchObject({ person: world.ines });
});

test("somebody the school does not know, or who has left it, does not come in", async () => {
  site.store.state.people.push({
    ...{ id: "u-odd", given: "Odd", family: "One", email: "odd@skerry.example", role: "teacher", sourcedId: "t-9" },
  });
  expect(await endSigningIn(db, await there("u-odd"), new Date())).toEqual({ ok: false, why: "who" });
  await db.query("update person set active = false where id = $1", [world.students[0]]);
  expect(await endSigningIn(db, await there("u-0"), new Date())).toEqual({ ok: false, why: "who" });
  await db.query("update person set active = true where id = $1", [world.students[0]]);
});

test("an address that was not checked there opens nobody's account", async () => {
  const found = (await providerById(db, provider))!;
  expect(await personOfProvider(db, found, { subject: "new", email: null, rosterId: null })).toBeUndefined();
  expect(await personOfProvider(db, found, { subject: "other", email: null, rosterId: "t-1" })).toBeUndefined();
});

test("an answer is good once, in the browser that began it, and for ten minutes", async () => {
  const first = await there("u-ines");
  expect(await endSigningIn(db, { ...first, cookie: "another browser" }, new Date())).toEqual({
    ok: false,
    why: "late",
  });
  expect(await endSigningIn(db, { ...first, cookie: null as never }, new Date())).toEqual({ ok: false, why: "late" });
  expect(await endSigningIn(db, first, new Date())).toMatchObject({ ok: true });
  expect(await endSigningIn(db, first, new Date())).toEqual({ ok: false, why: "late" });
  const slow = await there("u-ines");
  expect(await endSigningIn(db, slow, new Date(Date.now() + 11 * 60_000))).toEqual({ ok: false, why: "late" });
});

describe("refused:", () => {
  const changed = async (change: (address: URL) => void) => {
    const came = await there("u-ines");
    change(came.address);
    return endSigningIn(db, came, new Date());
  };
  const refused = { ok: false, why: "refused" };

  test("a code that was made up, or that belongs to another sign-in (PKCE)", async () => {
    expect(await changed(({ searchParams }) => searchParams.set("code", "made-up"))).toEqual(refused);
    const other = await there("u-ines");
    const code = other.address.searchParams.get("code")!;
    expect(await changed(({ searchParams }) => searchParams.set("code", code))).toEqual(refused);
  });

  test("an answer that another sign-in gave (RFC 9207)", async () => {
    expect(await changed(({ searchParams }) => searchParams.set("iss", "https://another.example"))).toEqual(refused);
  });

  test("a token signed with another key than the one its address gives", async () => {
    const right = site.store.state.key;
    const forged = await there("u-ines");
    // It says it is the key everybody knows.
    site.store.state.key = await newKey();
    expect(await endSigningIn(db, forged, new Date())).toEqual(refused);
    site.store.state.key = right;
    expect(await endSigningIn(db, await there("u-ines"), new Date())).toMatchObject({ ok: true });
  });
});

test("what is no sign-in is not connected, and one that was disconnected is gone", async () => {
  const nowhere = { id: 0, school: world.here, name: "x", clientId: "x", clientSecret: "x" };
  await expect(configurationOf({ ...nowhere, issuer: `${site.address}/nowhere` })).rejects.toThrow("does not answer");
  await expect(configurationOf({ ...nowhere, issuer: "http://plain.example" })).rejects.toThrow("https://");
  await removeProvider(db, world.there, provider);
  expect(await providerById(db, provider)).toBeDefined();
  await removeProvider(db, world.here, provider);
  expect(await beginSigningIn(db, provider, { base, now })).toBeNull();
});
