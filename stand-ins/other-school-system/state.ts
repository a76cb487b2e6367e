import { exportJWK, generateKeyPair } from "jose";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import path from "node:path";

/** Somebody at the course site. */
export interface Person {
  id: string;
  given: string;
  family: string;
  email: string;
  role: "teacher" | "student" | "keeper";
  /** What the district's roster calls them. */
  sourcedId: string;
}

/** One thing in a topic: a page to read, or work that is opened by a launch; or both. */
export interface Entry {
  id: string;
  title: string;
  /** The page's file, among the course's files. */
  page: string | null;
  launch: { url: string; custom: Record<string, string> } | null;
}

export interface LineItem {
  id: number;
  label: string;
  scoreMaximum: number;
  resourceId: string | null;
  startDateTime: string | null;
  endDateTime: string | null;
  scores: Record<string, { given: number | null; most: number | null; at: string; progress: string }>;
}

export interface Course {
  id: string;
  title: string;
  members: string[];
  topics: { id: string; title: string; entries: string[] }[];
  entries: Record<string, Entry>;
  /** By name; base64. */
  files: Record<string, string>;
  lineItems: LineItem[];
}

/** A program that people here come into. */
export interface Tool {
  clientId: string;
  deployment: string;
  name: string;
  login: string;
  redirects: string[];
  keys: string;
  target: string;
  custom: Record<string, string>;
  chooses: boolean;
}

export interface State {
  key: Record<string, unknown>;
  people: Person[];
  courses: Course[];
  tools: Tool[];
}

/** Everything in one file: it is small, and a stand-in. */
export class Store {
  private constructor(
    private readonly file: string,
    readonly state: State,
  ) {}

  static async open(file: string): Promise<Store> {
    if (existsSync(file)) return new Store(file, JSON.parse(readFileSync(file, "utf8")) as State);
    mkdirSync(path.dirname(file), { recursive: true });
    const store = new Store(file, { key: await newKey(), people: [], courses: [], tools: [] });
    store.save();
    return store;
  }

  save(): void {
    writeFileSync(`${this.file}.part`, JSON.stringify(this.state));
    renameSync(`${this.file}.part`, this.file);
  }

  course(id: string | undefined): Course | undefined {
    return this.state.courses.find((course) => course.id === id);
  }
  person(id: string | undefined): Person | undefined {
    return this.state.people.find((person) => person.id === id);
  }
}

export async function newKey(): Promise<Record<string, unknown>> {
  const { privateKey } = await generateKeyPair("RS256", { extractable: true });
  return { ...(await exportJWK(privateKey)), kid: "course-site", alg: "RS256", use: "sig" };
}
