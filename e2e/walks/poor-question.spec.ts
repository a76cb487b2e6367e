import { expect, test } from "../fixture";
import { nothingSerious } from "../pages/accessible";
import { Walk } from "./walk";

test("from a finished assignment to the question that went wrong, why, and who chose what", async ({ signedIn }) => {
  const ines = await signedIn("Ines Halloran", { at: "/results" });
  const walk = new Walk(ines, "a finished assignment to its poor question", 3);
  await walk.click(ines.getByRole("navigation", { name: "Assignments" }).getByRole("button", { name: /^Ferry fares/ }));
  await expect(ines.getByRole("heading", { name: "Ferry fares", level: 1 })).toBeVisible();
  await walk.key("2");
  const poor = ines.getByRole("row", { name: /For which family/ });
  await expect(poor).toContainText("best chose another");
  await walk.click(poor.getByRole("button"));
  const panel = ines.getByRole("complementary", { name: "Question 6" });
  await expect(panel).toContainText(/Of the \d strongest, \d answered “for none of them”/);
  walk.done();
  await expect(panel.getByRole("row", { name: /2 grown-ups and 1 child/ })).toContainText("right");
  await expect(panel.getByRole("row", { name: /for none of them/ })).toContainText(/Jonas/);

  // Corrected: who gains is seen first; the marks follow, and it can be taken back.
  const mending = new Walk(ines, "a poor question corrected", 2);
  await mending.key("m");
  await expect(panel.getByRole("radio", { name: "also right:" })).toBeChecked();
  await expect(panel.getByRole("status")).toContainText(/14 children gain marks:.*Nobody loses any\./);
  await mending.key("m");
  await expect(ines.getByText("Question 6 is corrected, and all marks are worked out again.")).toBeVisible();
  mending.done();
  await expect(panel).toContainText("“for none of them” is right too.");
  await expect(poor).toContainText("20 of 21");
  await panel.getByRole("button", { name: "Take back" }).click();
  await expect(poor).toContainText("6 of 21");

  // By keys from one question to the next; what is read by a person has no figures.
  await ines.keyboard.press("j");
  await expect(ines.getByRole("complementary", { name: "Question 7" })).toBeVisible();
  await expect(ines.getByRole("row", { name: /Explain your choice/ })).toContainText("read by you");
  await ines.keyboard.press("k");
  await expect(panel).toBeVisible();
  await nothingSerious(ines);

  // The view is in the address: a reload and Back know it.
  await ines.reload();
  await expect(ines.getByRole("table", { name: /Questions/ })).toBeVisible();
  await ines.keyboard.press("1");
  await expect(ines.getByRole("table", { name: "Students by questions" })).toBeVisible();
  await ines.goBack();
  await expect(ines.getByRole("table", { name: /Questions/ })).toBeVisible();
});
