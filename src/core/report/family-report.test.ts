import { lesson } from "@/data/testing/world";
import { richText } from "../content/rich-text";
import { forPaper } from "../resource/paper";
import en from "@/messages/en.json";
import { familyReport } from "./family-report";

test("a family's sheet says how long, what to have ready, what to do and whether it went well; no answer and no note of the teacher", () => {
  const [step] = lesson("x").steps;
  const table = {
    ...{ id: "t", type: "table" as const, headerRow: true, headerColumn: false },
    ...{ caption: { en: "Tides" }, rows: { en: [["High"], ["4:12"]] } },
  };
  const document = {
    ...lesson("At the harbour"),
    familyNote: { en: richText("Do it in the kitchen.") },
    steps: [
      { ...step!, title: { en: "Look" }, teacherNotes: { en: richText("Secret.") }, blocks: [...step!.blocks, table] },
      { ...lesson("y").steps[0]!, audience: "teacher" as const, title: { en: "For me" } },
    ],
  };
  const report = familyReport(forPaper(document), { languages: ["en"], words: en.familySheet, author: "Ines" });
  const text = JSON.stringify(report);
  expect(report).toMatchObject({
    title: "At the harbour",
    author: "Ines",
    sections: [{ shown: true, language: "en" }],
  });
  for (const there of [
    "To do at home. It takes about 25 minutes.",
    "Do it in the kitchen.",
    "paper and a pencil",
    "Which?",
    "4:12",
  ])
    expect(text).toContain(there);
  expect(report.sections[0]!.blocks).toContainEqual({
    kind: "table",
    caption: "Tides",
    head: ["High"],
    rows: [["4:12"]],
  });
  for (const away of ["Secret", "For me", '"right"']) expect(text).not.toContain(away);
});
