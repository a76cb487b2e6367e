import { randomInt } from "node:crypto";
import type { Db } from "@/data/engine/db";
import { hasPeople, setFirstCode } from "@/data/student/front-door";
import { sha256 } from "../web/secrets";

/** Letters and digits that are not taken for each other when they are typed from a screen. */
const SIGNS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

/** "ABCD-EFGH-JKLM": 31^12 of them. */
const newFirstCode = (): string =>
  Array.from({ length: 3 }, () => Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join("")).join("-");

/** What was typed, as it is kept: capitals, and nothing between them. */
export const firstCodeHash = (typed: string): string => sha256(typed.toUpperCase().replace(/[^A-Z0-9]/g, ""));

/**
 * Where nobody can sign in yet, says on the server's own screen with which code the school is made. A new one with each
 * start, until there is somebody.
 */
export async function printFirstCode(db: Db, now: Date, print: (line: string) => void): Promise<void> {
  if (await hasPeople(db)) return;
  const code = newFirstCode();
  await setFirstCode(db, firstCodeHash(code), now);
  print(`\nNobody can sign in here yet. Open /begin in a browser and type this code: ${code}\n`);
}
