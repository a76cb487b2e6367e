import { strToU8, zipSync } from "fflate";
import type { ReaderAnswer } from "./reader-answer";
import { answerOf, readers } from "./readers";

// Files that lie. Each reader gets honest files with things changed at random, and files made to be slow; whatever comes,
// it answers in time, with a value or with what is wrong. The draws are the same every time. How fast a reader is belongs
// in bench; here the limit is the one its thread has, so that a busy machine is not taken for a file that never ends.

const MOST_MS = 10_000;

function random(seed: number) {
  let state = seed;
  return (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const calendar = (events: string[]) =>
  [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    ...events.map((lines) => `BEGIN:VEVENT\r\n${lines}\r\nEND:VEVENT`),
    "END:VCALENDAR",
  ].join("\r\n");
const item = (id: number) => ({ identifier: `i${id}`, fullStatement: "Counts", humanCodingScheme: `C.${id}` });
const childOf = (child: number, parent: string) => ({
  associationType: "isChildOf",
  originNodeURI: { identifier: `i${child}` },
  destinationNodeURI: { identifier: parent },
});
const framework = (count: number, parentOf: (at: number) => string) =>
  JSON.stringify({
    CFDocument: { identifier: "doc", title: "Long" },
    CFItems: Array.from({ length: count }, (_, at) => item(at)),
    CFAssociations: Array.from({ length: count }, (_, at) => childOf(at, parentOf(at))),
  });
const rosterFiles = {
  "manifest.csv": "propertyName,value\noneroster.version,1.1\n",
  "users.csv": "sourcedId,role,givenName,familyName,grades\nu1,student,Aina,Berg,06\nt1,teacher,Ines,Halloran,\n",
  "classes.csv": "sourcedId,title,grades\nc1,6 Tern,06\n",
  "enrollments.csv": "classSourcedId,userSourcedId,role\nc1,u1,student\nc1,t1,teacher\n",
};
const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));

const timed = (reader: keyof typeof readers, ...input: unknown[]): ReaderAnswer & { ms: number } => {
  const began = performance.now();
  const answer = answerOf(reader, input);
  return { ...answer, ms: performance.now() - began };
};

const between = ["2026-01-01", "2027-06-30"];
const honest: [keyof typeof readers, string, string[]][] = [
  ["captions", "WEBVTT\n\nNOTE by hand\n\n00:00.000 --> 00:02.500 line:90%\nThe <b>tide</b>.\n", []],
  [
    "days off",
    calendar([
      "SUMMARY:Storm day\r\nDTSTART;VALUE=DATE:20260105\r\nDURATION:P2D",
      "SUMMARY:Regatta\r\nDTSTART;VALUE=DATE:20260201\r\nRRULE:FREQ=WEEKLY;COUNT=4;BYDAY=TU,SU\r\nEXDATE;VALUE=DATE:20260208",
    ]),
    between,
  ],
  ["framework", framework(6, (at) => (at === 0 ? "doc" : `i${at - 1}`)), []],
  ["table of students", 'Name;Grade;Class\n"Berg, Aina";5;6 Tern\nBo Dahl;K;6 Tern\n', []],
];

const strange = [
  "\u0000",
  "\uD800",
  '"',
  "<",
  ">",
  "-->",
  "\n",
  "\r",
  ",",
  ";",
  ":",
  "9".repeat(30),
  "é",
  "\u202E",
  "[",
  "{",
];

test.each(honest)(
  "%s: three hundred files with something changed are read or refused in a moment",
  (reader, file, more) => {
    const draw = random(7);
    for (let n = 0; n < 300; n += 1) {
      let text = file;
      for (let changes = 1 + draw(4); changes > 0; changes -= 1) {
        const at = draw(text.length + 1);
        const how = draw(3);
        text =
          how === 0
            ? text.slice(0, at) + strange[draw(strange.length)] + text.slice(at)
            : how === 1
              ? text.slice(0, at) + text.slice(at + 1 + draw(12))
              : text.slice(0, at) + text.slice(draw(text.length));
      }
      const answer = timed(reader, text, ...more);
      expect([text, "fault" in answer ? answer.fault : null]).toEqual([text, null]);
      expect(answer.ms).toBeLessThan(MOST_MS);
    }
  },
);

test("a roster's zip with any of its bytes changed is read or refused in a moment", () => {
  const bytes = zip(rosterFiles);
  const draw = random(11);
  for (let n = 0; n < 300; n += 1) {
    const changed = bytes.slice(0, draw(4) === 0 ? draw(bytes.length) : bytes.length);
    for (let changes = 1 + draw(6); changes > 0; changes -= 1) changed[draw(changed.length)] = draw(256);
    const answer = timed("roster", changed);
    expect([n, "fault" in answer ? answer.fault : null]).toEqual([n, null]);
    expect(answer.ms).toBeLessThan(MOST_MS);
  }
});

describe("files made to be slow", () => {
  test("captions with 250 KB of opened tags", () => {
    const answer = timed("captions", `WEBVTT\n\n00:00.000 --> 00:02.500\n${"<".repeat(250_000)}\n`);
    expect(answer.ms).toBeLessThan(MOST_MS);
    expect(answer).toHaveProperty("value");
  });

  test("two thousand events that repeat every day: as many as a school has are read, the rest named", () => {
    const events = Array.from(
      { length: 2000 },
      (_, at) =>
        `SUMMARY:Event ${at}\r\nDTSTART;VALUE=DATE:20${10 + (at % 9)}0${1 + (at % 9)}1${at % 10}\r\nRRULE:FREQ=DAILY;INTERVAL=${1 + (at % 7)}`,
    );
    const answer = timed("days off", calendar(events), ...between);
    expect(answer.ms).toBeLessThan(MOST_MS);
    const { problems } = (answer as { value: { problems: string[] } }).value;
    expect(problems.join()).toContain("too many repeating events");
  });

  test("a framework ten thousand levels deep is refused, and one of ten thousand in a row is read", () => {
    expect(
      timed(
        "framework",
        framework(10_000, (at) => (at === 0 ? "doc" : `i${at - 1}`)),
      ),
    ).toMatchObject({
      unreadable: expect.stringMatching(/C\.30 is more than 30 levels deep/),
    });
    const flat = timed(
      "framework",
      framework(10_000, () => "doc"),
    );
    expect((flat as { value: { statements: unknown[] } }).value.statements).toHaveLength(10_000);
    expect(flat.ms).toBeLessThan(MOST_MS);
  });

  test("a table of 450,000 rows: 5,000 are read and the rest is said", () => {
    const answer = timed("table of students", `Given name,Family name\n${"Aina,Berg\n".repeat(450_000)}`);
    expect(answer).toHaveProperty("value");
    expect(answer.ms).toBeLessThan(MOST_MS);
  });

  test("a zip that says it is small and is not: what comes out is counted", () => {
    const bytes = zipSync({ "users.csv": new Uint8Array(60_000_000) });
    // Every place that says how large the file is unpacked now says 100 bytes.
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    for (let at = 0; at < bytes.length - 4; at += 1)
      if (view.getUint32(at, true) === 60_000_000) view.setUint32(at, 100, true);
    const answer = timed("roster", bytes);
    expect(answer).toMatchObject({
      unreadable: expect.stringMatching(/far more than it holds|larger than 40 MB/) as string,
    });
    expect(answer.ms).toBeLessThan(MOST_MS);
  });
});
