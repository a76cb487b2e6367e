import sharp from "sharp";
import type { Report } from "@/core/report/report";
import { plainText } from "@/core/content/rich-text";
import { stepsFrom } from "@/core/brought/steps";
import { writePdf } from "../pdf/write-pdf";
import { readBrought } from "./read-brought";

const picture = sharp({ create: { width: 80, height: 60, channels: 3, background: "#235444" } })
  .png()
  .toBuffer();
const report = async (): Promise<Report> => ({
  ...{ title: "When is high water?", language: "en", author: "Ines Halloran", wide: false },
  sections: [
    {
      ...{ title: "Reading the table", shown: true, language: "en" },
      blocks: [
        {
          kind: "text",
          text: "The tide table says when the water is highest. It is printed by the harbour office every year and hangs at the quay.",
        },
        { kind: "list", lines: ["high water", "low water"] },
        { kind: "picture", bytes: new Uint8Array(await picture), text: "A quay" },
      ],
    },
    {
      ...{ title: "Which ferry can cross?", shown: true, language: "en" },
      blocks: [
        { kind: "text", text: "Which of them can cross the bar?" },
        { kind: "list", lines: ["a) the 7:10", "b) the 13:05"] },
      ],
    },
  ],
});

test("a PDF comes in page by page: titles, paragraphs, points and pictures", async () => {
  const brought = await readBrought(await writePdf(await report()), "tides.pdf");
  expect(brought).toMatchObject({ kind: "a document", title: "When is high water?" });
  expect(brought.pages.map(({ title }) => title)).toEqual(["Reading the table", "Which ferry can cross?"]);
  const [first] = brought.pages;
  expect(first!.blocks.map(({ kind }) => kind)).toEqual(["text", "picture"]);
  const [text] = first!.blocks;
  expect(text).toMatchObject({
    content: [
      { type: "paragraph", content: [{ text: expect.stringMatching(/^The tide table says .* hangs at the quay\.$/) }] },
      { type: "bulletList", content: [{}, {}] },
    ],
  });
  const { width, height } = await sharp(brought.pictures[0]!.bytes).metadata();
  expect([width, height]).toEqual([80, 60]);
}, 30_000);

test("lettered lines become a question to choose from", async () => {
  const { pages } = await readBrought(await writePdf(await report()), "tides.pdf");
  let made = 0;
  const steps = stepsFrom(pages, [], { language: "en", newId: () => `n${(made += 1)}`, media: [undefined] });
  const asked = steps[1]!.blocks.find(({ type }) => type === "question");
  expect(asked).toMatchObject({
    question: { type: "choice", options: [{ text: { en: "the 7:10" } }, { text: { en: "the 13:05" } }] },
  });
  expect(plainText((asked as never as { question: { prompt: { en: never } } }).question.prompt.en)).toBe(
    "Which of them can cross the bar?",
  );
}, 30_000);

test("a PDF that is cut off is refused in words, and the same file can be read afterwards", async () => {
  const whole = await writePdf(await report());
  await expect(readBrought(whole.subarray(0, 600), "tides.pdf")).rejects.toThrow("This PDF is damaged or cut off.");
  expect((await readBrought(whole, "tides.pdf")).pages).toHaveLength(2);
}, 30_000);
