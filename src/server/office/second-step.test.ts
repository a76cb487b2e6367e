import { Secret, TOTP } from "otpauth";
import type { Db } from "@/data/engine/db";
import { endOtherSessions, recoveryCodesLeft, sessionsOf, setTotp } from "@/data/office/second-step";
import { startSession } from "@/data/office/people";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld, type World } from "@/data/testing/world";
import { forgetCodes } from "../web/limits";
import {
  newRecoveryCodes,
  newTotpSecret,
  recoveryHash,
  secondStepFor,
  stepOfCode,
  takeSecondStep,
  totpAddress,
} from "./second-step";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

// RFC 6238, appendix B: the last six of the eight digits for SHA-1.
const published = Secret.fromLatin1("12345678901234567890").base32;
test.each([
  [59, "287082"],
  [1111111109, "081804"],
  [1111111111, "050471"],
  [1234567890, "005924"],
  [2000000000, "279037"],
])("at %i seconds the code of RFC 6238 is %s", (seconds, code) => {
  const at = new Date(seconds * 1000);
  expect(stepOfCode(published, code, at)).toBe(Math.floor(seconds / 30));
  expect(stepOfCode(published, code, new Date(at.getTime() + 90_000))).toBeNull();
});

const codeAt = (secret: string, at: Date) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at.getTime() });

describe("signing in with a second step", () => {
  const secret = newTotpSecret();
  const codes = newRecoveryCodes();
  beforeEach(async () => {
    await setTotp(db, world.ines, { secret, used: 0, recovery: codes.map(recoveryHash) });
    await setTotp(db, world.teodor, { secret, used: 0, recovery: [] });
    await forgetCodes(world.ines);
  });

  test("the code of now lets her in, once; the same code again does not", async () => {
    const first = await secondStepFor(db, world.ines, now);
    expect(await takeSecondStep(db, first, codeAt(secret, now), now)).toEqual({ ok: true, person: world.ines });
    const second = await secondStepFor(db, world.ines, now);
    expect(await takeSecondStep(db, second, codeAt(secret, now), now)).toEqual({ ok: false, why: "wrong" });
    const later = new Date(now.getTime() + 60_000);
    expect(await takeSecondStep(db, second, codeAt(secret, later), later)).toMatchObject({ ok: true });
    expect(await takeSecondStep(db, second, codeAt(secret, later), later)).toEqual({ ok: false, why: "over" });
  });

  test("a code she wrote down works once, however she types it", async () => {
    const token = await secondStepFor(db, world.ines, now);
    const typed = ` ${codes[0]!.toUpperCase().replaceAll("-", " ")} `;
    expect(await takeSecondStep(db, token, typed, now)).toMatchObject({ ok: true });
    expect(await recoveryCodesLeft(db, world.ines)).toBe(7);
    const again = await secondStepFor(db, world.ines, now);
    expect(await takeSecondStep(db, again, codes[0]!, now)).toEqual({ ok: false, why: "wrong" });
  });

  test("after five wrong codes, or ten minutes, the password is asked for again", async () => {
    const token = await secondStepFor(db, world.ines, now);
    for (let at = 0; at < 5; at += 1)
      expect(await takeSecondStep(db, token, "000000", now)).toEqual({ ok: false, why: "wrong" });
    expect(await takeSecondStep(db, token, codeAt(secret, now), now)).toEqual({ ok: false, why: "over" });
    const slow = await secondStepFor(db, world.ines, now);
    const late = new Date(now.getTime() + 11 * 60_000);
    expect(await takeSecondStep(db, slow, codeAt(secret, late), late)).toEqual({ ok: false, why: "over" });
    expect(await takeSecondStep(db, null, codeAt(secret, now), now)).toEqual({ ok: false, why: "over" });
  });

  test("who knows the password cannot try all codes by beginning again and again", async () => {
    const outcomes = [];
    for (let begun = 0; begun < 4; begun += 1) {
      const token = await secondStepFor(db, world.teodor, now);
      for (let at = 0; at < 4; at += 1) outcomes.push(await takeSecondStep(db, token, "000000", now));
    }
    expect(outcomes.filter((one) => !one.ok && one.why === "wrong")).toHaveLength(10);
    const token = await secondStepFor(db, world.teodor, now);
    expect(await takeSecondStep(db, token, codeAt(secret, now), now)).toEqual({ ok: false, why: "too often" });
  });

  test("another's code does not open hers, and nobody without a second step is asked for one", async () => {
    const other = newTotpSecret();
    const token = await secondStepFor(db, world.ines, now);
    expect(await takeSecondStep(db, token, codeAt(other, now), now)).toEqual({ ok: false, why: "wrong" });
    expect(await secondStepFor(db, world.judit, now)).toBeNull();
  });
});

test("what the app reads names the school's satchel and her address", () => {
  expect(totpAddress(published, "ines@skerry.example")).toMatch(
    /^otpauth:\/\/totp\/Golden%20Satchel:ines%40skerry\.example\?.*secret=GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ/,
  );
});

test("she sees where she is signed in, and signs out everywhere else", async () => {
  const expires = new Date(now.getTime() + 3_600_000);
  for (const [at, device] of ["Firefox on Windows", "Chrome on Android"].entries())
    await startSession(db, {
      ...{
        tokenHash: `s${at}`,
        person: world.ines,
        class: null,
        created: new Date(now.getTime() + at),
        expires,
        device,
      },
    });
  expect((await sessionsOf(db, world.ines, now)).map(({ device }) => device)).toEqual([
    "Chrome on Android",
    "Firefox on Windows",
  ]);
  expect(await endOtherSessions(db, world.ines, "s1")).toBe(1);
  expect(await sessionsOf(db, world.ines, now)).toHaveLength(1);
});
