import type { Report } from "@/core/report/report";
import { makePaper, sendPdf } from "./make-paper";
import { Turns } from "./thread";

const report: Report = {
  ...{ title: "Marks", language: "en", author: "Ines Halloran", wide: false },
  sections: [{ title: "Marks", shown: true, language: "en", blocks: [{ kind: "text", text: "Nothing yet." }] }],
};

test("a PDF is made in a thread of its own and sent as a file", async () => {
  const response = await sendPdf(report, "marks");
  expect(response.headers.get("content-disposition")).toBe('attachment; filename="marks.pdf"');
  const bytes = Buffer.from(await response.arrayBuffer());
  expect(bytes.subarray(0, 5).toString()).toBe("%PDF-");
}, 30_000);

test("one that cannot be made is an answer in words, and the next one is made", async () => {
  const broken = { ...report, sections: [{ ...report.sections[0]!, blocks: null }] } as unknown as Report;
  const response = await sendPdf(broken, "marks");
  expect(response.status).toBe(503);
  expect(await response.json()).toMatchObject({ code: "pdfNotMade" });
  expect(await makePaper(report, "pdf")).toBeInstanceOf(Uint8Array);
}, 30_000);

describe("turns", () => {
  const held = () => {
    let free = () => {};
    const work = new Promise<void>((done) => (free = done));
    return { work: () => work, free: () => free() };
  };

  test("so many at once, the others one after another, and what fails gives its turn on", async () => {
    const turns = new Turns(1, 5);
    const first = held();
    const order: string[] = [];
    const begun = (name: string, work: () => Promise<unknown>) =>
      turns.take(() => {
        order.push(name);
        return work();
      });
    const one = begun("one", first.work);
    const two = begun("two", () => Promise.reject(new Error("broken")));
    const three = begun("three", () => Promise.resolve());
    expect(order).toEqual(["one"]);
    first.free();
    const came = await Promise.allSettled([one, two, three]);
    expect(came.map(({ status }) => status)).toEqual(["fulfilled", "rejected", "fulfilled"]);
    expect(order).toEqual(["one", "two", "three"]);
    expect(await turns.take(() => Promise.resolve("again"))).toBe("again");
  });

  test("who would wait behind too many is told so at once", async () => {
    const turns = new Turns(1, 1);
    const first = held();
    const one = turns.take(first.work);
    const two = turns.take(() => Promise.resolve("two"));
    expect(await turns.take(() => Promise.resolve("three"))).toBeUndefined();
    first.free();
    await one;
    expect(await two).toBe("two");
  });
});
