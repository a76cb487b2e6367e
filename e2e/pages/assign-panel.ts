import type { Locator, Page } from "@playwright/test";
import { expect } from "../fixture";
import type { Walk } from "../walks/walk";

/** The panel that assigns what is open or ticked. */
export class AssignPanel {
  readonly line: Locator;
  readonly said: Locator;

  constructor(readonly page: Page) {
    this.line = page.getByLabel("Assign in one line");
    this.said = page.getByRole("status", { name: "In words" });
  }

  /** Opens it with its key. */
  async open(walk: Walk): Promise<void> {
    await walk.key("a");
    await expect(this.line).toBeFocused();
  }

  /** How many students a class has. */
  async membersOf(group: string): Promise<number> {
    const row = this.page.getByRole("region", { name: "Assign" }).getByRole("listitem").filter({ hasText: group });
    const [, all] = / of (\d+)/.exec((await row.first().textContent())!)!;
    return Number(all);
  }

  /** What would happen is said, and the last look is over. */
  async says(what: RegExp): Promise<void> {
    await expect(this.said).toContainText(what);
    await expect(this.said).toHaveAttribute("aria-busy", "false");
  }

  async assign(walk: Walk, group: string): Promise<void> {
    await walk.key("Enter");
    await expect(this.page.getByText(`Assigned to ${group}.`)).toBeVisible();
  }

  /** The class is as it was before, for whichever journey comes next. */
  async undo(): Promise<void> {
    await this.page.getByRole("button", { name: "Undo" }).click();
  }
}
