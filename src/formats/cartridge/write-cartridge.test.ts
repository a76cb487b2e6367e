import { strFromU8, unzipSync } from "fflate";
import { plainText } from "@/core/content/rich-text";
import { fromCartridge } from "../brought/from-cartridge";
import { all, attribute, inside, nameOf, readXml, type Xml } from "../brought/xml";
import { allOf, bytesOf, everyQuestion, outgoingLesson, pictureFile } from "../testing/outgoing";
import { oldKindOf } from "./old-qti";
import { cartridgeVersions, writeCartridge } from "./write-cartridge";

const written = async (version: (typeof cartridgeVersions)[number]) => {
  const bytes = await allOf(writeCartridge(outgoingLesson(), version, bytesOf));
  const files = unzipSync(bytes);
  return { bytes, files, manifest: readXml(files["imsmanifest.xml"]!, "imsmanifest.xml") };
};

test.each(cartridgeVersions)(
  "a cartridge %s: every file once, everything pointed to is there, the same bytes each time",
  async (version) => {
    const { bytes, files, manifest } = await written(version);
    const hrefs = all(manifest, "file").map((one) => attribute(one, "href"));
    expect(hrefs.toSorted()).toEqual(
      Object.keys(files)
        .filter((name) => name !== "imsmanifest.xml")
        .toSorted(),
    );
    expect(new Set(hrefs).size).toBe(hrefs.length);
    const ids = new Set(all(manifest, "resource").map((one) => attribute(one, "identifier")));
    const pointed = [...strFromU8(files["imsmanifest.xml"]!).matchAll(/identifierref="([^"]+)"/g)].map(([, id]) => id);
    expect(pointed.length).toBeGreaterThan(0);
    for (const id of pointed) expect(ids).toContain(id);
    expect(Buffer.compare(await allOf(writeCartridge(outgoingLesson(), version, bytesOf)), bytes)).toBe(0);
  },
);

test("one root, topics in it, and in each its resources in order: the page, its questions, the link", async () => {
  const { manifest } = await written("1.3");
  const [organization] = all(manifest, "organization");
  expect(attribute(organization!, "structure")).toBe("rooted-hierarchy");
  const items = (one: Xml) => inside(one).filter((part) => nameOf(part) === "item");
  const [root, ...others] = items(organization!);
  expect(others).toEqual([]);
  const [topic] = items(root!);
  const [reading, lesson] = items(topic!);
  expect(attribute(reading!, "identifierref")).toBe("page-resource-1");
  expect(items(lesson!).map((one) => attribute(one, "identifierref"))).toEqual([
    "page-resource-2",
    "q-resource-2",
    "link-resource-2",
  ]);
});

test("a thin one has only links", async () => {
  const { files } = await written("thin");
  expect(Object.keys(files)).toEqual(["links/resource-2.xml", "imsmanifest.xml"]);
  expect(strFromU8(files["links/resource-2.xml"]!)).toContain('href="https://satchel.example/student/12"');
});

test("pages have nothing of the answers and nothing of the teacher's", async () => {
  const { files } = await written("1.3");
  const page = strFromU8(files["pages/resource-2.html"]!);
  expect(page).toContain("Tides &amp; the moon");
  expect(page).toContain(`../media/${pictureFile.name}`);
  expect(page).not.toContain("Only for me");
  expect(page).not.toContain("Answer:");
});

test("it comes in again: pages, the link, and the questions there is a kind for, with what is right", async () => {
  const { files } = await written("1.1");
  const brought = fromCartridge(new Map(Object.entries(files)) as never);
  expect(brought.title).toBe("Tides, term 1");
  const questions = brought.pages.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.kind === "question" ? [block.asked] : [])),
  );
  expect(questions).toHaveLength(everyQuestion().length);
  const marked = everyQuestion().filter((question) => oldKindOf(question) !== "essay");
  expect(marked.map(({ type }) => type)).toEqual(["choice", "choices", "shortText"]);
  expect(questions.filter(({ right }) => right.length > 0).map(({ right }) => right)).toEqual([
    ["low"],
    ["high", "ebb"],
    ["High water"],
  ]);
  const said = brought.pages.flatMap(({ blocks }) =>
    blocks.map((block) => (block.kind === "text" ? plainText({ type: "doc", content: block.content }) : "")),
  );
  expect(said.join("\n")).toContain("High water at 4 < 5.");
});
