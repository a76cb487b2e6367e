import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { createHash } from "node:crypto";
import { richText } from "@/core/content/rich-text";
import { newQuestion } from "@/core/question/new-question";
import { questionTypes } from "@/core/question/testing/question-types";
import { parseDocument, type Document } from "@/core/resource/schema/document";
import { documentSchema, PACKAGE_FORMAT, type SatchelPackage } from "./package";
import { PackageError, readPackage } from "./read-package";
import { relocate } from "./relocate";
import { writePackage } from "./write-package";

const bytesOf = new Map<string, Uint8Array>();
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const stored = (text: string) => {
  const bytes = Uint8Array.from([...PNG, ...strToU8(text)]);
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  bytesOf.set(sha256, bytes);
  return { sha256, mime: "image/png", bytes: bytes.length };
};
const written = async (pack: SatchelPackage): Promise<Uint8Array> => {
  const pieces: Uint8Array[] = [];
  for await (const piece of writePackage(pack, async (sha256) => bytesOf.get(sha256)!)) pieces.push(piece);
  return Uint8Array.from(Buffer.concat(pieces));
};

const words = fc.string({ maxLength: 30 }).filter((text) => !text.includes("\0"));
const titled = words.map((text) => text || "Tides");
const types = questionTypes;
let made = 0;
const newId = () => `i${(made += 1)}`;
const step = fc.record({ title: titled, text: words, type: fc.constantFrom(...types), minutes: fc.nat({ max: 60 }) });
const document: fc.Arbitrary<Document> = fc
  .record({ title: titled, topics: fc.array(words, { maxLength: 3 }), steps: fc.array(step, { maxLength: 3 }) })
  .map(({ title, topics, steps }) =>
    parseDocument({
      schema: 1,
      ...{ languages: ["en", "es"], title: { en: title, es: title }, topics },
      ...{ kind: "lesson", grades: { from: 4, to: 5 }, subjects: ["science"], licence: "CC-BY-4.0" },
      credits: [{ title, author: "Teodor Brandt", source: "Here", licence: "CC-BY-4.0", changed: "", resource: 7 }],
      steps: steps.map((one) => ({
        ...{ id: newId(), title: { en: one.title }, minutes: one.minutes },
        origin: { resource: 7, revision: 70, step: "a" },
        blocks: [
          { id: newId(), type: "text", text: { en: richText(one.text) } },
          { id: newId(), type: "question", question: newQuestion(one.type, "en", newId) },
        ],
      })),
    }),
  );
const pack = fc
  .record({
    revisions: fc.array(document, { minLength: 1, maxLength: 3 }),
    draft: fc.option(document),
    files: fc.array(words, { maxLength: 3 }),
  })
  .map(({ revisions, draft, files }): SatchelPackage => ({
    index: {
      ...{ format: PACKAGE_FORMAT, version: 1, by: { id: 3, name: "Ines Halloran" } },
      resources: [
        {
          ...{ id: 1, archived: false, source: { revision: 70, title: "Tides", author: "Teodor Brandt" } },
          revisions: revisions.map((_, at) => ({ id: 10 + at, number: at + 1, created: "2026-11-25T10:00:00.000Z" })),
          draft: draft && { saved: "2026-11-26T10:00:00.000Z" },
        },
      ],
      pockets: [{ id: 1, name: "Autumn", within: null, resources: [1] }],
      media: [...new Map(files.map((text) => [text, stored(text)])).values()],
    },
    documents: new Map(revisions.map((one, at) => [10 + at, one])),
    drafts: new Map(draft ? [[1, draft]] : []),
  }));
const [one] = fc.sample(pack, { numRuns: 1, seed: 5 }) as [SatchelPackage];

test("whatever is packed is the same when it is read again, and the same package is the same bytes", async () => {
  await fc.assert(
    fc.asyncProperty(pack, async (before) => {
      const bytes = await written(before);
      const after = readPackage(bytes);
      expect(after.index).toEqual(before.index);
      expect([...after.documents]).toEqual(
        [...before.documents].map(([id, it]) => [id, JSON.parse(JSON.stringify(it))]),
      );
      expect([...after.drafts.keys()]).toEqual([...before.drafts.keys()]);
      expect([...after.media.keys()].sort()).toEqual(before.index.media.map(({ sha256 }) => sha256).sort());
      expect(Buffer.from(await written(before)).equals(Buffer.from(bytes))).toBe(true);
    }),
    { numRuns: 25 },
  );
});

test("every document in a package is as the schema beside it says, for any other program", async () => {
  const valid = new Ajv2020({ strict: false, validateFormats: false }).compile(documentSchema());
  for (const before of fc.sample(pack, { numRuns: 20, seed: 9 })) {
    const files = unzipSync(await written(before));
    expect(JSON.parse(Buffer.from(files["schema/document.schema.json"]!).toString())).toMatchObject({ type: "object" });
    for (const name of Object.keys(files).filter((file) => /revision|draft/.test(file)))
      expect([name, valid(JSON.parse(Buffer.from(files[name]!).toString())), valid.errors]).toEqual([name, true, null]);
  }
  expect(valid({ schema: 1 })).toBe(false);
});

describe("a file that is no such package", () => {
  const files = async () => unzipSync(await written(one));
  const why = (bytes: Uint8Array) => {
    try {
      readPackage(bytes);
      return "read";
    } catch (error) {
      expect(error).toBeInstanceOf(PackageError);
      return (error as Error).message;
    }
  };

  test("is refused with what is wrong, and where", async () => {
    const all = await files();
    const without = (name: string) => zipSync(Object.fromEntries(Object.entries(all).filter(([key]) => key !== name)));
    const changed = (name: string, text: string) => zipSync({ ...all, [name]: strToU8(text) });
    const whole = await written(one);
    expect(why(strToU8("no zip"))).toMatch(/zip/);
    expect(why(whole.slice(0, whole.length / 3))).toMatch(/cut off|cannot open|not a zip|missing/);
    expect(why(without("satchel.json"))).toContain("no satchel.json");
    expect(why(without("resources/1/revision-1.json"))).toContain("resources/1/revision-1.json is missing");
    expect(why(changed("satchel.json", "{}"))).toContain("no package");
    expect(why(changed("satchel.json", JSON.stringify({ format: PACKAGE_FORMAT, version: 9 })))).toContain(
      "newer version",
    );
    expect(why(changed("resources/1/revision-1.json", '{"schema":1}'))).toMatch(/^resources\/1\/revision-1\.json: /);
    expect(why(changed("resources/1/revision-1.json", "{"))).toContain("cannot be read");
  });

  test("is refused when a picture in it was changed, when names lead out of it, and when it unpacks to a disk full", async () => {
    const picture = stored("a picture");
    const shown = { ...one, index: { ...one.index, media: [picture] } };
    const all = unzipSync(await written(shown));
    expect(why(zipSync({ ...all, [`media/${picture.sha256}`]: strToU8("another") }))).toContain("changed or damaged");
    const page = strToU8("<script>alert(1)</script>");
    const sha256 = createHash("sha256").update(page).digest("hex");
    bytesOf.set(sha256, page);
    const disguised = { ...one, index: { ...one.index, media: [{ sha256, mime: "text/html", bytes: page.length }] } };
    expect(why(await written(disguised))).toContain("is no picture, sound or film");
    for (const name of ["../up.json", "/etc/up.json", "a\\..\\up.json", "C:/up.json"])
      expect(why(zipSync({ ...all, [name]: strToU8("x") }))).toContain("leads out of the zip");
    expect(why(zipSync({ ...all, "satchel.json": new Uint8Array(30_000_000) }))).toContain("far more than it holds");
  });
});

test("elsewhere her voice stays hers, steps lead to what came along, and what leads nowhere is left out", () => {
  const [document] = [...one.documents.values()].filter(({ steps }) => steps.length > 0);
  const spoken = {
    ...document!,
    steps: document!.steps.map((step) => ({
      ...step,
      instructions: {
        en: {
          text: richText("Look."),
          recording: { media: "a".repeat(64), by: 3, name: "Ines", seconds: 2, kept: false },
        },
      },
    })),
  } as Document;
  const here = {
    maker: { there: 3, here: 44 },
    resource: (id: number) => (id === 7 ? 100 : undefined),
    revision: (id: number) => (id === 70 ? 700 : undefined),
  };
  const moved = relocate(spoken, here);
  expect(moved.steps[0]).toMatchObject({
    ...{ origin: { resource: 100, revision: 700, step: "a" } },
    instructions: { en: { recording: { by: 44 } } },
  });
  expect(moved.credits).toMatchObject([{ author: "Teodor Brandt", resource: 100 }]);
  const alone = relocate(spoken, {
    ...here,
    maker: { there: 9, here: 44 },
    resource: () => undefined,
    revision: () => undefined,
  });
  expect(alone.steps[0]).not.toHaveProperty("origin");
  expect(alone.steps[0]).toMatchObject({ instructions: { en: { recording: { by: 0, name: "Ines" } } } });
  expect(alone.credits[0]).not.toHaveProperty("resource");
});
