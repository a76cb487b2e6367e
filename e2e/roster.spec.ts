import { strToU8, zipSync } from "fflate";
import { expect, test } from "./fixture";

test("a roster is pasted, understood and brought in; cards are made; a child comes in with her words", async ({
  signedIn,
  browser,
}) => {
  const page = await signedIn("Judit Varga", { at: "/classes" });
  await page.getByRole("button", { name: "Add students" }).click();
  const dialog = page.getByRole("dialog", { name: /Add students to/ });
  await dialog.getByRole("textbox").fill("Year\tSurname\tFirst name\n7\tWhelk\tAnouk\n7\t\tNoname\n99\tLimpet\tOlav");
  await expect(dialog.getByText("1 student read: 1 new, 0 known here who join, 2 lines not read.")).toBeVisible();
  await expect(dialog.getByText("There is no family name.")).toBeVisible();
  await dialog.getByRole("button", { name: "Bring in 1" }).click();
  await expect(page.getByText("1 came into 7 Cormorant, 1 of them new here. 2 lines were skipped.")).toBeVisible();
  await expect(page.getByRole("cell", { name: "anouk.whelk" })).toBeVisible();

  await page.getByRole("button", { name: "Change Anouk Whelk" }).click();
  const facts = page.getByRole("dialog", { name: "Anouk Whelk" });
  await facts.getByLabel("Time").selectOption("1.5 × as long");
  // What is wrong is said beside its field, all of it at once, and nothing is kept yet.
  await facts.getByLabel("Reads at grade").fill("four");
  await facts.getByLabel("Reads in (en, es …)").fill("en, Spanish");
  await facts.getByRole("button", { name: "Keep" }).click();
  await expect(facts.getByText("Write the grade as a number, like 4.5.")).toBeVisible();
  await expect(facts.getByText("A language is written like en or es-MX.")).toBeVisible();
  await facts.getByLabel("Reads in (en, es …)").fill("en");
  await facts.getByLabel("Reads at grade").fill("4.5");
  await facts.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("row", { name: /Anouk Whelk/ })).toContainText("1.5 × the time");

  await page.getByRole("radio", { name: "Ways in" }).click();
  const cards = page.getByRole("region", { name: "Login cards" });
  await cards.getByRole("button", { name: "None", exact: true }).click();
  await cards.getByRole("checkbox", { name: "Anouk Whelk" }).click();
  await cards.getByRole("button", { name: "Make 1 card …" }).click();
  await page.getByRole("button", { name: "Yes, new passwords for 1" }).click();
  const card = page.getByRole("list", { name: "Login cards" }).getByRole("listitem");
  await expect(card).toContainText("my name: anouk.whelk");
  const words = /my words: ([a-z]+ [a-z]+)/.exec(await card.innerText())![1]!;

  const child = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await child.goto("/student/1");
  await expect(child).toHaveURL(/\/join\?to=1/);
  await child.getByRole("button", { name: "With my words" }).click();
  await child.getByLabel("My name").fill("anouk.whelk");
  await child.getByLabel("My two words").fill(words.toUpperCase());
  await child.getByRole("button", { name: "Come in" }).click();
  await child.waitForURL(/\/student/);
  await child.goto("/student");
  await expect(child.getByRole("heading", { name: "Hello, Anouk" })).toBeVisible();
  await child.context().close();
});

test("a link to a piece of work leads a child through coming in to the very thing", async ({ signedIn, browser }) => {
  const known = await signedIn("Sunniva Dale", { phone: true });
  await known
    .getByRole("link", { name: /Reading a tide table/ })
    .first()
    .click();
  await known.waitForURL(/student\/\d+/);
  const link = new URL(known.url()).pathname;
  const child = await (await browser.newContext()).newPage();
  await child.goto(link);
  await child.getByRole("button", { name: "With my pictures" }).click();
  await child.getByLabel("My name").fill("sunniva.dale");
  for (const picture of ["fish", "boat", "star"])
    await child.getByRole("button", { name: picture, exact: true }).click();
  await child.getByRole("button", { name: "Come in" }).click();
  await child.waitForURL(`**${link}`);
  await child.context().close();
});

test("groups are made by a rule with two kept apart; desks move with the arrow keys", async ({ signedIn }) => {
  const page = await signedIn("Teodor Brandt", { at: "/classes?view=groups" });
  await page.getByLabel("One student").selectOption("Alva Kirk");
  await page.getByLabel("And another").selectOption("Benno Lasz");
  await page.getByRole("button", { name: "Keep apart" }).click();
  await expect(page.getByRole("button", { name: /may be together again/ })).toBeVisible();
  await page.getByLabel("How many groups").fill("4");
  await page.getByRole("button", { name: "Make groups" }).click();
  const alva = await page.getByLabel("Group of Alva Kirk").inputValue();
  expect(await page.getByLabel("Group of Benno Lasz").inputValue()).not.toBe(alva);
  await page.getByLabel("Name of group 1").fill("Rowers");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("The groups are saved.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Name of group 1")).toHaveValue("Rowers");

  await page.getByRole("radio", { name: "Seating plan" }).click();
  const desk = page.getByRole("button", { name: /^Alva Kirk: the arrow keys/ });
  const before = (await desk.boundingBox())!;
  await desk.press("ArrowDown");
  await expect.poll(async () => (await desk.boundingBox())!.y).toBeGreaterThan(before.y);
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("The seating plan is saved.")).toBeVisible();
});

test("the calendar of a class by its secret address, until it is ended", async ({ signedIn }) => {
  const page = await signedIn("Ines Halloran", { at: "/classes?view=ways+in" });
  await page.getByRole("button", { name: "Make an address" }).click();
  const address = new URL(await page.getByLabel("Address of the calendar").inputValue()).pathname;
  const feed = await page.request.get(address);
  expect(feed.headers()["content-type"]).toContain("text/calendar");
  expect(await feed.text()).toContain("SUMMARY:Due: Reading a tide table");
  expect(await (await page.request.get(`/classes/1/calendar`)).text()).toContain("BEGIN:VCALENDAR");
  await page.getByRole("region", { name: "Calendar" }).getByRole("button", { name: "End it" }).click();
  await expect(page.getByText("The address no longer works.")).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);
});

test("the office brings in a school's roster of 600 with 12 bad rows, and takes a day out of the calendar", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/422/, /404/);
  const page = await signedIn("Hollis Gray");
  const rows = Array.from({ length: 600 }, (_, at) =>
    at % 50 === 7 ? `Nobody${at},,3,Class ${at % 20},n${at}` : `Tam,Shorewell${at},${at % 6},Class ${at % 20},n${at}`,
  );
  const file = {
    name: "roster.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(`First name,Last name,Grade,Class,Student ID\n${rows.join("\n")}`),
  };
  await page.getByLabel("Roster file").setInputFiles(file);
  const card = page.getByRole("region", { name: "Roster of the school" });
  await expect(
    card.getByText("New students: 588 · changed: 0 · new classes: 20 · places in classes: 588 · leaving a class: 0"),
  ).toBeVisible();
  await expect(card.getByText("12 skipped, or to do by hand:")).toBeVisible();
  await expect(card.getByText("Line 9: There is no family name. (Nobody7, , 3, Class 7, n7)")).toBeVisible();
  await card.getByRole("button", { name: "Import the rest" }).click();
  await expect(page.getByText("The roster is in. New students: 588 · places in classes: 588 · left: 0")).toBeVisible();
  // Brought in by mistake: one key, and nobody of them is there; then in earnest.
  await page.keyboard.press("u");
  // Six hundred of them: a loaded machine takes a while.
  await expect(page.getByText("Everything is as it was.")).toBeVisible({ timeout: 40_000 });
  await page.getByLabel("Roster file").setInputFiles(file);
  await card.getByRole("button", { name: "Import the rest" }).click();
  await expect(
    page.getByText("The roster is in. New students: 588 · places in classes: 588 · left: 0").last(),
  ).toBeVisible();
  await page.getByLabel("Roster file").setInputFiles(file);
  await expect(card.getByRole("button", { name: "Nothing to change" })).toBeDisabled();
  // A file of the district: which school is asked, and the other one's children stay out.
  const both = zipSync({
    "manifest.csv": strToU8("propertyName,value\noneroster.version,1.1\nfile.enrollments,bulk"),
    "orgs.csv": strToU8("sourcedId,name\ns1,North Holm\ns2,South Holm"),
    "users.csv": strToU8(
      "sourcedId,orgSourcedIds,role,givenName,familyName\na1,s1,student,Una,North\na2,s2,student,Una,South",
    ),
    "classes.csv": strToU8("sourcedId,title,schoolSourcedId\nh1,9 North,s1\nh2,9 South,s2"),
    "enrollments.csv": strToU8("sourcedId,classSourcedId,userSourcedId,role\ne1,h1,a1,student\ne2,h2,a2,student"),
  });
  await page
    .getByLabel("Roster file")
    .setInputFiles({ name: "both.zip", mimeType: "application/zip", buffer: Buffer.from(both) });
  await card.getByLabel("This file has 2 schools. Which one is yours?").selectOption("South Holm");
  await expect(card.getByText("New students: 1 · changed: 0 · new classes: 1 · places in classes: 1")).toBeVisible();
  const broken = zipSync({ "users.csv": strToU8("nothing") });
  await page
    .getByLabel("Roster file")
    .setInputFiles({ name: "x.zip", mimeType: "application/zip", buffer: Buffer.from(broken) });
  await expect(card.getByText(/not a OneRoster file.*Nothing was changed/)).toBeVisible();

  // A name is written right, and back again with u.
  const names = page.getByRole("region", { name: "Students’ names" });
  await names.getByLabel("Names of which class").selectOption("4 Eider");
  await names.getByRole("button", { name: "Change the name of Alva Kirk" }).click();
  await names.getByLabel("Family name").fill("Kirkwall");
  await names.getByRole("button", { name: "Keep" }).click();
  await expect(names.getByText("Alva Kirkwall")).toBeVisible();
  await page.keyboard.press("u");
  await expect(names.getByText("Alva Kirk", { exact: true })).toBeVisible();

  const days = page.getByRole("region", { name: "Days without lessons" });
  const ics = [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "BEGIN:VEVENT",
    "UID:1",
    "SUMMARY:Island fair",
    `DTSTART;VALUE=DATE:${new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10).replaceAll("-", "")}`,
    "END:VEVENT",
    "END:VCALENDAR",
  ].join("\r\n");
  await page
    .getByLabel("Calendar file with days off")
    .setInputFiles({ name: "off.ics", mimeType: "text/calendar", buffer: Buffer.from(ics) });
  await days.getByRole("button", { name: "Keep 1" }).click();
  await expect(days.getByRole("listitem").filter({ hasText: "Island fair" })).toBeVisible();

  await days.getByRole("radio", { name: "day lost" }).click();
  const lost = await page.evaluate(() => {
    // Far off, so that no other walk's plan is moved under it; that work moves is tested with the office's acts.
    const day = new Date(Date.now() + 33 * 86_400_000);
    while ([0, 6].includes(day.getDay())) day.setDate(day.getDate() + 1);
    return day.toISOString().slice(0, 10);
  });
  await days.getByLabel("Date").fill(lost);
  await days.getByLabel("Reason").fill("Ice");
  await days.getByRole("button", { name: "Take the day out" }).click();
  await expect(page.getByText(/is a lost day\. \d+ assignments moved, in all classes\./)).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByText("Everything is where it was.")).toBeVisible();
  // A teacher has no business there.
  const teacher = await signedIn("Rona Sundin");
  expect((await teacher.goto("/office"))!.status()).toBe(404);
});
