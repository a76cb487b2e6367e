import { lesson } from "@/data/testing/world";
import type { Document, Step } from "../resource/document";
import { newStep } from "../resource/edit";
import { richText } from "../content/rich-text";
import { withoutPart } from "./take-out";
import { howFar, type SharedShelf, type ToShare } from "./how-far";

const me = 1;
const text = (words: string): Step["blocks"][number] => ({ id: "t", type: "text", text: { en: richText(words) } });
const withStep = (more: Partial<Step>, document: Partial<Document> = {}): Document =>
  lesson("Tides", {
    ...document,
    steps: [{ ...newStep("en", "Look", () => "s", [text("The sea is near.")]), ...more }],
  });
const about = (more: Partial<ToShare> = {}): ToShare => ({
  ...{ document: withStep({}), by: me, published: true, school: "Lighthouse Road", curator: false },
  ...{ rules: { district: "everyone", commons: "everyone" }, on: [], offered: [], students: [], files: [] },
  ...more,
});
const states = (more: Partial<ToShare> = {}) => howFar(about(more)).map(({ state }) => state);
const why = (shelf: SharedShelf, more: Partial<ToShare> = {}) =>
  howFar(about(more))
    .find((answer) => answer.shelf === shelf)!
    .reasons.map((reason) => reason.text);

test("her own work, where everyone may: open everywhere, the narrowest first", () => {
  expect(howFar(about()).map(({ shelf, state }) => [shelf, state])).toEqual([
    ["staffroom", "open"],
    ["district", "open"],
    ["commons", "open"],
  ]);
});

test("what is not published is shown to nobody", () => {
  expect(states({ published: false })).toEqual(["closed", "closed", "closed"]);
  expect(why("staffroom", { published: false })[0]).toContain("Publish it first");
});

describe("the school's rule", () => {
  const curators = { district: "curators", commons: "curators" } as const;
  test("curators only: it is offered to them; a curator puts it there", () => {
    expect(states({ rules: curators })).toEqual(["open", "offer", "offer"]);
    expect(why("district", { rules: curators })).toEqual([
      "At your school only curators put things on the district shelf.",
    ]);
    expect(states({ rules: curators, curator: true })).toEqual(["open", "open", "open"]);
    expect(states({ rules: curators, offered: ["district"] })).toEqual(["open", "waiting", "offer"]);
  });
  test("nobody: not even a curator", () => {
    expect(states({ rules: { district: "nobody", commons: "nobody" }, curator: true })).toEqual([
      "open",
      "closed",
      "closed",
    ]);
  });
  test("what is there already is there", () => {
    expect(states({ on: ["staffroom"] })).toEqual(["on", "open", "open"]);
  });
});

describe("licences", () => {
  const from = (licence: Document["licence"]) => ({
    ...{ title: "Echo", author: "Judit Varga", source: "Cormorant Bay", licence, changed: "" },
  });
  test("a version of what may not be adapted goes nowhere", () => {
    const document = withStep({}, { credits: [from("CC-BY-ND-4.0")] });
    expect(states({ document })).toEqual(["closed", "closed", "closed"]);
    expect(why("staffroom", { document })[0]).toContain("stays with you and your classes");
  });
  test("a part under all rights reserved closes it as the whole would", () => {
    const document = withStep({}, { credits: [{ ...from("all-rights-reserved"), resource: 7 }] });
    expect(states({ document })).toEqual(["closed", "closed", "closed"]);
  });
  test("all rights of her own reserved: her school and district, not the commons", () => {
    const document = withStep({}, { licence: "all-rights-reserved" });
    expect(states({ document })).toEqual(["open", "open", "closed"]);
  });
});

describe("what must not leave the school", () => {
  const recording = (by: number) => ({ media: "a".repeat(64), by, name: "Teodor Brandt", seconds: 14, kept: true });
  const spoken = (by: number) =>
    withStep({ instructions: { en: { text: richText("Order the day."), recording: recording(by) } } });
  test("a colleague's voice, with its step; her own voice may go", () => {
    expect(states({ document: spoken(2) })).toEqual(["open", "closed", "closed"]);
    expect(howFar(about({ document: spoken(2) }))[1]!.reasons).toEqual([
      { text: "Step 1 has a recording that is not yours: Teodor Brandt is speaking.", step: "s", removable: true },
    ]);
    expect(states({ document: spoken(me) })).toEqual(["open", "open", "open"]);
  });
  test("a child of hers named in full, whatever the accents; a given name alone is a story's", () => {
    const students = [{ givenName: "Zoë", familyName: "Fell" }];
    const named = (words: string) => ({ document: withStep({ blocks: [text(words)] }), students });
    expect(states(named("Ask Zoe Fell’s mother."))).toEqual(["open", "closed", "closed"]);
    expect(why("commons", named("Ask Zoë Fell."))).toEqual(["Step 1 names Zoë Fell, who is in a class of yours."]);
    for (const words of ["Zoë fell in the water. Zoë Fellman saw it.", "Zoë swims. Fell ponies graze."])
      expect(states(named(words))).toEqual(["open", "open", "open"]);
  });
  const file = "b".repeat(64);
  const pictured = (more: Partial<Document> = {}) =>
    withStep({ blocks: [{ id: "p", type: "picture", media: file, decorative: true, description: {} }] }, more);
  test("a student's work stays in the class", () => {
    const files = [{ sha256: file, by: 30, byStudent: true }];
    expect(states({ document: pictured(), files })).toEqual(["closed", "closed", "closed"]);
    expect(howFar(about({ document: pictured(), files }))[0]!.reasons[0]).toMatchObject({ step: "s", block: "p" });
  });
  test("somebody else's picture without a source stays in the school; credited it goes", () => {
    const files = [{ sha256: file, by: 2, byStudent: false }];
    expect(states({ document: pictured(), files })).toEqual(["open", "closed", "closed"]);
    const credits = [
      { title: "Shore", author: "Teodor Brandt", source: "", licence: "CC-BY-4.0" as const, changed: "" },
    ];
    expect(states({ document: pictured({ credits }), files })).toEqual(["open", "open", "open"]);
    expect(states({ document: pictured(), files: [{ ...files[0]!, by: me }] })).toEqual(["open", "open", "open"]);
  });

  test("what can be taken out is gone with one step each, and nothing else with it", () => {
    const both = pictured();
    both.steps = [{ ...both.steps[0]!, instructions: { en: { text: richText("Look."), recording: recording(2) } } }];
    const files = [{ sha256: file, by: 2, byStudent: false }];
    const reasons = howFar(about({ document: both, files }))[1]!.reasons;
    expect(reasons.map(({ removable }) => removable)).toEqual([true, true]);
    const taken = reasons.reduce(
      (document, { step, block }) => withoutPart(document, { step: step!, block: block ?? null }, me),
      both,
    );
    expect(states({ document: taken, files })).toEqual(["open", "open", "open"]);
    expect(taken.steps[0]).toMatchObject({ blocks: [], instructions: { en: { text: richText("Look.") } } });
    // Her own voice is not what keeps it back.
    expect(withoutPart(spoken(me), { step: "s", block: null }, me)).toEqual(spoken(me));
    expect(withoutPart(both, { step: "elsewhere", block: "p" }, me)).toEqual(both);
  });
});
