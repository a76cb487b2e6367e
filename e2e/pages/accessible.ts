import type { Page } from "@playwright/test";
import axe from "axe-core";
import { expect } from "../fixture";

const SERIOUS: readonly unknown[] = ["serious", "critical"];
const COLOURS = ["color-contrast", "link-in-text-block"];
/** Marks texts that look like one before them. */
const ALIKE = "data-alike";

/** What axe finds. Of texts with the same colour on the same background one is checked for contrast: in a list of sixty that is most of the work. */
async function found(page: Page, counts: (impact: unknown) => boolean, parts: ("all else" | "colours")[]) {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  const violations = await page.evaluate(
    async ({ colours, alike, parts }) => {
      // What is on its way to another colour has neither; and what takes its colour from there sets out when that has arrived.
      const moving = () =>
        document
          .getAnimations()
          .filter(
            ({ effect, playState }) => playState === "running" && Number.isFinite(effect?.getComputedTiming().endTime),
          );
      for (let now = moving(); now.length > 0; now = moving())
        await Promise.race([
          Promise.all(now.map(({ finished }) => finished.catch(() => undefined))),
          new Promise((later) => setTimeout(later, 100)),
        ]);
      const { axe: here } = window as unknown as { axe: typeof axe };
      // Of what passes, nobody reads where it stands.
      const resultTypes: ["violations"] = ["violations"];
      const all: axe.Result[] = [];
      if (parts.includes("all else")) {
        const rules = Object.fromEntries(colours.map((id) => [id, { enabled: false }]));
        all.push(...(await here.run(document, { resultTypes, rules })).violations);
      }
      if (!parts.includes("colours")) return all;
      // What somebody sees of a text: its own colour and size, and what it stands on. Null: it may lie over something else.
      const looksOf = (element: Element): string | null => {
        const { color, fontSize, fontWeight } = getComputedStyle(element);
        const seen = [color, fontSize, fontWeight];
        for (let on: Element | null = element; on; on = on.parentElement) {
          const { backgroundColor, backgroundImage, opacity, position } = getComputedStyle(on);
          if (backgroundImage !== "none" || /absolute|fixed|sticky/.test(position)) return null;
          if (backgroundColor !== "rgba(0, 0, 0, 0)" || opacity !== "1") seen.push(`${backgroundColor} ${opacity}`);
        }
        return seen.join("; ");
      };
      const before = new Set<string | null>([null]);
      for (const element of document.body.querySelectorAll("*")) {
        const alone = element.childElementCount === 0 && element.getClientRects().length > 0;
        const looks = alone && element.textContent.trim() !== "" ? looksOf(element) : null;
        element.toggleAttribute(alike, looks !== null && before.has(looks));
        before.add(looks);
      }
      const where = document.querySelector(`[${alike}]`) ? { exclude: [`[${alike}]`] } : document;
      all.push(...(await here.run(where, { resultTypes, runOnly: { type: "rule", values: colours } })).violations);
      return all;
    },
    { colours: COLOURS, alike: ALIKE, parts },
  );
  return violations
    .filter(({ impact }) => counts(impact))
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ target }) => target.join(" "))
          .join(" | ")}`,
    );
}

/** Nothing on the page makes it hard to use for somebody who does not see or hear it, or uses no mouse. */
export async function nothingSerious(page: Page): Promise<void> {
  expect(await found(page, (impact) => SERIOUS.includes(impact), ["all else", "colours"])).toEqual([]);
}

/** The same of colours only: what else there is does not depend on the theme. */
export async function coloursTellApart(page: Page): Promise<void> {
  expect(await found(page, () => true, ["colours"])).toEqual([]);
}

/** Nothing at all is found, however small. */
export async function nothingAtAll(page: Page): Promise<void> {
  expect(await found(page, () => true, ["all else", "colours"])).toEqual([]);
}
