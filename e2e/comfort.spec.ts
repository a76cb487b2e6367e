import { expect, test } from "./fixture";
import { nothingSerious } from "./pages/accessible";
import { FindPage } from "./pages/find-page";

test("a child sets how it looks, on this device and the next; nothing is cut off", async ({ signedIn }) => {
  const page = await signedIn("Liv Torsen", { phone: true });
  const size = () =>
    page.getByRole("heading", { level: 1 }).evaluate((heading) => getComputedStyle(heading.closest("main")!).fontSize);
  expect(await size()).toBe("17px");
  await page.getByRole("button", { name: "How it looks" }).click();
  const panel = page.getByRole("region", { name: "How it looks" });
  for (const name of ["largest", "wider", "calm"]) await panel.getByRole("button", { name, exact: true }).click();
  await panel.getByRole("button", { name: "wider", exact: true }).click();
  await panel.getByRole("checkbox", { name: "A ruler to read line by line" }).check();
  expect(await size()).toBe("29.8px");
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  const ruler = page.getByRole("slider", { name: "Ruler: move it with the arrow keys" });
  const before = Number(await ruler.getAttribute("aria-valuenow"));
  await ruler.press("ArrowDown");
  await expect(ruler).not.toHaveAttribute("aria-valuenow", String(before));
  await nothingSerious(page);

  const other = await signedIn("Liv Torsen");
  await expect(other.getByRole("slider", { name: /^Ruler/ })).toBeVisible();
  await other.getByRole("button", { name: "How it looks" }).click();
  for (const name of ["sea"]) await other.getByRole("button", { name, exact: true }).click();
  await nothingSerious(other);
});

test("a word of the glossary opens its card, and the word that is said is marked", async ({ signedIn }) => {
  const page = await signedIn("Sunniva Dale", { phone: true });
  // A device with a voice that says where it is.
  await page.addInitScript(() => {
    class Words {
      onend: (() => void) | null = null;
      onboundary: ((event: { name: string; charIndex: number }) => void) | null = null;
      voice: unknown = null;
      lang = "";
      constructor(readonly text: string) {}
    }
    const voice = { lang: "en-GB", name: "A voice", default: true };
    const speech = {
      getVoices: () => [voice],
      // Comes to the second word of each sentence, and stays there.
      speak: (words: Words) =>
        setTimeout(() => words.onboundary?.({ name: "word", charIndex: words.text.indexOf(" ") + 1 }), 0),
      cancel: () => undefined,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    };
    Object.defineProperty(window, "speechSynthesis", { value: speech });
    Object.defineProperty(window, "SpeechSynthesisUtterance", { value: Words });
  });
  await page.goto("/student");
  await page.getByRole("link", { name: "Bird counts as graphs" }).click();
  await page.getByRole("button", { name: "Look at my answers" }).click();
  await page.getByRole("button", { name: "Read to me" }).click();
  await expect
    .poll(() => page.evaluate(() => [...(CSS.highlights.get("said")?.values() ?? [])].map((range) => String(range))))
    .toEqual(["counts"]);
  await page.getByRole("button", { name: "Stop" }).click();
  expect(await page.evaluate(() => CSS.highlights.has("said"))).toBe(false);

  const word = page.getByRole("button", { name: /What does median mean\?$/ });
  for (let step = 0; step < 6 && (await word.count()) === 0; step += 1)
    await page.getByRole("button", { name: "Next" }).click();
  await word.first().press("Enter");
  await expect(page.getByText("the middle value when all are put in order")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByText("the middle value when all are put in order")).toHaveCount(0);
});

test("in somebody's own voice, too, the word that is heard is marked", async ({ signedIn }) => {
  const page = await signedIn("Marcus Osei", { at: "about:blank" });
  await new FindPage(page).open("harbour in twelve hours", "The harbour in twelve hours");
  await page.getByRole("radio", { name: "Work" }).click();
  const said = () =>
    page.evaluate(() => [...(CSS.highlights.get("said")?.values() ?? [])].map((range) => String(range)).join());
  await page.getByRole("button", { name: "Listen: what to do" }).click();
  const heard: string[] = [];
  await expect
    .poll(
      async () => {
        const word = await said();
        if (word !== "" && word !== heard.at(-1)) heard.push(word);
        return heard.length;
      },
      { intervals: [60] },
    )
    .toBeGreaterThan(4);
  const text = "Watch the film once to the end. It stops twice and asks you something. Then go on to the clock.";
  const places = heard.map((word) => text.indexOf(word));
  expect(Math.min(...places)).toBeGreaterThanOrEqual(0);
  await page.getByRole("button", { name: "Stop: what to do" }).click();
  await expect.poll(said).toBe("");
});
