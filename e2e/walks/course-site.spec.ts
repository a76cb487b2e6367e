import type { Page } from "@playwright/test";
import { enterSite, test } from "../course-site";
import { expect, giveNow } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

/** What goes over, item by item: the plan has rows of the same names. */
const items = (page: Page) => page.getByRole("group", { name: "Items" });
test("a fortnight goes to the course site, a student comes in from there, and the mark comes back by itself", async ({
  signedIn,
  site,
  address,
  expectTrouble,
}) => {
  test.setTimeout(180_000);
  // The course site says no more of itself than it must.
  expectTrouble(/favicon/);
  const office = await signedIn("Hollis Gray");
  await expect(office.getByText(`${address}/lti/register`)).toBeVisible();
  await enterSite(office, site.address, "Hollis Gray");
  await office.getByLabel("Address for registering").fill(`${address}/lti/register`);
  await office.getByRole("button", { name: "Add a tool" }).click();
  await expect(office.getByRole("heading", { name: /^Connect localhost/ })).toBeVisible();
  await nothingSerious(office);
  await office.getByRole("button", { name: "Connect" }).click();
  await expect(office.getByRole("heading", { name: "Quayside courses is connected" })).toBeVisible();

  // Once in each course she says which class it is.
  const ines = await signedIn("Ines Halloran");
  await enterSite(ines, site.address, "Ines Halloran");
  await ines.getByRole("link", { name: "5 Kittiwake" }).click();
  await ines.getByRole("link", { name: "Golden Satchel", exact: true }).click();
  await expect(ines.getByRole("heading", { name: /Which of your classes is the course/ })).toBeVisible();
  await nothingSerious(ines);
  await ines.getByRole("button", { name: "5 Kittiwake" }).click();
  await ines.waitForURL(/hand-over/);

  await giveNow(ines, { words: "sheep on the skerry", group: "5 Kittiwake", to: ["Sunniva Dale"] });
  await ines.goto("/plan");
  const walk = new Walk(ines, "from the plan to a fortnight at the course site", 4);
  await walk.click(ines.getByRole("link", { name: "Hand over" }));
  const send = ines.getByRole("button", { name: /^Send \d+/ });
  await expect(send).toBeEnabled();
  await expect(items(ines).getByRole("row", { name: /Reading a tide table/ })).toContainText("new");
  if (process.env.SCREENSHOTS) await ines.screenshot({ path: "docs/screenshots/hand-over.png" });
  await walk.key("Control+Enter");
  await expect(ines.getByText(/things are in the course now/)).toBeVisible({ timeout: 20_000 });
  walk.done();
  await nothingSerious(ines);
  await expect(items(ines).getByRole("row", { name: /Reading a tide table/ })).toContainText("up to date");

  // Somebody there renames it: she is asked, and it stays as it is there until she says so.
  await enterSite(ines, site.address, "Ines Halloran");
  await ines.getByRole("link", { name: "5 Kittiwake" }).click();
  const name = ines.getByLabel("Name of The ferry timetable");
  await name.fill("Ferry times");
  await ines.getByRole("listitem").filter({ has: name }).getByRole("button", { name: "Rename" }).click();
  // Somebody adds a line to another page: that is asked about as well.
  const line = ines.getByLabel("A line for Reading a tide table");
  await line.fill("Bring boots.");
  await ines.getByRole("listitem").filter({ has: line }).getByRole("button", { name: "Add a line" }).click();
  await ines.goto("/plan");
  await ines.getByRole("link", { name: "Hand over" }).click();
  const changed = items(ines).getByRole("row", { name: /The ferry timetable/ });
  await expect(changed).toContainText("it is called “Ferry times”");
  const written = items(ines).getByRole("row", { name: /Reading a tide table/ });
  await expect(written).toContainText("its page says something else now");
  await expect(ines.getByRole("button", { name: "Send 0" })).toBeDisabled();
  await changed.getByRole("radio", { name: "Send mine" }).click();
  await ines.getByRole("button", { name: "Send 1" }).click();
  await expect(ines.getByText("1 thing is in the course now.")).toBeVisible({ timeout: 20_000 });

  // A student comes in from the course, without another password, to the right place.
  const sunniva = await (await ines.context().browser()!.newContext()).newPage();
  await enterSite(sunniva, site.address, "Sunniva Dale");
  await sunniva.getByRole("link", { name: "5 Kittiwake" }).click();
  await sunniva
    .getByRole("listitem")
    .filter({ hasText: "Sheep on the skerry" })
    .getByRole("link", { name: "open" })
    .click();
  await sunniva.waitForURL(/\/student\/\d+/);
  const work = Number(/\d+$/.exec(new URL(sunniva.url()).pathname)![0]);
  await expect(sunniva.getByText("Sheep on the skerry").first()).toBeVisible();

  // The network is away while the work is handed in; the mark goes when it is back.
  await fetch(`${site.address}/silence`, { method: "POST", body: new URLSearchParams({ on: "yes" }) });
  const toTheEnd = sunniva.getByRole("button", { name: "To the end" });
  await expect(async () => {
    if (!(await toTheEnd.isVisible())) await sunniva.getByRole("button", { name: "Next" }).click({ timeout: 2000 });
    await expect(toTheEnd).toBeVisible({ timeout: 500 });
  }).toPass();
  await toTheEnd.click();
  await sunniva.getByRole("button", { name: /^Hand it in/ }).click();
  await expect(sunniva.getByText(/Handed in/).first()).toBeVisible();
  const column = () =>
    site.store.state.courses
      .flatMap(({ lineItems }) => lineItems)
      .find(({ resourceId }) => resourceId === `work-${work}`)!;
  expect(Object.keys(column().scores)).toEqual([]);
  await fetch(`${site.address}/silence`, { method: "POST", body: new URLSearchParams({ on: "no" }) });
  await expect.poll(() => Object.keys(column().scores).length, { timeout: 60_000 }).toBe(1);
  await sunniva.context().close();
});

test("inside a course there she chooses from her satchel", async ({ signedIn, site, address, expectTrouble }) => {
  expectTrouble(/favicon/);
  const office = await signedIn("Hollis Gray");
  await enterSite(office, site.address, "Hollis Gray");
  await office.getByLabel("Address for registering").fill(`${address}/lti/register`);
  await office.getByRole("button", { name: "Add a tool" }).click();
  await office.getByRole("button", { name: "Connect" }).click();
  await expect(office.getByRole("heading", { name: "Quayside courses is connected" })).toBeVisible();
  const ines = await signedIn("Ines Halloran");
  await enterSite(ines, site.address, "Ines Halloran");
  await ines.getByRole("link", { name: "5 Kittiwake" }).click();
  const walk = new Walk(ines, "from a course there to work chosen from the satchel", 4);
  await walk.click(ines.getByRole("button", { name: "Add from Golden Satchel" }));
  await expect(ines.getByRole("heading", { name: "Add from your satchel to “5 Kittiwake”" })).toBeVisible();
  await walk.click(ines.getByRole("checkbox", { name: /Number work, week by week/ }).first());
  await nothingSerious(ines);
  await walk.click(ines.getByRole("button", { name: "Add to the course" }));
  await expect(ines.getByRole("heading", { name: "From Golden Satchel" })).toBeVisible();
  walk.done();
  await expect(ines.getByRole("listitem").filter({ hasText: "Number work, week by week" })).toContainText("due");
});

test("who is not known there, or comes too late, is told what to do", async ({ page, address, expectTrouble }) => {
  expectTrouble(/favicon/);
  await page.goto(`${address}/lti/login?iss=https%3A%2F%2Felsewhere.example&login_hint=x&target_link_uri=x`);
  await expect(page.getByRole("heading", { name: "This course site is not connected" })).toBeVisible();
  await page.goto(`${address}/lti/refused?why=expired`);
  await expect(page.getByRole("heading", { name: "That took too long" })).toBeVisible();
  await nothingSerious(page);
});
