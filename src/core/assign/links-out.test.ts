import { lesson } from "@/data/testing/world";
import type { Document } from "../resource/document";
import { linksOut } from "./links-out";

const [step] = lesson("x").steps as [Document["steps"][number]];
const linked = (href: string) => ({
  type: "doc",
  content: [
    { type: "paragraph", content: [{ type: "text", text: "here", marks: [{ type: "link", attrs: { href } }] }] },
  ],
});
const withStep = (more: object): Pick<Document, "steps"> => ({ steps: [{ ...step, ...more } as never] });

describe("links that leave the school", () => {
  test("are found in texts, instructions and blocks, each host once", () => {
    expect(
      linksOut(
        withStep({
          instructions: { en: { text: linked("https://Tides.example/today") } },
          blocks: [
            { id: "a", type: "text", text: { en: linked("https://tides.example/tomorrow") } },
            { id: "b", type: "link", href: "http://birds.example:8080/x?y#z", label: {} },
          ],
        }),
      ),
    ).toEqual(["tides.example", "birds.example:8080"]);
  });
  test("are not those to our own pages, by mail, or in what only the teacher sees", () => {
    expect(
      linksOut(
        withStep({
          blocks: [
            { id: "a", type: "link", href: "/help", label: {} },
            { id: "b", type: "link", href: "mailto:a@b.example", label: {} },
          ],
          teacherNotes: { en: linked("https://answers.example") },
        }),
      ),
    ).toEqual([]);
    expect(
      linksOut(
        withStep({ audience: "teacher", blocks: [{ id: "b", type: "link", href: "https://x.example", label: {} }] }),
      ),
    ).toEqual([]);
  });
});
