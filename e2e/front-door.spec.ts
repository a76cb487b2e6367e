import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test } from "./fixture";
import { startServer } from "./school";

// A school of its own, from an empty folder: what `npm start` starts once everything is installed and built.
const port = 3219;
const base = `http://localhost:${port}`;
const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-first-"));
let server: Awaited<ReturnType<typeof startServer>>;

test.beforeAll(async () => {
  server = await startServer(port, { folder });
});
test.afterAll(() => server.stop());

test("from an empty folder to a teacher signed in: the printed code, the school, an invitation, a password", async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  const code = /[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}/.exec(server.said())![0];
  await page.goto(`${base}/`);
  await expect(page.getByRole("heading", { name: "A new school" })).toBeVisible();
  const fill = (label: string, text: string) => page.getByLabel(label, { exact: true }).fill(text);
  await fill("The code from the server", "AAAA-BBBB-CCCC");
  await fill("Its name", "Lighthouse Road Primary");
  await page.getByLabel("Country").selectOption("GB");
  await page.getByLabel("Time zone").selectOption("Europe/London");
  await fill("Given name", "Hollis");
  await fill("Family name", "Gray");
  await fill("E-mail", "hollis.gray@skerry.example");
  await fill("Password, at least 10 characters", "kelp-and-tide");
  await fill("Given name of the teacher", "Ines");
  await fill("Family name of the teacher", "Halloran");
  await fill("E-mail of the teacher", "ines.halloran@skerry.example");
  await page.getByRole("button", { name: "Make the school" }).click();
  // What was wrong is said, and everything that was typed is still there.
  await expect(page.getByText("This is not the code the server printed.")).toBeVisible();
  await expect(page.getByLabel("Its name")).toHaveValue("Lighthouse Road Primary");
  await fill("The code from the server", code);
  await page.getByRole("button", { name: "Make the school" }).click();
  await page.waitForURL(/\/office/);

  await page.getByLabel(/^Add people/).fill("Teodor, Brandt, teodor.brandt@skerry.example\nno address here");
  await page.getByRole("button", { name: "Check the list" }).click();
  await expect(page.getByText("To add: one person.")).toBeVisible();
  await page.getByRole("button", { name: "Add and invite" }).click();
  await expect(page.getByText("Added one person.")).toBeVisible();
  await expect(page.getByLabel(/^Add people/)).toHaveValue("no address here");
  await expect(page.getByRole("list", { name: "People of the school" })).toContainText("Teodor Brandt");

  const letter = page
    .getByRole("list", { name: "Messages" })
    .getByRole("listitem")
    .filter({ hasText: "Ines Halloran" });
  const address = /http\S+\/welcome\/[\w-]+/.exec(await letter.innerText())![0];
  const context = await browser.newContext();
  const ines = await context.newPage();
  await ines.goto(address);
  await expect(ines.getByRole("heading", { name: "Welcome, Ines" })).toBeVisible();
  await ines.getByLabel(/^Password/).fill("a long sea word");
  await ines.getByRole("button", { name: "Save it and sign in" }).click();
  await ines.waitForURL(/\/find/);
  await ines.goto(address);
  await expect(ines.getByRole("heading", { name: "This address does not work any more" })).toBeVisible();
  // A shared computer: the cookie ends with the browser.
  const [cookie] = (await context.cookies()).filter(({ name }) => name === "satchel-session");
  expect(cookie!.expires).toBe(-1);
  await context.close();

  // The district's second school: added here, and its own office has the rest.
  const schools = page.getByRole("region", { name: "Schools of the district" });
  await schools.getByLabel("Name of the school").fill("Heron Point");
  await schools.getByLabel("Its office: given name").fill("Marit");
  await schools.getByLabel("Family name").fill("Storm");
  await schools.getByLabel("E-mail").fill("marit.storm@skerry.example");
  await schools.getByRole("button", { name: "Add the school" }).click();
  await expect(schools.getByText("office: Marit Storm")).toBeVisible();
  const invitation = /http\S+\/welcome\/[\w-]+/.exec(await schools.innerText())![0];
  const elsewhere = await browser.newContext();
  const marit = await elsewhere.newPage();
  await marit.goto(invitation);
  await marit.getByLabel(/^Password/).fill("another long sea word");
  await marit.getByRole("button", { name: "Save it and sign in" }).click();
  await marit.waitForURL(/\/office/);
  await expect(marit.getByText("Office of Heron Point")).toBeVisible();
  await expect(marit.getByRole("region", { name: "Schools of the district" })).toHaveCount(0);
  await elsewhere.close();

  await page.goto(`${base}/begin`);
  await page.waitForURL(/\/(sign-in|office|find)/);
});
