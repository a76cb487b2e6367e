import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { chromium, type BrowserContext, type CDPSession, type Page } from "@playwright/test";
import { seed } from "@demo/seed";
import { bulkLesson } from "@demo/bulk/lessons";
import { SeededRandom } from "@demo/bulk/random";
import { documentOf } from "@demo/read";
import type { Document, Step } from "@/core/resource/document";
import { migrate } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import { addResource, saveDraft } from "@/data/adapt/resources";
import { indexResource } from "@/data/find/shelves";
import { findChromium } from "../scripts/chromium.mjs";
import { nextProgram } from "../scripts/built.mjs";
import { percentile, printTable, readOptions } from "./table";

/**
 * The editor in a real browser, on the built application: how long scripts run until a resource lies open, and what one
 * key costs in scripts, styles and layout. And Find: from the last key to the results. Run `npm run build` first.
 *
 * It is opened as a teacher does, with Edit from her satchel; by its address in a browser that was here before and kept
 * what it compiled; and by its address in one that never was. Machines differ and have better and worse hours: the last
 * line is what a plain loop takes, to compare by.
 */
const { n, json } = readOptions({ n: [60, 200] });
const PORT = 3297;
const TEXT = "the tide comes in twice a day and the boats go out with it ";
const rows: Record<string, string | number>[] = [];

function lessonOf(count: number): Document {
  const random = new SeededRandom(3);
  const steps: Step[] = [];
  for (let made = 0; steps.length < count; made += 1)
    steps.push(...documentOf(`e${made}`, { ...bulkLesson(random), by: "" }).steps);
  return { ...documentOf("whole", { ...bulkLesson(random), by: "" }), steps: steps.slice(0, count) };
}

/** Milliseconds the page has spent so far. Painting is left out: without a graphics card it says nothing. */
async function spent(session: CDPSession, of: readonly string[]): Promise<number> {
  const { metrics } = await session.send("Performance.getMetrics");
  return metrics.reduce((sum, { name, value }) => sum + (of.includes(name) ? value * 1000 : 0), 0);
}
const scripts = ["ScriptDuration"];
const everything = ["ScriptDuration", "LayoutDuration", "RecalcStyleDuration"];

/** What each key of a text costs, in milliseconds. */
async function keys(page: Page, session: CDPSession): Promise<number[]> {
  const took: number[] = [];
  for (const key of TEXT + TEXT) {
    const before = await spent(session, everything);
    await page.keyboard.type(key);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0))));
    took.push((await spent(session, everything)) - before);
  }
  return took;
}

const put = (name: string, count: number, took: readonly number[]) =>
  rows.push({ case: name, n: count, p50_ms: percentile(took, 50), p95_ms: percentile(took, 95) });

const ROUNDS = 8;

/** Scripts until the editor lies open, asked for by its address. The first rounds are left out if it is to be known. */
async function byAddress(page: Page, session: CDPSession, id: number, known: number): Promise<number[]> {
  const opened: number[] = [];
  for (let round = 0; round < known + ROUNDS; round += 1) {
    await page.goto("about:blank");
    const before = await spent(session, scripts);
    await page.goto(`http://localhost:${PORT}/adapt/${id}`, { waitUntil: "networkidle" });
    opened.push((await spent(session, scripts)) - before);
  }
  return opened.slice(known);
}

async function fromSatchel(page: Page, session: CDPSession, id: number): Promise<number[]> {
  const opened: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    await page.goto(`http://localhost:${PORT}/satchel?open=${id}`, { waitUntil: "networkidle" });
    const before = await spent(session, scripts);
    await page.getByRole("button", { name: /^Edit/ }).click();
    await page.getByLabel("Title of the step").waitFor();
    await page.waitForLoadState("networkidle");
    opened.push((await spent(session, scripts)) - before);
  }
  return opened;
}

async function measureEditor(page: Page, session: CDPSession, id: number, count: number): Promise<void> {
  put("open the editor from the satchel, scripts", count, await fromSatchel(page, session, id));
  put("open it by its address, scripts", count, await byAddress(page, session, id, 3));
  await page.getByLabel("Title of the step").focus();
  put("a key in a title", count, await keys(page, session));
  await page.getByRole("textbox", { name: "Instructions" }).click();
  put("a key in rich text", count, await keys(page, session));
}

async function measureFind(page: Page, bulk: number): Promise<void> {
  const took: number[] = [];
  await page.goto(`http://localhost:${PORT}/find`, { waitUntil: "networkidle" });
  const box = page.getByLabel("About: words to look for");
  for (const words of [
    "tide",
    "boats",
    "map scale",
    "fractions",
    "puffin",
    "weather",
    "harbour",
    "knots",
    "timetable",
  ]) {
    await box.fill("");
    await page.waitForTimeout(1000);
    // Inside the page: from the key to the frame after the results stand there. Asking from outside would measure how
    // often it is asked.
    const shown = page.evaluate(
      (wanted) =>
        new Promise<number>((done) => {
          let from = 0;
          addEventListener("keydown", () => (from = performance.now()), true);
          const observer = new MutationObserver(() => {
            const trail = document.querySelector('[aria-label="How it was narrowed"]')?.textContent ?? "";
            if (!trail.includes(wanted)) return;
            observer.disconnect();
            requestAnimationFrame(() => setTimeout(() => done(performance.now() - from)));
          });
          observer.observe(document.body, { subtree: true, childList: true, characterData: true });
          setTimeout(() => done(NaN), 5000);
        }),
      words,
    );
    await box.pressSequentially(words, { delay: 80 });
    took.push(await shown);
  }
  put("find: from the last key to the results", bulk, took.slice(1));
}

async function plainLoops(page: Page): Promise<number[]> {
  const took: number[] = [];
  for (let round = 0; round < 5; round += 1)
    took.push(
      await page.evaluate(() => {
        const from = performance.now();
        let sum = 0;
        for (let turn = 0; turn < 100_000_000; turn += 1) sum = (sum + turn) | 0;
        return performance.now() - from + (sum === 1 ? 1 : 0);
      }),
    );
  return took;
}

async function enter(context: BrowserContext): Promise<{ page: Page; session: CDPSession }> {
  const page = await context.newPage();
  await page.setViewportSize({ width: 1280, height: 800 });
  for (let tries = 0; tries < 60; tries += 1) {
    const there = await page.goto(`http://localhost:${PORT}/sign-in`).catch(() => null);
    if (there) break;
    await new Promise((done) => setTimeout(done, 500));
  }
  await page.getByRole("button", { name: /^Ines Halloran/ }).click();
  await page.waitForURL(/find/);
  const session = await context.newCDPSession(page);
  await session.send("Performance.enable");
  return { page, session };
}

const BULK = 5_000;
const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-bench-"));
const ids: number[] = [];
{
  const db = await EmbeddedDb.open({ folder });
  await migrate(db);
  await seed(db, { now: new Date(), bulk: BULK });
  const [ines] = await db.query<{ id: number; district: number }>(
    "select id, district_id district from person where email = 'ines.halloran@skerry.example'",
  );
  for (const count of n) {
    const resource = await addResource(db, {
      district: ines!.district,
      owner: ines!.id,
      source: null,
      created: new Date(),
    });
    const document = lessonOf(count);
    await saveDraft(db, { resource, document, base: null, seen: 0, by: ines!.id, at: new Date() });
    await indexResource(db, resource, document, false);
    ids.push(resource);
  }
  await db.close();
}
const server = spawn(process.execPath, [nextProgram, "start", "-p", String(PORT)], {
  env: { ...process.env, DEMO: "1", DATA_DIR: folder, NODE_ENV: "production" },
  stdio: "ignore",
});
try {
  const options = { executablePath: findChromium(), args: ["--no-sandbox", "--disable-gpu"] };
  const known = await chromium.launchPersistentContext(path.join(folder, "browser"), options);
  const { page, session } = await enter(known);
  for (const [at, count] of n.entries()) await measureEditor(page, session, ids[at]!, count);
  await measureFind(page, BULK);
  await known.close();
  const browser = await chromium.launch(options);
  const fresh = await enter(await browser.newContext());
  for (const [at, count] of n.entries())
    put("open it by its address, nothing kept", count, await byAddress(fresh.page, fresh.session, ids[at]!, 0));
  put("this machine: 100 million turns of a loop", 1, await plainLoops(fresh.page));
  await browser.close();
} finally {
  server.kill("SIGTERM");
  rmSync(folder, { recursive: true, force: true });
}
printTable(rows, json);
process.exit(0);
