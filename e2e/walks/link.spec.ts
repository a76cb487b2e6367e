import { expect, test } from "../fixture";
import { AssignPanel } from "../pages/assign-panel";
import { Walk } from "./walk";

test("a link offered right after assigning leads a student through the class's code straight to the work", async ({
  signedIn,
  page: child,
  expectTrouble,
}) => {
  expectTrouble(/404/);
  const teacher = await signedIn("Ines Halloran", { at: "/find?words=moon+diary&do=assign" });
  const panel = new AssignPanel(teacher);
  await panel.line.fill("puffin now");
  await panel.says(/Puffin/);
  const walk = new Walk(teacher, "assign and show its link", 3);
  await walk.key("Control+Enter");
  await expect(teacher.getByText("Assigned to 4/5 Puffin.")).toBeVisible();
  await walk.click(teacher.getByRole("button", { name: "Link", exact: true }));
  const dialog = teacher.getByRole("dialog", { name: /moon diary/ });
  const address = await dialog.getByRole("textbox").inputValue();
  await expect(dialog.getByRole("img", { name: /QR code/ })).toBeVisible();
  walk.done();
  await teacher.keyboard.press("Escape");

  await teacher.goto("/classes");
  await teacher.getByRole("link", { name: /4\/5 Puffin/ }).click();
  // One child is in two of her classes: the code has to be this one's.
  await expect(teacher.getByRole("heading", { name: /4\/5 Puffin/ })).toBeVisible();
  await teacher.getByRole("button", { name: "Let students in" }).click();
  const code = (await teacher.getByText(/^[A-Z]{3,7} \d{5}$/).innerText()).trim();

  // On the child's device: the link, the code on the board, the name, and there is the work.
  await child.setViewportSize({ width: 390, height: 844 });
  await child.goto(address);
  await child.getByLabel("What does the board say?").fill(code);
  await child.getByRole("button", { name: "Come in" }).click();
  await child.getByRole("button", { name: "Odd M." }).click();
  await expect(child).toHaveURL(new URL(address).pathname);
  await expect(child.getByRole("button", { name: "Next" })).toBeVisible();

  // A child of another class is told plainly, and learns nothing of it.
  const other = await signedIn("Adan Rey", { phone: true, at: address });
  await expect(other.getByRole("heading", { name: "This work is not for you" })).toBeVisible();
  await expect(other.getByText(/moon diary/i)).toHaveCount(0);
});
