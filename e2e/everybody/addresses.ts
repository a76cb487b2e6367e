import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { About, Act } from "@/server/web/permissions";
import { root } from "../../scripts/installed.mjs";

/** Everything of one teacher's that an address or an action can name. */
export type Things = Record<
  "resource" | "reading" | "class" | "assignment" | "pocket" | "student" | "team" | "author",
  number
>;

/** An address, what asks for it, which row of the table guards it, and what that row is asked about. */
export interface Address {
  method: "GET" | "POST";
  path: string;
  /** The same address about things that do not exist. */
  nowhere: string;
  act: Act;
  about: About;
  page: boolean;
  /** Of src/app. */
  file: string;
}

const app = path.join(root, "src/app");

/** What a page asks by words after the question mark: there is no folder that says it. */
const asked: Readonly<Record<string, readonly [Act, string, (keyof Things)[]][]>> = {
  "/classes": [
    ["see class", "class=[class]", ["class"]],
    ["bring a class back", "past=[class]", ["class"]],
  ],
  "/results": [["see results", "assignment=[assignment]", ["assignment"]]],
  "/results/marks": [["see marks", "class=[class]", ["class"]]],
  "/results/coverage": [["see coverage", "classes=[classes]", ["class"]]],
  "/results/student": [["see how a student is doing", "class=[class]&student=[student]", ["class", "student"]]],
  "/results/portfolio": [["keep a portfolio", "class=[class]&student=[student]", ["class", "student"]]],
};

const fieldOf = (file: string, name: string): string =>
  name === "resource" && file.includes("student/reading") ? "reading" : name;

function aboutOf(names: readonly string[], things: Things): About {
  const about: Record<string, unknown> = {};
  for (const name of names) {
    if (name === "classes") about.classes = [things.class];
    else if (name === "student") about.students = [things.student];
    else about[name] = things[name as keyof Things];
  }
  if (names.includes("resource")) about.resources = [things.resource];
  return about as About;
}

const NOWHERE = 987_654_321;
const TOKEN = "abcdefghijklmnopqrstuv";
/** The school's, and no teacher's. */
const ofTheSchool = new Set(["course", "provider"]);
function filled(pattern: string, file: string, things: Things | null): string {
  return pattern.replaceAll(/\[(\w+)\]/g, (_, name: string) => {
    if (name === "token") return TOKEN;
    if (name === "sha256") return "0123456789abcdef".repeat(4);
    const thing = name === "classes" ? "class" : fieldOf(file, name);
    if (ofTheSchool.has(thing)) return "1";
    return String(things === null ? NOWHERE : things[thing as keyof Things]);
  });
}

/** Every page and every route there is, by the files of src/app, with the things of `things` wherever one is named. */
export function addressesOf(things: Things): Address[] {
  const all: Address[] = [];
  for (const file of readdirSync(app, { recursive: true, encoding: "utf8" }).sort()) {
    const page = file.endsWith("page.tsx");
    if (!page && !file.endsWith("route.ts")) continue;
    const text = readFileSync(path.join(app, file), "utf8");
    const pattern = `/${path.dirname(file)}`.replace("/.", "").replaceAll(/\/\([^)]+\)/g, "") || "/";
    const names = [...pattern.matchAll(/\[(\w+)\]/g)].map(([, name]) => fieldOf(file, name!));
    const guards = page
      ? [["GET", text.match(/\benter\(\s*"([^"]+)"/)?.[1]]]
      : [...text.matchAll(/export const (GET|POST) = (?:direct\(\s*)?route\(\s*"([^"]+)"/g)].map(([, method, act]) => [
          method,
          act,
        ]);
    if (guards.length === 0 || guards.some(([, act]) => !act)) throw new Error(`${file} does not say what guards it.`);
    const put = (method: string, act: string, where: string, about: About) =>
      all.push({
        method: method as Address["method"],
        path: filled(where, file, things),
        nowhere: filled(where, file, null),
        act: act as Act,
        about,
        page,
        file,
      });
    for (const [method, act] of guards) put(method!, act!, pattern, aboutOf(names, things));
    for (const [act, words, of] of page ? (asked[pattern] ?? []) : [])
      put("GET", act, `${pattern}?${words}`, { ...aboutOf(of, things), classes: [things.class] });
  }
  return all;
}
