import { readFile, readWithin, UnreadableFile } from "./read-file";

const captions = "WEBVTT\n\n00:00.000 --> 00:02.500\nThe tide turns.\n";

test("a file is read in a thread of its own, and what is wrong with one comes back in words", async () => {
  expect(await readFile("captions", captions)).toEqual([{ from: 0, to: 2.5, text: "The tide turns." }]);
  await expect(readFile("captions", "tide")).rejects.toThrow(UnreadableFile);
  await expect(readFile("framework", "{")).rejects.toThrow("the file: is not JSON");
});

test("reading that takes too long is stopped and said, and meanwhile everybody else is answered", async () => {
  let turns = 0;
  const ticking = setInterval(() => (turns += 1), 10);
  // Handing so much to the thread takes a moment by itself; two seconds are long beside it, on a loaded machine too.
  const slow = readWithin(
    { limit: 2_000 },
    "table of students",
    "Aina,Berg,".repeat(90) + "\n" + "Aina,Berg\n".repeat(4_000_000),
  );
  await expect(slow).rejects.toThrow(/takes longer than 2 seconds|cannot be read/);
  clearInterval(ticking);
  expect(turns).toBeGreaterThan(5);
});

test("many files at once take turns; all of them are read", async () => {
  const all = await Promise.all(Array.from({ length: 8 }, () => readFile("captions", captions)));
  expect(all.map((cues) => cues.length)).toEqual(Array(8).fill(1));
});

test("a file nobody waits for any more is not read to its end", async () => {
  const stop = new AbortController();
  const rows = "Aina,Berg,".repeat(90) + "\n" + "Aina,Berg\n".repeat(4_000_000);
  const began = performance.now();
  const slow = readWithin({ limit: 60_000, signal: stop.signal }, "table of students", rows);
  setTimeout(() => stop.abort(), 100);
  await expect(slow).rejects.toThrow("Reading was stopped.");
  expect(performance.now() - began).toBeLessThan(20_000);
});
