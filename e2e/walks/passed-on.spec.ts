import { expect, lines, lookFor, test } from "../fixture";
import { SatchelPage } from "../pages/satchel-page";
import { Walk } from "./walk";

test("a link is opened without an account in a second browser, printed, and leads nowhere once it is ended", async ({
  signedIn,
  browser,
}) => {
  test.slow();
  const page = await signedIn("Ines Halloran");
  const satchel = new SatchelPage(page);
  await satchel.open("The ferry timetable");
  const walk = new Walk(page, "share by a link", 3);
  await satchel.share(walk);
  await walk.click(page.getByRole("radio", { name: "Link" }));
  await walk.click(page.getByRole("button", { name: /Make a link/ }));
  const address = await page.getByLabel("The link", { exact: true }).inputValue();
  walk.done();
  await page.getByRole("button", { name: "QR" }).click();
  await expect(page.getByRole("img", { name: "QR code of the link" })).toBeVisible();

  const elsewhere = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const guest = await elsewhere.newPage();
  const answer = await guest.goto(address);
  expect(answer!.status()).toBe(200);
  await expect(guest.getByRole("heading", { name: "The ferry timetable", level: 1 })).toBeVisible();
  await expect(guest.locator('meta[name="robots"]')).toHaveAttribute("content", /noindex/);
  await expect(guest.getByRole("complementary", { name: "For the teacher" })).toContainText("Answer");
  await expect(guest.getByText("Lighthouse Road Primary")).toHaveCount(0);
  await guest.keyboard.press("ArrowRight");
  await expect(guest).toHaveURL(/step=2/);
  const [sheet] = await Promise.all([guest.waitForEvent("popup"), guest.getByRole("link", { name: "Print" }).click()]);
  await expect(sheet.getByRole("heading", { name: "The ferry timetable", level: 1 })).toBeVisible();
  await sheet.close();

  // After signing in she is back at it, and it is packed with one press.
  await guest.setViewportSize({ width: 1280, height: 800 });
  await guest.getByRole("link", { name: "Sign in to pack or adapt it" }).click();
  await guest.getByRole("button", { name: /Marcus Osei/ }).click();
  await expect(guest.getByRole("heading", { name: "The ferry timetable", level: 1 })).toBeVisible();
  await guest.getByRole("button", { name: "Pack" }).click();
  await expect(guest.getByText("Packed “The ferry timetable”.")).toBeVisible();
  await guest.goto("/given");
  await expect(guest.getByRole("listitem", { name: "The ferry timetable" })).toBeVisible();

  await page.getByRole("button", { name: "End it" }).first().click();
  await expect(page.getByText("The link is ended. Copies people made stay theirs.")).toBeVisible();
  expect((await guest.goto(address))!.status()).toBe(404);
  await guest.goto("/given");
  await expect(guest.getByRole("listitem", { name: "The ferry timetable" })).toHaveCount(0);
  await elsewhere.close();
});

test("a team's week: asked for, made, ready for everybody in the team, assigned together", async ({ signedIn }) => {
  test.slow();
  const page = await signedIn("Rona Sundin", { at: "/teams" });
  await expect(page.getByRole("heading", { name: "Grade 4 and 5 science" })).toBeVisible();
  const exit = page.getByRole("button", { name: /^Reading, week of .*nobody/ }).first();
  await exit.click();
  await page.getByRole("dialog").getByRole("button", { name: "Teodor Brandt" }).click();
  await expect(page.getByText("Teodor Brandt is asked to make “Reading”.")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Reading, week of .*Teodor Brandt, asked/ })).toBeVisible();

  const maker = await signedIn("Teodor Brandt", { at: "/teams" });
  const walk = new Walk(maker, "put in what is ready for a team", 3);
  await walk.click(maker.getByRole("button", { name: /^Reading, week of .*You, asked/ }));
  await walk.click(maker.getByRole("button", { name: "It is ready …" }));
  await walk.click(maker.getByRole("dialog").getByRole("button", { name: /Lighthouse signals/ }));
  await expect(maker.getByRole("button", { name: /“Lighthouse signals”, You, ready/ })).toBeVisible();
  walk.done();

  // Both in the team see it; somebody who is not has no board at all.
  await page.reload();
  const week = page.getByRole("row").filter({ has: page.getByRole("button", { name: /“Lighthouse signals”/ }) });
  const assign = new Walk(page, "assign a team's week", 3);
  await assign.click(week.getByRole("button", { name: /^Assign/ }));
  await expect(page.getByRole("complementary", { name: "Assign the week" })).toContainText("1 thing");
  await page.getByRole("textbox", { name: /Assign in one line/ }).fill("now");
  await assign.key("Enter");
  // Where much is due on that day already, the last look says so first.
  const [assigned, first] = [page.getByText(/^Assigned to/), page.getByText("Have a look first.")];
  await expect(assigned.or(first).first()).toBeVisible();
  if (await first.isVisible()) await assign.key("Enter");
  await expect(assigned).toBeVisible();
  assign.done();
  const other = await signedIn("Judit Varga", { at: "/teams" });
  await expect(other.getByText("You are in no team yet")).toBeVisible();
});

test("a curator gives a set its picture and reason; it is on Find's first page for everybody, and undo takes it back", async ({
  signedIn,
}) => {
  const curator = await signedIn("Mercy Adeyemi", { at: "/desk?list=sets" });
  await curator.getByRole("button", { name: "New set" }).click();
  await curator.getByLabel("What is it called?").fill("Ropes and rigging");
  await curator.getByLabel("Why these? One sentence.").fill("Before the boat trip.");
  const walk = new Walk(curator, "make a set for Find's first page", 3);
  await curator.getByLabel("Find something to put in").fill("float or sink");
  await expect(curator.getByRole("list", { name: "Found" }).getByRole("button").first()).toBeVisible();
  await walk.click(
    curator
      .getByRole("list", { name: "Found" })
      .getByRole("button", { name: /^Float or sink/ })
      .first(),
  );
  await walk.click(curator.getByRole("button", { name: "Make the set" }));
  await expect(curator.getByText("“Ropes and rigging” is on Find’s first page.")).toBeVisible();
  walk.done();
  const reader = await signedIn("Judit Varga", { at: "/find" });
  await expect(reader.getByRole("button", { name: /^Ropes and rigging/ })).toBeVisible();
  await curator.locator("body").press("u");
  await expect(curator.getByText("The set is as it was.")).toBeVisible();
  await reader.reload();
  await expect(reader.getByRole("heading", { name: "Other sets" })).toBeVisible();
  await expect(reader.getByRole("button", { name: /^Ropes and rigging/ })).toHaveCount(0);
});

test("a reader reports a mistake at its step; the curator decides, and undo opens it again", async ({ signedIn }) => {
  const reader = await signedIn("Linnea Strand");
  await lookFor(reader, "float or sink");
  await lines(reader).first().click();
  await expect(reader.getByRole("heading", { name: "Float or sink", level: 1 })).toBeVisible();
  await reader.getByRole("button", { name: "Report a mistake …" }).click();
  await reader.getByLabel("an answer or a fact is wrong").check();
  await reader.getByLabel("Anything that helps to fix it").fill("A cork floats.");
  await reader.getByRole("button", { name: "Report it" }).click();
  await expect(reader.getByText("Reported to the curators. You get a message when they decide.")).toBeVisible();

  const curator = await signedIn("Sol Wetherby", { at: "/desk?list=reports" });
  const report = curator.getByRole("listitem", { name: "Float or sink" });
  await expect(report).toContainText("A cork floats.");
  await report.getByLabel("Your message to the author and the reader").fill("It does. Please fix it.");
  await report.getByRole("button", { name: "Ask the author to fix it" }).click();
  await expect(report).toContainText("Sol Wetherby, “It does. Please fix it.”");
  await curator.locator("body").press("u");
  await expect(report.getByRole("button", { name: "Take it off the shelf" })).toBeVisible();
});
