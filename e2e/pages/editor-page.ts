import type { Page } from "@playwright/test";

/** Where something of one's own is written. */
export class EditorPage {
  constructor(readonly page: Page) {}

  /** Begins something new, which is open then; `firstStep`: what its first step is called, if it gets one. */
  async makeNew(title: string, firstStep?: string): Promise<void> {
    await this.page.goto("/satchel");
    await this.page.getByRole("button", { name: "Make new" }).click();
    await this.page.getByLabel("What is it called?").fill(title);
    await this.page.keyboard.press("Enter");
    await this.page.waitForURL(/\/adapt\/\d+/);
    if (firstStep === undefined) return;
    await this.page.getByRole("button", { name: "Write the first step" }).click();
    await this.page.getByLabel("Title of the step").fill(firstStep);
  }
}
