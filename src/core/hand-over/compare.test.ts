import { compareItem, datesThere } from "./compare";

const now = new Date("2026-11-25T10:00:00Z");
const at = (day: number, hour = 9) => new Date(Date.UTC(2026, 10, day, hour));
const of = { now, pastDue: "no date" as const, pastOpening: "on arrival" as const, nextLesson: at(26) };

describe("no date arrives past", () => {
  test("what is still to come stays as it is", () => {
    expect(datesThere({ opens: at(26), due: at(27) }, of)).toEqual({
      ...{ opens: at(26).toISOString(), due: at(27).toISOString(), isLeftOut: false },
      was: { opens: null, due: null },
    });
  });

  test("what is open already opens on arrival, or keeps its date", () => {
    expect(datesThere({ opens: at(24), due: at(27) }, of)).toMatchObject({
      opens: null,
      was: { opens: at(24).toISOString() },
    });
    expect(datesThere({ opens: at(24), due: at(27) }, { ...of, pastOpening: "keep" }).opens).toBe(at(24).toISOString());
  });

  test("what was due gets no date, the next lesson, or is left out", () => {
    const work = { opens: at(20), due: at(24) };
    expect(datesThere(work, of)).toMatchObject({ due: null, was: { due: at(24).toISOString() }, isLeftOut: false });
    expect(datesThere(work, { ...of, pastDue: "next lesson" }).due).toBe(at(26).toISOString());
    expect(datesThere(work, { ...of, pastDue: "next lesson", nextLesson: null }).due).toBeNull();
    expect(datesThere(work, { ...of, pastDue: "leave out" }).isLeftOut).toBe(true);
  });
});

describe("what goes over a second time", () => {
  const mine = { title: "Tides", opens: null, due: at(27).toISOString(), content: "x" };

  test("is new, updated, as it is, or deleted there", () => {
    expect(compareItem(mine, null, null).standing).toBe("new");
    expect(compareItem(mine, mine, mine).standing).toBe("as it is");
    expect(compareItem({ ...mine, content: "y" }, mine, mine).standing).toBe("updated");
    expect(compareItem({ ...mine, due: null }, mine, mine).standing).toBe("updated");
    expect(compareItem(mine, mine, null).standing).toBe("gone there");
  });

  test("is asked about where somebody changed it there, with what it was and is", () => {
    const there = { title: "Tide tables", opens: null, due: at(30).toISOString() };
    expect(compareItem(mine, mine, there)).toEqual({
      standing: "changed there",
      there: [
        { field: "title", was: "Tides", is: "Tide tables" },
        { field: "due", was: mine.due, is: there.due },
      ],
    });
  });

  test("is asked about where its page says something else than the course gave back when it had taken it", () => {
    const sent = { ...mine, page: "as it came" };
    expect(compareItem(mine, sent, { page: "as it came" }).standing).toBe("as it is");
    expect(compareItem({ ...mine, content: "y" }, sent, { page: "another" })).toEqual({
      standing: "changed there",
      there: [{ field: "page", was: "as it came", is: "another" }],
    });
    // The course does not say, or did not say then.
    expect(compareItem(mine, sent, { page: null }).standing).toBe("as it is");
    expect(compareItem(mine, mine, { page: "another" }).standing).toBe("as it is");
  });

  test("is not asked about where the same was changed on both sides, or only written in another way", () => {
    expect(compareItem({ ...mine, title: "B" }, mine, { title: "B" }).standing).toBe("updated");
    expect(compareItem(mine, mine, { ...mine, due: "2026-11-27T09:00:00Z" }).standing).toBe("as it is");
    // It does not say: what went last is taken as what is there.
    expect(compareItem(mine, mine, undefined).standing).toBe("as it is");
  });
});
