import { lesson } from "@/data/testing/world";
import { newStep } from "./edit";
import { richText } from "../content/rich-text";
import { missingFiles, storedFiles } from "./stored-files";

const [picture, voice] = ["a".repeat(64), "b".repeat(64)];
const document = lesson("Shells", {
  steps: [
    {
      ...newStep("en", "Look", () => "look", [
        { id: "shown", type: "picture", media: picture, decorative: true, description: {} },
        { id: "shipped", type: "text", text: { en: richText("A shell.") } },
      ]),
      instructions: {
        en: { text: richText("Look."), recording: { media: voice, by: 1, name: "Ines", seconds: 3, kept: true } },
      },
    },
  ],
});

test("each stored file is known once, wherever it stands", () => {
  expect(storedFiles({ ...document, steps: [...document.steps, ...document.steps] }).sort()).toEqual([picture, voice]);
});

test("a file that is gone is found in the block, or the instructions, that need it", () => {
  expect(missingFiles(document, [])).toEqual([]);
  expect(missingFiles(document, ["c".repeat(64)])).toEqual([]);
  expect(missingFiles(document, [picture])).toMatchObject([{ step: "look", block: "shown" }]);
  expect(missingFiles(document, [voice])).toEqual([
    { step: "look", problem: "A recording is missing. Record it again." },
  ]);
});
