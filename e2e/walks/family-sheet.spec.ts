import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "../fixture";
import { Walk } from "./walk";

test("a family's sheet in Spanish: what to have ready, what to do, how long, whether it went well, and no answer", async ({
  signedIn,
}) => {
  const ines = await signedIn("Ines Halloran");
  await ines.goto("/find?words=harbour+in+twelve+hours");
  await expect(ines.getByRole("heading", { level: 1 })).toHaveText("The harbour in twelve hours");
  const walk = new Walk(ines, "from a resource to a family's sheet in Spanish", 3);
  const opened = ines.context().waitForEvent("page");
  await walk.click(ines.getByRole("link", { name: "Print" }));
  const sheet = await opened;
  walk.presses += 2;
  await sheet.getByRole("radio", { name: "for a family" }).click();
  await sheet.getByRole("radio", { name: /español/i }).click();
  const head = sheet.getByRole("region", { name: "Para hacer en casa" });
  await expect(head).toContainText(/Dura unos \d+ minutos\./);
  await expect(head).toContainText("papel y lápiz");
  await expect(head.getByRole("listitem").first()).toBeVisible();
  await expect(sheet.getByRole("region", { name: "¿Ha ido bien?" })).toContainText("Pregunten a su hijo o hija");
  walk.done();
  await expect(sheet.getByRole("heading", { name: "Answer key" })).toHaveCount(0);
  await expect(sheet.getByText(/\d marks?$/)).toHaveCount(0);
  const { violations } = await new AxeBuilder({ page: sheet }).analyze();
  expect(violations.filter(({ impact }) => impact === "serious" || impact === "critical").map(({ id }) => id)).toEqual(
    [],
  );
});
