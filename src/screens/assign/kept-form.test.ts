import { plainForm } from "@/core/assign/plain-form";
import { keptAs, keptFrom } from "./kept-form";

const start = plainForm({ resources: [3, 4], to: [{ class: 1, students: [11] }] });
const address = (line: string, beneath = start) => {
  const { line: said, form } = keptAs([3, 4], line, beneath, start);
  return new URLSearchParams({ ...(said && { line: said }), ...(form && { form }) });
};

describe("the assign panel in the address", () => {
  test("the line, and what a line cannot say, come back as they were", () => {
    const beneath = { ...start, stepWork: [{ step: "s", work: "pairs" as const }] };
    expect(keptFrom(address("puffin, 2 tries", beneath), [3, 4])).toEqual({
      line: "puffin, 2 tries",
      form: { stepWork: beneath.stepWork },
    });
  });

  test("nothing is kept where nothing was changed", () => {
    expect(address("  ").toString()).toBe("");
    expect(keptFrom(new URLSearchParams(), [3, 4])).toBeNull();
  });

  test("what was said of other resources is not taken for these", () => {
    expect(keptFrom(address("puffin"), [3])).toBeNull();
  });

  test.each(["{", "3.4:{", '3.4:{"tries":0}', '3.4:{"tries":"many"}', "3.4:[]"])(
    "%s changes nothing in the form",
    (form) => {
      expect(keptFrom(new URLSearchParams({ line: "3.4:now", form }), [3, 4])).toEqual({ line: "now", form: {} });
    },
  );

  test("what is too long for an address is left out of it, and the line stays", () => {
    const long = {
      ...start,
      versions: Array.from({ length: 200 }, (_, at) => ({ student: at + 1, of: 3, resource: 9 })),
    };
    expect(keptAs([3, 4], "now", long, start)).toEqual({ line: "3.4:now", form: null });
  });
});
