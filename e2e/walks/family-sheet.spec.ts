import { execFileSync } from "node:child_process";
import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { FindPage } from "../pages/find-page";
import { Walk } from "./walk";

const TIDES = "Tides at the bar: a tide table for grades 4 and 5";

test("a family's sheet in Spanish: what to have ready, what to do, how long, whether it went well, and no answer", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran", { at: "/find?words=harbour+in+twelve+hours" });
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("The harbour in twelve hours");
  const walk = new Walk(ines, "from a resource to a family's sheet in Spanish", 3);
  const opened = ines.context().waitForEvent("page");
  await walk.click(ines.getByRole("link", { name: "Print" }));
  const sheet = await opened;
  walk.presses += 2;
  await sheet.getByRole("radio", { name: "for a family" }).click();
  await expect(sheet.getByRole("region", { name: "To do at home" })).toBeVisible();
  await sheet.getByRole("radio", { name: /español/i }).click();
  const head = sheet.getByRole("region", { name: "Para hacer en casa" });
  await expect(head).toContainText(/Dura unos \d+ minutos\./);
  await expect(head).toContainText("papel y lápiz");
  await expect(head.getByRole("listitem").first()).toBeVisible();
  await expect(sheet.getByRole("region", { name: "¿Ha ido bien?" })).toContainText("Pregunten a su hijo o hija");
  walk.done();
  await expect(sheet.getByRole("heading", { name: "Answer key" })).toHaveCount(0);
  await expect(sheet.getByText(/\d marks?$/)).toHaveCount(0);
  await nothingSerious(sheet);
});

test("plainer words go onto the sheet one by one; with a link for the child, and as a PDF", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "about:blank" });
  await new FindPage(ines).open("ferry fares", "Ferry fares");
  const opened = ines.context().waitForEvent("page");
  await ines.getByRole("link", { name: "Print" }).click();
  const own = await opened;
  await own.getByRole("radio", { name: "for a family" }).click();
  await own.getByRole("button", { name: "Add a link for the child" }).click();
  const link = own.getByRole("region", { name: "On a screen" });
  await expect(link.getByRole("img", { name: "On a screen" })).toBeVisible();
  await expect(link).toContainText(/It works until \d+ \w+/);
  const address = await link.getByText(/\/look\//).innerText();
  await own.goto(address);
  await expect(own.getByText("Ferry fares").first()).toBeVisible();
  await own.close();

  await new FindPage(ines).open("tides at the bar: a tide table for grades 4 and 5", TIDES);
  const again = ines.context().waitForEvent("page");
  await ines.getByRole("link", { name: "Print" }).click();
  const sheet = await again;
  await sheet.getByRole("radio", { name: "for a family" }).click();
  await sheet.getByRole("button", { name: /^Plainer words and shorter sentences/ }).click();
  const text = sheet.locator("main > section").getByText(/hydrographic/);
  await expect(text).toContainText("mariners to determine");
  await sheet.getByRole("checkbox", { name: "mariners becomes sailors" }).click();
  await sheet.getByRole("checkbox", { name: "determine becomes find out", exact: true }).click();
  await expect(text).toContainText("sailors to find out");
  await sheet.getByLabel("Paper").selectOption("letter");
  const saved = sheet.waitForEvent("download");
  await sheet.getByRole("button", { name: "PDF" }).click();
  const file = await (await saved).path();
  const said = execFileSync("pdftotext", [file, "-"], { encoding: "utf8" });
  expect(said.replace(/\s+/g, " ")).toContain("sailors to find out");
  expect(said).toContain("Did it go well?");
  const facts = execFileSync("pdfinfo", [file], { encoding: "utf8" });
  expect(facts).toMatch(/Page size: +612 x 792 pts \(letter\)/);
});
