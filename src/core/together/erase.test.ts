import fc from "fast-check";
import * as Y from "yjs";
import type { ResponseValue } from "../question/question";
import { pageOf, type PageChange } from "./contributions";
import { withoutWriter } from "./erase";
import { writtenOn } from "./standing";
import { authoredText, makeLike, sharedValue, writeShared } from "./shared-page";

const [ida, bo, teacher] = [1, 2, null];
const story = { id: "q1", type: "longText" as const };
const cards = { id: "q2", type: "groups" as const };
const choice = { id: "q3", type: "choice" as const };

/** A page that several write on, each on a device of her own; `meet` brings everybody what the others did. */
function lesson() {
  const devices = new Map<number | null, Y.Doc>();
  const changes: PageChange[] = [];
  const deviceOf = (who: number | null) => {
    const known = devices.get(who);
    if (known) return known;
    const page = new Y.Doc();
    page.clientID = 100 + (who ?? 0);
    page.on("update", (change: Uint8Array, origin: unknown) => {
      if (origin !== "came")
        changes.push({ id: changes.length + 1, student: who, at: changes.length * 100_000, change });
    });
    devices.set(who, page);
    return page;
  };
  const meet = () => {
    for (const page of devices.values()) for (const { change } of [...changes]) Y.applyUpdate(page, change, "came");
  };
  return {
    changes,
    writes(who: number, question: { id: string; type: "longText" | "groups" | "choice" }, value: ResponseValue) {
      const page = deviceOf(who);
      meet();
      writeShared(page, question, value);
    },
    putBack(before: number) {
      const page = deviceOf(teacher);
      meet();
      makeLike(page, pageOf(changes, before));
    },
  };
}

const erased = (changes: readonly PageChange[], student: number): PageChange[] => {
  const without = withoutWriter(changes, student);
  return changes.map((one) => ({ ...one, change: without.get(one.id) ?? one.change }));
};
const stored = (changes: readonly PageChange[]) =>
  Buffer.concat(changes.map(({ change }) => change)).toString("latin1");

test("what a child wrote is in no change any more, and what the others wrote stays where it was and theirs", () => {
  const { changes, writes } = lesson();
  writes(ida, story, "Seals sleep. ");
  writes(bo, story, "Seals sleep. Gulls scream.");
  writes(ida, story, "Seals often sleep. Gulls scream.");
  writes(ida, story, "Seals often sleep. Gulls scream loudly.");
  const kept = erased(changes, ida);
  expect(stored(changes)).toMatch(/Seals|often|loudly/);
  expect(stored(kept)).not.toMatch(/Seals|often|loudly/);
  expect(sharedValue(pageOf(kept), story)).toBe("Gulls scream.");
  expect(authoredText(pageOf(kept), story).get("")).toEqual([{ text: "Gulls scream.", client: 102 }]);
});

test("cards she placed and a choice she made go as well", () => {
  const { changes, writes } = lesson();
  writes(ida, cards, [["kelp", "plants"]]);
  writes(bo, cards, [
    ["kelp", "plants"],
    ["limpet", "animals"],
  ]);
  writes(ida, choice, "secretly the third");
  const kept = pageOf(erased(changes, ida));
  expect(sharedValue(kept, cards)).toEqual([["limpet", "animals"]]);
  expect(sharedValue(kept, choice)).toBeUndefined();
  expect(stored(erased(changes, ida))).not.toMatch(/kelp|secretly/);
});

test("a page that was put back brings none of it back, nor does putting it back afterwards", () => {
  const { changes, writes, putBack } = lesson();
  writes(ida, story, "Seals sleep. ");
  writes(bo, story, "Seals sleep. Gulls scream.");
  writes(bo, story, "Nothing.");
  putBack(3);
  expect(sharedValue(pageOf(changes), story)).toBe("Seals sleep. Gulls scream.");
  const kept = erased(changes, ida);
  expect(stored(kept)).not.toMatch(/Seals/);
  expect(sharedValue(pageOf(kept), story)).toBe("Gulls scream.");
  expect(sharedValue(pageOf(kept, 3), story)).toBe("Gulls scream.");
});

test("a second child is deleted later: the page was put back to before the first one’s words, and the third’s stay", () => {
  const { changes, writes, putBack } = lesson();
  const cai = 3;
  writes(cai, story, "Gulls scream. ");
  writes(bo, story, "Gulls scream. Seals sleep. ");
  writes(ida, story, "Gulls scream. Seals sleep. Terns dive.");
  writes(cai, story, "Nothing.");
  putBack(4);
  const gone = new Set(changes.filter(({ student }) => student === ida).map(({ id }) => id));
  const first = erased(changes, ida).map((one) => (gone.has(one.id) ? { ...one, student: null, erased: true } : one));
  const kept = erased(first, bo);
  expect(stored(kept)).not.toMatch(/Terns|Seals/);
  expect(sharedValue(pageOf(kept), story)).toBe("Gulls scream. ");
});

test("a long page is rewritten in a moment, also when one of them was deleted before", () => {
  const page = new Y.Doc();
  const changes: PageChange[] = [];
  page.on("update", (change: Uint8Array) => {
    const id = changes.length + 1;
    changes.push({ id, student: id % 2 ? ida : null, at: id, change, erased: id % 2 === 0 });
  });
  for (let nth = 1; nth <= 4000; nth += 1) {
    page.clientID = nth % 2 ? 1 : 2;
    page.getText("text q1 ").insert(nth % 97 ? page.getText("text q1 ").length : 0, "x");
  }
  const began = performance.now();
  expect(withoutWriter(changes, ida).size).toBe(2000);
  expect(performance.now() - began).toBeLessThan(5000);
});

test("what one child wrote is told in pieces, as it stands", () => {
  const { changes, writes } = lesson();
  writes(ida, story, "Seals sleep. ");
  writes(bo, story, "Seals and gulls sleep. ");
  writes(ida, cards, [["kelp", "plants"]]);
  expect(writtenOn(pageOf(changes), new Set([101]))).toEqual(['["kelp","plants"]', "Seals ", "sleep. "]);
});

test("what came out of order goes too", () => {
  const { changes, writes } = lesson();
  writes(ida, story, "Seals. ");
  writes(ida, story, "Seals. Seals. ");
  writes(bo, story, "Seals. Seals. Gulls.");
  const kept = erased([changes[1]!, changes[0]!, changes[2]!], ida);
  expect(stored(kept)).not.toMatch(/Seals/);
  expect(sharedValue(pageOf(kept), story)).toBe("Gulls.");
});

test("a sign made of two halves goes whole", () => {
  const { changes, writes } = lesson();
  writes(ida, story, "🦭🐟");
  writes(bo, story, "🦭 eats 🐟");
  expect(sharedValue(pageOf(erased(changes, ida)), story)).toBe(" eats ");
});

test("a device that has the page open goes on with the others", () => {
  const { changes, writes } = lesson();
  writes(ida, story, "Seals. ");
  writes(bo, story, "Seals. Gulls.");
  const open = pageOf(changes);
  const kept = erased(changes, ida);
  writeShared(open, story, "Seals. Gulls and terns.");
  const later = {
    id: 9,
    student: bo,
    at: 9000,
    change: Y.encodeStateAsUpdate(open, Y.encodeStateVector(pageOf(kept))),
  };
  expect(sharedValue(pageOf([...kept, later]), story)).toBe("Gulls and terns.");
});

// Each writes in letters of her own alphabet: whose a letter is can be seen.
const said = fc.tuple(fc.constantFrom(ida, bo, 3), fc.nat(12), fc.nat(3));
test("whatever three children write into each other's words, and the teacher puts back, none of hers is left and all of theirs is", () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(said, fc.constant("back" as const)), { maxLength: 14 }), fc.nat(20), (all, to) => {
      const { changes, writes, putBack } = lesson();
      for (const one of all) {
        if (one === "back") {
          if (changes.length > 0) putBack(1 + (to % changes.length));
          continue;
        }
        const [who, at, removed] = one;
        const text = String(sharedValue(pageOf(changes), story) ?? "");
        const place = at % (text.length + 1);
        writes(who, story, text.slice(0, place) + "αβж"[who - 1]!.repeat(2) + text.slice(place + removed));
      }
      const kept = erased(changes, ida);
      expect(stored(kept)).not.toContain(Buffer.from("α").toString("latin1"));
      const theirs = (page: Y.Doc) => String(sharedValue(page, story) ?? "").replaceAll("α", "");
      for (const before of [...changes.map(({ id }) => id), Infinity])
        expect(theirs(pageOf(kept, before))).toBe(theirs(pageOf(changes, before)));
    }),
  );
});
