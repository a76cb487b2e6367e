import { bandsOf, likeness, SAME_THING, signatureOf } from "./likeness";

const story =
  "The sea around our islands rises and falls twice a day. At high water there is room under every keel. At low water the bar at the harbour mouth is almost dry, and the ferry must wait outside. The harbour office prints the times in a tide table, so that nobody has to guess.";
const other =
  "In June the sheep come in from the skerry. Two people hold a sheep and one cuts the wool. It does not hurt. The wool is washed in the burn and dried on the wall, then it is combed and spun into yarn.";

const runs = (text: string) => {
  const words = text.toLowerCase().match(/[\p{L}\p{N}]+/gu)!;
  return new Set(words.slice(3).map((_, at) => words.slice(at, at + 4).join(" ")));
};
const jaccard = (one: string, two: string) => {
  const [a, b] = [runs(one), runs(two)];
  const common = [...a].filter((run) => b.has(run)).length;
  return common / (a.size + b.size - common);
};

describe("how alike two texts are", () => {
  test("the same words are the same, whatever their capitals and commas", () => {
    expect(likeness(signatureOf(story)!, signatureOf(story.toUpperCase().replaceAll(",", ""))!)).toBe(1);
  });

  test("a text of a few words, however long they are, is like nothing", () => {
    expect(signatureOf("a".repeat(400))).toBeNull();
    expect(signatureOf(story.split(" ").slice(0, 24).join(" "))).toBeNull();
    expect(signatureOf(story.split(" ").slice(0, 25).join(" "))).not.toBeNull();
  });

  test("another story is nothing like it", () => {
    expect(likeness(signatureOf(story)!, signatureOf(other)!)).toBeLessThan(0.1);
  });

  test("a word changed in a long text leaves one thing; a new second half does not", () => {
    const long = `${story} ${other} ${story.split(" ").reverse().join(" ")}`;
    expect(likeness(signatureOf(long)!, signatureOf(long.replace("guess", "wonder"))!)).toBeGreaterThan(0.9);
    expect(
      likeness(signatureOf(`${story} ${story.split(" ").reverse().join(" ")}`)!, signatureOf(`${story} ${other}`)!),
    ).toBeLessThan(SAME_THING);
  });

  // Broder 1997: the share of equal places estimates the share of common runs; 64 places are right to about 1/8.
  test("the estimate comes near the true share of common runs", () => {
    for (const cut of [4, 8, 16, 24]) {
      const shorter = story.split(" ").slice(0, -cut).join(" ");
      expect(Math.abs(likeness(signatureOf(story)!, signatureOf(shorter)!) - jaccard(story, shorter))).toBeLessThan(
        0.2,
      );
    }
  });

  test("texts that are one thing share a band, so that they are compared at all", () => {
    const changed = signatureOf(`${story} ${other}`.replace("guess", "wonder"))!;
    const bands = new Set(bandsOf(signatureOf(`${story} ${other}`)!));
    expect(bandsOf(changed).some((band) => bands.has(band))).toBe(true);
  });

  test("a few words are too few to tell", () => {
    expect(signatureOf("Which tide is it?")).toBeNull();
  });
});
