import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { configuration, scopes } from "@/core/lti/claims";
import type { Db } from "@/data/engine/db";
import { systemsAt } from "@/data/lti/systems";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld, type World } from "@/data/testing/world";
import { readConfiguration, register, toolRegistration } from "./register";

let db: Db;
let world: World;
let server: Server;
let base: string;
/** What the course site says of itself, and answers to being told of us. */
let says: Record<string, unknown>;
let answers: unknown;
let told: { body: unknown; authorization: string | undefined }[] = [];

// As in the demo, where the course site runs on this machine.
process.env.DEMO = "1";
afterAll(() => void delete process.env.DEMO);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  server = createServer((request, response) => {
    let text = "";
    request.on("data", (part) => (text += String(part)));
    request.on("end", () => {
      if (request.method === "POST")
        told.push({ body: JSON.parse(text), authorization: request.headers.authorization });
      response.end(JSON.stringify(request.method === "POST" ? answers : says));
    });
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}, 60_000);
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await db.close();
});
beforeEach(() => {
  told = [];
  says = {
    ...{ issuer: base, authorization_endpoint: `${base}/a`, registration_endpoint: `${base}/r` },
    ...{ token_endpoint: `${base}/t`, jwks_uri: `${base}/k` },
    [configuration.platform]: { product_family_code: "Quayside courses" },
  };
  answers = { client_id: "us", [configuration.tool]: { deployment_id: "7" } };
});

const of = () => ({ school: world.here, by: world.ines, base: "https://satchel.example", now });
const connect = (token: string | null = "once") => register(db, of(), { configuration: `${base}/c`, token });

test("a course site is told where we are and what we need, with the word it gave for once", async () => {
  expect(await connect()).toEqual({ name: "Quayside courses" });
  expect(told).toMatchObject([
    {
      authorization: "Bearer once",
      body: {
        ...{ initiate_login_uri: "https://satchel.example/lti/login", jwks_uri: "https://satchel.example/lti/keys" },
        ...{ redirect_uris: ["https://satchel.example/lti/launch"], token_endpoint_auth_method: "private_key_jwt" },
      },
    },
  ]);
  expect(await systemsAt(db, world.here)).toMatchObject([
    {
      name: "Quayside courses",
      issuer: base,
      clientId: "us",
      deployment: "7",
      keysUrl: `${base}/k`,
      tokenUrl: `${base}/t`,
    },
  ]);
  // Another school's office sees nothing of it.
  expect(await systemsAt(db, world.there)).toEqual([]);
});

test("connecting again changes what is kept, and makes no second one", async () => {
  says = { ...says, jwks_uri: `${base}/new-keys` };
  await connect(null);
  expect(told[0]!.authorization).toBeUndefined();
  expect((await systemsAt(db, world.here)).map(({ keysUrl }) => keysUrl)).toEqual([`${base}/new-keys`]);
});

test("what we ask for is what we use: columns, scores, members and the cartridge", () => {
  const said = toolRegistration("https://satchel.example") as Record<string, unknown>;
  expect(String(said.scope).split(" ")).toEqual(Object.values(scopes));
  expect(said[configuration.tool]).toMatchObject({
    domain: "satchel.example",
    messages: [{ type: "LtiResourceLinkRequest" }, { type: "LtiDeepLinkingRequest" }],
  });
});

describe("nothing is connected when", () => {
  const refused = async (problem: string) => {
    const before = await systemsAt(db, world.here);
    await expect(connect()).rejects.toThrow(problem);
    expect(await systemsAt(db, world.here)).toEqual(before);
  };

  test("it says that it is another", async () => {
    says = { ...says, issuer: "https://elsewhere.example" };
    await refused("another course site");
    expect(told).toEqual([]);
  });

  test.each(["authorization_endpoint", "registration_endpoint", "token_endpoint", "jwks_uri"])(
    "its %s is an address nobody may ask",
    async (field) => {
      says = { ...says, [field]: "http://192.168.0.1/x" };
      await refused("https://");
      expect(told).toEqual([]);
    },
  );

  test("it is no course site at all", async () => {
    says = { hello: "world" };
    await refused("no course site that we can connect to");
  });

  test("it does not say what it calls us, or which deployment we are", async () => {
    answers = { client_id: "us" };
    await refused("did not take us");
    answers = { error: "invalid_client_metadata" };
    await refused("did not take us");
  });

  test("its address is one that may not be asked", async () => {
    await expect(readConfiguration("http://courses.example/.well-known")).rejects.toThrow("https://");
    await expect(readConfiguration("file:///etc/passwd")).rejects.toThrow("https://");
  });
});
