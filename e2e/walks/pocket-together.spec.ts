import { expect, test } from "../fixture";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("a pocket is kept with a colleague, arranged by two people at once, and nothing of either is lost", async ({
  signedIn,
}) => {
  test.slow();
  const ines = await signedIn("Ines Halloran", { at: "/satchel" });
  const walk = new Walk(ines, "keep a pocket with a colleague", 5);
  await walk.click(ines.getByRole("button", { name: "More for Tides, term 1" }));
  await walk.click(ines.getByRole("menuitem", { name: "Keep it with others …" }));
  await expect(ines.getByLabel("Find a colleague")).toBeFocused();
  await expect(ines.getByRole("button", { name: /^Teodor Brandt/ })).toBeVisible();
  await walk.type("teodor");
  await walk.key("Enter");
  await walk.click(ines.getByRole("button", { name: "Save" }));
  await expect(ines.getByText("You keep “Tides, term 1” with Teodor Brandt.")).toBeVisible();
  walk.done();

  const teodor = await signedIn("Teodor Brandt", { at: "/satchel" });
  const [inesSatchel, teodorSatchel] = [new SatchelPage(ines), new SatchelPage(teodor)];
  for (const satchel of [inesSatchel, teodorSatchel]) await satchel.openPocket(/^Tides, term 1/);
  await expect(teodor.getByText("Ines Halloran’s pocket. You can add, arrange and take out.")).toBeVisible();
  const hers = () => inesSatchel.titlesIn("Tides, term 1");
  const his = () => teodorSatchel.titlesIn("Tides, term 1");
  await expect.poll(async () => (await hers()).length).toBe(3);
  await expect.poll(his).toEqual(await hers());
  const [first, second, third] = (await hers()) as [string, string, string];

  // Each moves another thing from the same order.
  for (const [page, title] of [
    [ines, first],
    [teodor, third],
  ] as const) {
    await page.getByRole("list", { name: "Tides, term 1" }).getByRole("button", { name: title }).first().click();
    await page.waitForURL(/open=/);
  }
  await Promise.all([ines.keyboard.press("J"), teodor.keyboard.press("K")]);
  await expect(ines.getByText(`“${first}” is number`)).toBeVisible();
  await expect(teodor.getByText(`“${third}” is number`)).toBeVisible();
  // Both see one order without reading the page anew, and nothing is missing.
  await expect.poll(async () => (await hers()).join() === (await his()).join()).toBe(true);
  expect((await hers()).toSorted()).toEqual([first, second, third].toSorted());
  expect(await hers()).not.toEqual([first, second, third]);

  // He puts something of his own in; she finds it there, whose it is, and can assign it.
  await teodorSatchel.openPocket(/^Everything/);
  await teodorSatchel.tick("Lighthouse signals").click();
  const put = new Walk(teodor, "put something into a colleague's pocket", 2);
  await put.click(teodor.getByRole("button", { name: "Put into …" }));
  await put.click(teodor.getByRole("menuitem", { name: "Tides, term 1" }));
  put.done();
  const line = ines.getByRole("listitem").filter({ hasText: "Lighthouse signals" });
  await expect(line).toContainText("Teodor Brandt");
  await line.getByRole("button", { name: "Lighthouse signals" }).first().click();
  await expect(ines.getByRole("heading", { name: "Lighthouse signals", level: 1 })).toBeVisible();
  await ines.keyboard.press("a");
  await expect(ines.getByRole("textbox", { name: /Assign in one line/ })).toBeFocused();

  // He leaves: what was his own goes with him, and comes back when he undoes it.
  await teodor.getByRole("button", { name: "More for Tides, term 1" }).click();
  await teodor.getByRole("menuitem", { name: "Leave this pocket" }).click();
  await expect(teodor.getByText("You no longer keep “Tides, term 1”.")).toBeVisible();
  await teodor.keyboard.press("u");
  await expect(teodor.getByText("The pocket is as it was.")).toBeVisible();
  await expect(teodor.getByRole("button", { name: "More for Tides, term 1" })).toBeVisible();

  // She keeps it by herself again: it is gone from his satchel. What he put in and all of the school can see stays, until she takes it out.
  await ines.reload();
  await ines.getByRole("button", { name: "You keep it with Teodor Brandt." }).click();
  await ines.getByRole("button", { name: "Take Teodor Brandt out" }).click();
  await ines.getByRole("button", { name: "Save" }).click();
  await expect(ines.getByText("You keep “Tides, term 1” by yourself.")).toBeVisible();
  await teodor.reload();
  await expect(teodor.getByRole("button", { name: "More for Tides, term 1" })).toHaveCount(0);
  await inesSatchel.tick("Lighthouse signals").click();
  await ines.getByRole("button", { name: "Take out of this pocket" }).click();
  await expect(ines.getByText("Took 1 thing out of this pocket.")).toBeVisible();
  await expect.poll(async () => (await hers()).toSorted()).toEqual([first, second, third].toSorted());
});
