import type { Locator, Page } from "@playwright/test";
import { expect } from "../fixture";

/**
 * A piece of a teacher's work with its presses counted: each key and each click is one, and so is a text, however long. At the end
 * one line of JSON says how many it took: `npm run bench -- walks --json` gathers them.
 */
export class Walk {
  presses = 0;
  private readonly began = performance.now();

  constructor(
    readonly page: Page,
    private readonly name: string,
    private readonly limit: number,
  ) {}

  async key(key: string): Promise<void> {
    this.presses += 1;
    await this.page.keyboard.press(key);
  }

  async click(what: Locator): Promise<void> {
    this.presses += 1;
    await what.click();
  }

  async type(text: string): Promise<void> {
    this.presses += 1;
    await this.page.keyboard.type(text);
  }

  /** The walk is over: no more presses than it may take. */
  done(): void {
    const seconds = Math.round((performance.now() - this.began) / 100) / 10;
    console.log(JSON.stringify({ walk: this.name, presses: this.presses, limit: this.limit, seconds }));
    expect(this.presses).toBeLessThanOrEqual(this.limit);
  }
}
