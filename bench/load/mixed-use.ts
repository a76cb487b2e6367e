import { readFileSync } from "node:fs";
import path from "node:path";
import { allQuestions } from "@/core/resource/document";
import { document, listen, send, wait, type Led } from "../live/school";

/** How many lessons are led; the children of the others work at their own pace. */
const LED = 5;
const questions = allQuestions(document).map(({ question }) => question.id);
const between = (from: number, to: number) => from + Math.random() * (to - from);
const words = ["tide", "ferry", "fractions", "map scale", "puffin", "letter", "timetable", "market", "gull", "salt"];

/** What was idle too long is closed by the server, and asked again, once, as a browser does. */
const sendAgain = (token: string, where: string, body?: object, action?: string) => {
  const how = action ? { action } : {};
  return send(token, where, body, how)
    .catch(() => send(token, where, body, how))
    .catch((error: Error) => ({ status: 0, text: error.message, signedIn: false }));
};

/** What was asked for, how long it took, and when, in milliseconds from the beginning. */
export interface Taken {
  what: string;
  ms: number;
  at: number;
}

/** What a school does, all day: everybody looks, thinks, answers and looks again, until `until`. */
export class School {
  readonly taken: Taken[] = [];
  readonly failed: string[] = [];
  readonly acknowledged = new Set<string>();
  private readonly began = performance.now();
  private counted = 0;

  constructor(readonly lessons: readonly Led[]) {}

  /** One request as a browser makes it. */
  async ask(what: string, token: string, where: string, body?: object): Promise<boolean> {
    const from = performance.now();
    const came = await sendAgain(token, where, body);
    this.taken.push({ what, ms: performance.now() - from, at: from - this.began });
    const good = came.status === 200;
    if (!good) this.failed.push(`${what}: ${came.status} ${came.text.slice(0, 80)}`);
    return good;
  }

  private async answer({ assignment }: Led, one: Led["students"][number]): Promise<void> {
    const key = `answer-${one.id}-${(this.counted += 1)}`;
    const item = { key, question: questions[this.counted % questions.length], value: key, age: 0, after: [] };
    const body = { recipient: one.recipient, number: 1, items: [item] };
    if (await this.ask("answer", one.token, `/student/${assignment}/responses`, body)) this.acknowledged.add(key);
  }

  private async child(led: Led, one: Led["students"][number], until: number): Promise<void> {
    const busy = () => performance.now() < until;
    await wait(between(0, 20_000));
    while (busy()) {
      await this.ask("a child's work", one.token, "/student");
      await wait(between(1_000, 4_000));
      await this.ask("a piece of work", one.token, `/student/${led.assignment}`);
      for (let nth = 0; nth < questions.length && busy(); nth += 1) {
        await wait(between(4_000, 16_000));
        await this.answer(led, one);
      }
    }
  }

  private async teacher(led: Led, isLeading: boolean, until: number): Promise<void> {
    const { assignment, teacher } = led;
    for (let nth = 0; performance.now() < until; nth += 1) {
      await wait(between(4_000, 12_000));
      const word = words[nth % words.length]!;
      const looks: [string, string][] = [
        ["find", `/find?words=${encodeURIComponent(word)}&grades=5`],
        ["find while typing", `/find/results?words=${encodeURIComponent(word.slice(0, 3))}`],
        ["results of a class", `/results?assignment=${assignment}`],
        ["the plan", "/plan"],
        ["classes", "/classes"],
      ];
      if (isLeading && nth % 2 === 0) {
        const step = nth % 6;
        const command = { do: nth === 0 ? "begin" : "go", step: `step-${step}`, nth: step };
        await this.ask("go on", teacher, `/lead/${assignment}/command`, command);
      } else await this.ask(...([looks[nth % looks.length]![0], teacher, looks[nth % looks.length]![1]] as const));
    }
  }

  /** Every screen has its live updates open, as a browser keeps them. */
  async openScreens(): Promise<void> {
    for (const [at, { assignment, teacher, students }] of this.lessons.entries()) {
      if (at >= LED) await Promise.all(students.map(({ token }) => listenQuietly(token, "/student/live")));
      else {
        await listen(teacher, `/lead/${assignment}/live`, () => {});
        await Promise.all(students.map(({ token }) => listen(token, `/student/${assignment}/live`, () => {})));
      }
    }
  }

  async use(until: number): Promise<void> {
    await Promise.all(
      this.lessons.flatMap((led, at) => [
        this.teacher(led, at < LED, until),
        ...led.students.map((one) => this.child(led, one, until)),
      ]),
    );
  }

  /** 8:50: every child signs in with its words and opens what there is, within `ms`. */
  async stampede(ms: number): Promise<void> {
    const from = performance.now();
    const { id, page } = signInWithWords();
    await Promise.all(
      this.lessons.flatMap(({ assignment, students }) =>
        students.map(async ({ token, signInName }) => {
          await wait(Math.random() * ms);
          const at = performance.now();
          const came = await sendAgain("none", page, [{ name: signInName, words: WORDS, to: null }], id);
          this.taken.push({ what: "signing in at 8:50", ms: performance.now() - at, at: at - this.began });
          if (!came.signedIn) {
            const why = /\{"ok":false[^}]*\}/.exec(came.text)?.[0];
            this.failed.push(`signing in: ${came.status} ${why ?? came.text.slice(0, 120)}`);
          }
          await this.ask("a child's work at 8:50", token, "/student");
          await this.ask("a piece of work at 8:50", token, `/student/${assignment}`);
        }),
      ),
    );
    console.error(`The stampede was over after ${Math.round((performance.now() - from) / 1000)} s.`);
  }
}

/** What every child of the school types. */
export const WORDS = "puffin lantern harbour";

/** As a led lesson's, but nothing need come: a child at its own pace hears only of lessons that begin. */
async function listenQuietly(token: string, where: string): Promise<void> {
  void listen(token, where, () => {}).catch(() => {});
  await wait(5);
}

/** Where the build put the act, as the page that offers it calls it. */
function signInWithWords(): { id: string; page: string } {
  const manifest = JSON.parse(readFileSync(path.join(".next", "server/server-reference-manifest.json"), "utf8")) as {
    node: Record<string, { exportedName: string }>;
  };
  const found = Object.entries(manifest.node).find(([, { exportedName }]) => exportedName === "signInWithWords");
  if (!found) throw new Error("The build has no signInWithWords: build first.");
  return { id: found[0], page: "/join" };
}
