import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("a child chooses what to read by what she likes; the minutes count; the teacher sees it", async ({ signedIn }) => {
  const sunniva = await signedIn("Sunniva Dale", { phone: true });
  const walk = new Walk(sunniva, "a child chooses something to read", 2);
  await walk.click(sunniva.getByRole("link", { name: "Choose something to read" }));
  await expect(sunniva.getByRole("heading", { name: "Choose something to read, Sunniva" })).toBeVisible();
  const likes = sunniva.getByRole("button", { name: "lighthouses" });
  if ((await likes.getAttribute("aria-pressed")) === "false") await likes.click();
  await expect(sunniva.getByRole("heading", { name: "For you" })).toBeVisible();
  await nothingSerious(sunniva);
  expect(await sunniva.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);

  // From the whole shelf: what it is called stands on the button that reads it.
  const counted = sunniva.waitForResponse(/\/minutes$/);
  await sunniva.getByRole("button", { name: /^The whole shelf/ }).click();
  await walk.click(sunniva.getByRole("link", { name: /^Read( again)? ?:/ }).last());
  walk.done();
  expect((await counted).status()).toBe(200);
  await expect(sunniva.getByText(/^Part 1 of \d+$/)).toBeVisible();
  const title = await sunniva.getByRole("heading", { level: 1 }).innerText();
  await nothingSerious(sunniva);
  const on = sunniva.getByRole("button", { name: "Go on" });
  while (await on.isVisible()) await on.click();
  await sunniva.getByRole("button", { name: "I have finished" }).click();
  await expect(sunniva.getByRole("heading", { name: "Choose something to read, Sunniva" })).toBeVisible();
  await sunniva.getByRole("button", { name: /^The whole shelf/ }).click();
  await expect(sunniva.getByRole("link", { name: new RegExp(`^Read again ?: ${title}`) })).toBeVisible();

  const ines = await signedIn("Ines Halloran", { at: "/classes?view=reading" });
  await expect(ines.getByRole("row", { name: /Sunniva Dale.*lighthouses/ })).toBeVisible();
  await nothingSerious(ines);
  const next = await sunniva.getByRole("heading", { level: 3 }).first().innerText();
  await ines.getByRole("button", { name: new RegExp(`^To the top ?: ${next}$`) }).click();
  await expect(ines.getByRole("button", { name: /^At the top/ })).toBeVisible();
  await sunniva.reload();
  await expect(sunniva.getByText("Your teacher put it here for you.")).toBeVisible();
  await ines.getByRole("button", { name: "Close the shelf" }).click();
  await expect(ines.getByRole("heading", { name: "A shelf to choose from" })).toBeVisible();
  await sunniva.goto("/student");
  await expect(sunniva.getByRole("link", { name: "Choose something to read" })).toHaveCount(0);
  await ines.keyboard.press("u");
  await expect(ines.getByRole("row", { name: /Sunniva Dale/ })).toBeVisible();
});

test("a shelf is opened for a class from everything there is to read", async ({ signedIn }) => {
  const judit = await signedIn("Judit Varga", { at: "/classes?view=reading" });
  const walk = new Walk(judit, "open a reading shelf", 1);
  await expect(judit.getByRole("status").filter({ hasText: /\d+ readings\./ })).toBeVisible();
  await walk.click(judit.getByRole("button", { name: "Open the shelf" }));
  await expect(judit.getByRole("heading", { name: /on the shelf$/ })).toBeVisible();
  walk.done();
});
