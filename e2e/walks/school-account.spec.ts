import { directoryClient } from "../../stand-ins/other-school-system/directory";
import { identityClient } from "../../stand-ins/other-school-system/identity";
import { test } from "../course-site";
import { expect } from "../fixture";
import { nothingAtAll } from "../pages/accessible";
import { Walk } from "./walk";

test("the office connects the school's own sign-in, and a teacher and a child come in with the account they have", async ({
  signedIn,
  site,
  page,
  address,
  expectTrouble,
}) => {
  expectTrouble(/favicon/);
  const office = await signedIn("Hollis Gray");
  const card = office.getByRole("region", { name: "The school’s own sign-in" });
  await expect(card.getByText(`${address}/sign-in/back`)).toBeVisible();
  await card.getByText("Connect another").click();
  await card.getByLabel("Name, for the button").fill("Lighthouse Road account");
  await card.getByLabel("Address (issuer)").fill(`${site.address}/nowhere`);
  await card.getByLabel("Client ID").fill(identityClient.id);
  await card.getByLabel("Client secret").fill(identityClient.secret);
  await card.getByRole("button", { name: "Connect", exact: true }).click();
  await expect(card.getByText("does not answer at this address. Nothing was connected.")).toBeVisible();
  await card.getByLabel("Address (issuer)").fill(`${site.address}/identity`);
  await card.getByRole("button", { name: "Connect", exact: true }).click();
  await expect(card.getByText("Lighthouse Road account")).toBeVisible();

  await page.goto("/sign-in");
  const walk = new Walk(page, "a teacher signs in with her school account", 2);
  await walk.click(page.getByRole("link", { name: "Sign in with Lighthouse Road account" }));
  await walk.click(page.getByRole("button", { name: "Ines Halloran" }));
  await page.waitForURL(/\/find/);
  walk.done();
  // What is open there asks for live updates, and would be refused.
  await page.goto("about:blank");
  await page.context().clearCookies();
  await page.goto("/sign-in");
  await page.getByRole("link", { name: "Sign in with Lighthouse Road account" }).click();
  await page.getByRole("button", { name: "Sunniva Dale" }).click();
  await page.waitForURL(/\/student/);

  // Somebody the school does not know is told so, and may still use a password.
  site.store.state.people.push({
    ...{ id: "odd", given: "Odd", family: "Stranger", email: "odd@skerry.example", role: "teacher", sourcedId: "t-9" },
  });
  // What is open there asks for live updates, and would be refused.
  await page.goto("about:blank");
  await page.context().clearCookies();
  await page.goto("/sign-in");
  await page.getByRole("link", { name: "Sign in with Lighthouse Road account" }).click();
  await page.getByRole("button", { name: "Odd Stranger" }).click();
  await expect(page.getByText("nobody here has its e-mail address")).toBeVisible();
  await nothingAtAll(page);
});

test("the roster comes straight from the district's directory, looked at first", async ({
  signedIn,
  site,
  expectTrouble,
}) => {
  expectTrouble(/favicon/);
  site.store.state.people.push({
    ...{ id: "new", given: "Runa", family: "Skarv", email: "", role: "student", sourcedId: "s-new" },
  });
  site.store.state.courses[0]!.members.push("new");
  const office = await signedIn("Hollis Gray");
  const card = office.getByRole("region", { name: "Roster from the directory" });
  await card.getByRole("button", { name: "Change", exact: true }).click();
  await card.getByLabel("Address of the directory").fill(`${site.address}/directory/ims/oneroster/rostering/v1p2`);
  await card.getByLabel("Address for tokens (OAuth 2.0)").fill(`${site.address}/directory/token`);
  await card.getByLabel("Client ID").fill(directoryClient.id);
  await card.getByLabel("Client secret (empty: as it is)").fill("guessed");
  await card.getByRole("button", { name: "Save the directory" }).click();
  await card.getByRole("button", { name: "See what has changed" }).click();
  await expect(card.getByText("The other system refused (401). Nothing was changed.")).toBeVisible();
  await card.getByRole("button", { name: "Change", exact: true }).click();
  await card.getByLabel("Client secret (empty: as it is)").fill(directoryClient.secret);
  await card.getByRole("button", { name: "Save the directory" }).click();
  const walk = new Walk(office, "the roster from the district's directory", 2);
  await walk.click(card.getByRole("button", { name: "See what has changed" }));
  await expect(card.getByText("New students: 1 ")).toBeVisible();
  await walk.click(card.getByRole("button", { name: /^Import/ }));
  await expect(office.getByText(/^The roster is in. New students: 1/)).toBeVisible();
  walk.done();
  await expect(card.getByText(/Brought in last on/)).toBeVisible();
  await office.getByRole("button", { name: "Undo" }).click();
  // Taken back is what has been answered, not what has been pressed.
  await expect(async () => {
    await card.getByRole("button", { name: "See what has changed" }).click();
    await expect(card.getByText("New students: 1 ")).toBeVisible({ timeout: 3_000 });
  }).toPass();
});
