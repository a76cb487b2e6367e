import fc from "fast-check";
import { directoryOf, setDirectory } from "../office/directory";
import { addProvider, providerById, providersAt } from "../office/providers";
import { setTotp, totpOf } from "../office/second-step";
import { storedKeys, storeKey } from "../lti/logins";
import { freshDatabase } from "../testing/database";
import { now, smallWorld, type World } from "../testing/world";
import type { Db } from "./db";
import { CannotOpenSecret, isSealed, openText, sealText } from "./sealed-text";
import { sealStoredSecrets } from "./seal-secrets";

const key = "thirty-two characters that nobody guesses";
afterEach(() => delete process.env.SECRET_KEY);

describe("a text that is sealed", () => {
  test("opens again, says nothing of itself, and is another each time", () => {
    process.env.SECRET_KEY = key;
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        const sealed = sealText(text);
        expect(openText(sealed)).toBe(text);
        expect(isSealed(sealed)).toBe(true);
        expect(sealText(text)).not.toBe(sealed);
      }),
    );
    expect(sealText("roster-of-the-demo")).not.toContain("roster");
  });

  test("does not open with another key, without one, or when any sign of it was changed", () => {
    process.env.SECRET_KEY = key;
    const sealed = sealText("roster-of-the-demo");
    for (const at of [10, 30, sealed.length - 3]) {
      const other = sealed[at] === "A" ? "B" : "A";
      expect(() => openText(sealed.slice(0, at) + other + sealed.slice(at + 1))).toThrow(CannotOpenSecret);
    }
    expect(() => openText("sealed1.AAAA")).toThrow(CannotOpenSecret);
    process.env.SECRET_KEY = `${key}, another`;
    expect(() => openText(sealed)).toThrow(CannotOpenSecret);
    delete process.env.SECRET_KEY;
    expect(() => openText(sealed)).toThrow("Set SECRET_KEY to the key");
  });

  test("a key that could be guessed is refused; without one texts stay as they are", () => {
    process.env.SECRET_KEY = "short";
    expect(() => sealText("x")).toThrow("SECRET_KEY has 5 characters. It needs at least 32.");
    delete process.env.SECRET_KEY;
    expect([sealText("x"), openText("x")]).toEqual(["x", "x"]);
  });
});

describe("secrets in the database", () => {
  let db: Db;
  let world: World;
  beforeEach(async () => {
    db = await freshDatabase();
    world = await smallWorld(db);
  }, 60_000);
  afterEach(() => db.close());

  const jwk = { kty: "RSA", d: "the-private-part" };
  const directory = {
    ...{
      address: "https://directory.example/ims/oneroster/rostering/v1p2",
      tokenUrl: "https://directory.example/token",
    },
    ...{ clientId: "us", clientSecret: "secret-of-the-directory" },
  };
  const store = async () => {
    await setDirectory(db, world.here, directory);
    await setTotp(db, world.ines, { secret: "SECRETOFTHEAPP", used: 1, recovery: [] });
    await storeKey(db, jwk, now);
    return addProvider(db, {
      ...{ school: world.here, name: "Account", issuer: "https://id.example", clientId: "us" },
      ...{ clientSecret: "secret-of-the-sign-in", at: now },
    });
  };
  const read = async (provider: number) => [
    (await directoryOf(db, world.here))!.clientSecret,
    (await totpOf(db, world.ines))!.secret,
    (await storedKeys(db))[0]!.jwk,
    (await providerById(db, provider))!.clientSecret,
    (await providersAt(db, world.here))[0]!.clientSecret,
  ];
  const all = ["secret-of-the-directory", "SECRETOFTHEAPP", jwk, "secret-of-the-sign-in", "secret-of-the-sign-in"];
  const inTheDatabase = async () =>
    JSON.stringify([
      await db.query("select totp_secret from person"),
      await db.query("select * from school_directory"),
      await db.query("select * from sign_in_provider"),
      await db.query("select private_jwk from lti_key"),
    ]);
  const words = /secret-of|SECRETOF|private-part/;

  test("are sealed as they are stored, and used as before", async () => {
    process.env.SECRET_KEY = key;
    const provider = await store();
    expect(await inTheDatabase()).not.toMatch(words);
    expect(await read(provider)).toEqual(all);
    // Saved again without typing it, the directory's stays.
    await setDirectory(db, world.here, { ...directory, clientSecret: "" });
    expect((await directoryOf(db, world.here))!.clientSecret).toBe("secret-of-the-directory");
  });

  test("that were there before the key are sealed at the next start, once; with another key it does not start", async () => {
    const provider = await store();
    expect(await inTheDatabase()).toMatch(words);
    expect(await sealStoredSecrets(db)).toBe(0);
    process.env.SECRET_KEY = key;
    expect(await read(provider)).toEqual(all);
    expect(await sealStoredSecrets(db)).toBe(4);
    expect(await inTheDatabase()).not.toMatch(words);
    expect(await read(provider)).toEqual(all);
    expect(await sealStoredSecrets(db)).toBe(0);
    process.env.SECRET_KEY = `${key}, another`;
    await expect(sealStoredSecrets(db)).rejects.toThrow(CannotOpenSecret);
    delete process.env.SECRET_KEY;
    await expect(sealStoredSecrets(db)).rejects.toThrow("Set SECRET_KEY to the key it was sealed with");
  });
});
