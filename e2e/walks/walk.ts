import type { Locator, Page } from "@playwright/test";
import { expect } from "../fixture";

/** Seconds each takes: Card, Moran and Newell, "The keystroke-level model" (1980), an average typist; from memory. */
const KLM = { think: 1.35, key: 0.28, hand: 0.4, point: 1.1, button: 0.2 } as const;

/**
 * A piece of a teacher's work with its presses counted: each key and each click is one, and so is a text, however long. At the end
 * one line of JSON says how many it took: `npm run bench -- walks --json` gathers them.
 */
export class Walk {
  presses = 0;
  /** Seconds by the keystroke-level model, see `estimate`. */
  private estimated = 0;
  private readonly began = performance.now();

  constructor(
    readonly page: Page,
    private readonly name: string,
    private readonly limit: number,
  ) {}

  async key(key: string): Promise<void> {
    this.presses += 1;
    this.estimated += KLM.think + KLM.key;
    await this.page.keyboard.press(key);
  }

  async click(what: Locator): Promise<void> {
    this.presses += 1;
    this.estimated += KLM.think + KLM.hand + KLM.point + KLM.button;
    await what.click();
  }

  async type(text: string): Promise<void> {
    this.presses += 1;
    this.estimated += KLM.think + KLM.hand + KLM.key * text.length;
    await this.page.keyboard.type(text);
  }

  /**
   * The walk is over: no more presses than it may take, and, where that is said, no longer by keystroke-level estimate: what a practised
   * person needs, with a thought before each press, and what the application took.
   */
  done(within?: { seconds: number }): void {
    const took = (performance.now() - this.began) / 1000;
    const seconds = Math.round(took * 10) / 10;
    const estimate = Math.round((this.estimated + took) * 10) / 10;
    console.log(
      JSON.stringify({
        ...{ walk: this.name, presses: this.presses, limit: this.limit, seconds },
        ...(within && { estimate, within: within.seconds }),
      }),
    );
    expect(this.presses).toBeLessThanOrEqual(this.limit);
    if (within) expect(estimate).toBeLessThanOrEqual(within.seconds);
  }
}
