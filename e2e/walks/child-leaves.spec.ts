import { expect, test } from "../fixture";
import { nothingAtAll } from "../pages/accessible";
import { Walk } from "./walk";

test("the office deletes a child who has left, after saying what goes", async ({ signedIn }) => {
  const office = await signedIn("Hollis Gray");
  await office.getByRole("combobox", { name: "Names of which class" }).selectOption({ label: "4 Eider" });
  const record = office.getByRole("link", { name: /^Records of/ }).first();
  const name = (await record.getAttribute("aria-label"))!.replace("Records of ", "");
  const walk = new Walk(office, "a child's records are deleted", 3);
  await walk.click(record);
  const danger = office.getByRole("region", { name: "Delete everything" });
  await expect(danger).toContainText(/Deletes the name, .*It cannot be undone/);
  const typed = danger.getByLabel(/^To delete, type the name/);
  const button = danger.getByRole("button", { name: "Delete for good" });
  await expect(button).toBeDisabled();
  // Another name deletes nothing.
  await typed.fill("Somebody Else");
  await button.click();
  await expect(danger.getByText(`Type the name as it is written here: ${name}. Nothing was deleted.`)).toBeVisible();
  await nothingAtAll(office);
  await typed.fill("");
  await typed.focus();
  await walk.type(name);
  await walk.key("Enter");
  await office.waitForURL(/\/office$/);
  walk.done();
  await office.getByRole("combobox", { name: "Names of which class" }).selectOption({ label: "4 Eider" });
  await expect(office.getByRole("link", { name: /^Records of/ }).first()).toBeVisible();
  await expect(office.getByRole("link", { name: `Records of ${name}` })).toHaveCount(0);
});

test("where the school asks families, a child whose family has not said yes cannot record, and may take pictures when it has", async ({
  signedIn,
  expectTrouble,
}) => {
  const office = await signedIn("Hollis Gray");
  const rules = office.getByRole("region", { name: "Children’s records" });
  await rules.getByRole("checkbox", { name: /^Ask families/ }).click();
  await rules.getByRole("button", { name: "Keep" }).click();
  await expect(office.getByText("Kept.", { exact: true })).toBeVisible();
  await office.getByRole("combobox", { name: "Names of which class" }).selectOption({ label: "5 Kittiwake" });
  await office.getByRole("link", { name: "Records of Liv Torsen" }).click();
  await office.getByLabel("Photographs the child takes").selectOption("Yes");
  await expect(office.getByText("Kept.", { exact: true })).toBeVisible();
  await office.reload();
  await expect(office.getByLabel("Photographs the child takes")).toHaveValue("yes");
  await expect(office.getByLabel("Recordings of the child’s voice")).toHaveValue("none");

  expectTrouble(/403/, /415/);
  const liv = await signedIn("Liv Torsen");
  const works = await liv
    .getByRole("link")
    .evaluateAll((all) => all.map((one) => one.getAttribute("href") ?? "").filter((to) => /^\/student\/\d+$/.test(to)));
  await liv.goto(works[0]!);
  const answers = await liv.evaluate(async () => {
    const said = async (kind: string) => {
      const answer = await fetch(`${location.pathname}/file?kind=${kind}`, {
        method: "POST",
        body: new Blob(["not a file"]),
      });
      return [answer.status, ((await answer.json()) as { problem: string }).problem];
    };
    return [await said("sound"), await said("picture")];
  });
  expect(answers[0]).toEqual([403, "Your school may not keep recordings of your voice yet. Tell your teacher."]);
  // Of pictures she may send what is one: only this is none.
  expect(answers[1]![0]).toBe(415);

  // The others of this school may record.
  await office.goto("/office");
  await rules.getByRole("checkbox", { name: /^Ask families/ }).click();
  await rules.getByRole("button", { name: "Keep" }).click();
  await expect(office.getByText("Kept.", { exact: true })).toBeVisible();
});
