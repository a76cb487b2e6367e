import type { Page } from "@playwright/test";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { serve } from "../stand-ins/other-school-system/server";
import { Store } from "../stand-ins/other-school-system/state";
import { expect, test as base } from "./fixture";

/** A course site of this test's own, with the people and courses of the demo, and nothing connected yet. */
export const test = base.extend<{ site: { address: string; store: Store } }>({
  site: async ({}, provide, info) => {
    const folder = mkdtempSync(path.join(os.tmpdir(), "course-site-"));
    const file = path.join(folder, "site.json");
    cpSync(path.join(process.env.SEEDED_SCHOOL!, "other-school-system.json"), file);
    const store = await Store.open(file);
    store.state.tools = [];
    const port = 3430 + info.parallelIndex;
    const address = `http://localhost:${port}`;
    const stop = await serve(store, address, port);
    await provide({ address, store });
    await stop();
    rmSync(folder, { recursive: true, force: true });
  },
});

/** Comes in there as somebody. */
export async function enterSite(page: Page, address: string, name: string): Promise<void> {
  await page.goto(`${address}/leave`);
  await page.getByRole("button", { name, exact: true }).click();
  await expect(page.getByRole("heading", { name: "Courses" })).toBeVisible();
}
