import { Secret, TOTP } from "otpauth";
import { expect, test } from "../fixture";
import { nothingAtAll } from "../pages/accessible";
import { Walk } from "./walk";

const email = "linnea.strand@skerry.example";
const password = "kelp-and-tide";

test("a teacher adds a second step, signs in with it, and the office turns it off when her phone is gone", async ({
  signedIn,
  page,
}) => {
  const linnea = await signedIn("Linnea Strand");
  await linnea.getByRole("button", { name: /Linnea Strand: help/ }).click();
  await linnea.getByRole("menuitem", { name: "My account" }).click();
  const card = linnea.getByRole("region", { name: /A second step/ });
  await card.getByLabel("Your password").fill("wrong");
  await card.getByRole("button", { name: "Set it up" }).click();
  await expect(card.getByText("This is not your password. Nothing was changed.")).toBeVisible();
  await card.getByLabel("Your password").fill(password);
  await card.getByRole("button", { name: "Set it up" }).click();
  const secret = Secret.fromBase32(await card.locator("code").innerText());
  const app = new TOTP({ secret });
  await card.getByLabel("Code from the app").fill("000000");
  await card.getByRole("button", { name: "Turn it on" }).click();
  await expect(card.getByText("This code is not right.")).toBeVisible();
  await card.getByLabel("Code from the app").fill(app.generate());
  await card.getByRole("button", { name: "Turn it on" }).click();
  await expect(card.getByRole("list", { name: "Codes to write down" }).getByRole("listitem")).toHaveCount(8);
  const [code] = await card.getByRole("list", { name: "Codes to write down" }).getByRole("listitem").allInnerTexts();
  await nothingAtAll(linnea);

  await page.goto("/sign-in");
  const walk = new Walk(page, "signing in with a second step", 5);
  const signIn = async () => {
    await page.getByLabel("E-mail").fill(email);
    await page.getByLabel("Password").fill(password);
    await page.getByRole("button", { name: "Sign in", exact: true }).click();
  };
  await signIn();
  walk.presses += 3;
  await expect(page.getByRole("heading", { name: "The code from your app" })).toBeVisible();
  // The code that was used to set it up works no more.
  await page.getByLabel(/Six digits/).fill("000000");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("This code is not right.")).toBeVisible();
  await nothingAtAll(page);
  await page.getByLabel(/Six digits/).fill(code!);
  await walk.key("Enter");
  walk.presses += 1;
  await page.waitForURL(/\/find/);
  walk.done();

  // She is signed in twice; one press ends the other.
  await page.goto("/account");
  await page.getByRole("button", { name: "Sign out everywhere else" }).click();
  await expect(page.getByText("You are signed out everywhere else.")).toBeVisible();
  await linnea.reload();
  await expect(linnea.getByRole("heading", { name: "Teachers sign in" })).toBeVisible();

  const office = await signedIn("Hollis Gray");
  const row = office.getByRole("listitem").filter({ hasText: email });
  await row.getByRole("button", { name: "Turn off second step" }).click();
  await expect(office.getByText("Linnea Strand signs in with the password alone again.")).toBeVisible();
  await page.goto("/sign-in");
  await signIn();
  await page.waitForURL(/\/find/);
});

test("somebody who forgot her password gets an address by mail; somebody nobody knows gets the same answer", async ({
  page,
  signedIn,
}) => {
  await page.goto("/sign-in");
  for (const address of ["nobody@skerry.example", "piers.oakenshaw@skerry.example"]) {
    await page.goto("/sign-in/forgotten");
    await page.getByLabel("Your e-mail address at school").fill(address);
    await page.getByRole("button", { name: "Send me a message" }).click();
    await expect(page.getByText(`If ${address} has an account here`)).toBeVisible();
  }
  await nothingAtAll(page);
  const piers = await signedIn("Piers Oakenshaw", { at: "/messages" });
  const letter = piers.getByText(/choose a new password here/).first();
  await expect(letter).toBeVisible();
  const [link] = /http\S+\/welcome\/[\w-]+/.exec(await letter.innerText())!;
  await page.goto(link);
  await expect(page.getByRole("heading", { name: "A new password, Piers" })).toBeVisible();
  await page.getByLabel("Password, at least 10 characters").fill("barnacle-and-brine");
  await page.getByRole("button", { name: "Save it and sign in" }).click();
  await page.waitForURL(/\/find/);
  // Where he was signed in before, he is not any more.
  await piers.reload();
  await expect(piers.getByRole("heading", { name: "Teachers sign in" })).toBeVisible();
  await page.goto(link);
  await expect(page.getByRole("heading", { name: "This address does not work any more" })).toBeVisible();
});

test("what watches over the server is told that it runs; measurements are there for nobody without the token", async ({
  request,
  address,
}) => {
  const health = await request.get(`${address}/healthz`);
  expect([health.status(), await health.json()]).toEqual([200, { ok: true, problems: [] }]);
  expect(health.headers()["x-request-id"]).toMatch(/^[\w-]{36}$/);
  expect((await request.get(`${address}/metrics`)).status()).toBe(404);
});

test("the office gives a family everything that is stored about its child, and sees who looked", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/results/student" });
  await expect(ines.getByRole("heading").first()).toBeVisible();
  const office = await signedIn("Hollis Gray");
  await office.getByRole("combobox", { name: "Names of which class" }).selectOption({ label: "5 Kittiwake" });
  const links = office.getByRole("link", { name: /^Records of/ });
  const addresses = await links.evaluateAll((all) => all.map((one) => (one as HTMLAnchorElement).href));
  let seen = false;
  for (const address of addresses) {
    await office.goto(address);
    await expect(office.getByRole("heading", { name: /^Records of/ })).toBeVisible();
    if (await office.getByText("Ines Halloran").isVisible()) {
      seen = true;
      break;
    }
  }
  expect(seen).toBe(true);
  await nothingAtAll(office);
  const saving = office.waitForEvent("download");
  await office.getByRole("link", { name: "Download it" }).click();
  expect((await saving).suggestedFilename()).toBe("everything-about-a-child.zip");
});
