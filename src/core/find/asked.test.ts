import { askedAddress, askedFrom, startsHere, tableAddress } from "./asked";
import { anyNeed } from "./need";

const read = (address: string) => askedFrom(Object.fromEntries(new URLSearchParams(address)));

describe("what the results depend on", () => {
  test("is read from an address, and written one way only", () => {
    const asked = read("unfold=7&alike=9&grades=5,4&show=120&words=tide&sort=minutes&open=12&step=3&compare=1,2");
    expect(asked).toEqual({
      need: { ...anyNeed, words: "tide", grades: [4, 5] },
      sort: "minutes",
      limit: 120,
      unfolded: 7,
      alike: 9,
    });
    expect(askedAddress(asked)).toBe("words=tide&grades=4%2C5&sort=minutes&show=120&unfold=7&alike=9");
    expect(askedAddress(read(askedAddress(asked)))).toBe(askedAddress(asked));
  });

  test("nothing asked is an address too, and the shortest", () => {
    expect(askedAddress(read(""))).toBe("");
  });

  test("what an address says wrongly is left out: at least forty lines, at most eight hundred", () => {
    expect(read("sort=colour&show=many&unfold=-1")).toEqual(read(""));
    expect(read("show=3").limit).toBe(40);
    expect(read("show=100000").limit).toBe(2000);
  });
});

describe("what lies beside the results", () => {
  test("places to begin, until something is looked for, put in order or opened", () => {
    expect(startsHere(read(""), undefined)).toBe(true);
    expect(startsHere(read("words=tide"), undefined)).toBe(false);
    expect(startsHere(read("sort=title"), undefined)).toBe(false);
    expect(startsHere(read(""), 4)).toBe(false);
  });

  test("what she opened herself is another question than what only lies there as the first", () => {
    expect(tableAddress(4, true)).not.toBe(tableAddress(4, false));
    expect(tableAddress(undefined, false)).toBeNull();
  });
});
