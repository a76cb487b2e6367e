import { writeFile } from "node:fs/promises";
import { expect, test } from "./fixture";
import { EditorPage } from "./pages/editor-page";

test("a wrong password says so and keeps the address; a stranger learns nothing of who has one", async ({ page }) => {
  await page.goto("/sign-in");
  const said: string[] = [];
  for (const email of ["ines.halloran@skerry.example", "nobody@skerry.example"]) {
    await page.getByLabel("E-mail").fill(email);
    await page.getByLabel("Password").fill("not this");
    await page.getByRole("button", { name: "Sign in", exact: true }).click();
    const alert = page.locator("main").getByRole("alert");
    await expect(alert).toBeVisible();
    said.push(await alert.innerText());
    await expect(page.getByLabel("E-mail")).toHaveValue(email);
  }
  expect(said[0]).toBe(said[1]);
});

test("the right password lets her in", async ({ page }) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("bettina.rask@skerry.example");
  await page.getByLabel("Password").fill("kelp-and-tide");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await page.waitForURL(/find/);
});

test("a due date that is past is refused with the reason, and the rest of the form stays", async ({ signedIn }) => {
  const page = await signedIn("Teodor Brandt", { at: "/find?words=ferry+timetable&do=assign" });
  const panel = page.getByRole("region", { name: "Assign" });
  await panel.getByRole("button", { name: "How often" }).click();
  await panel.getByRole("radio", { name: "3 times" }).click();
  await panel.getByRole("radiogroup", { name: "Due" }).getByRole("radio", { name: "day and time" }).click();
  await panel.getByLabel("Due on").fill("2020-03-02T07:00");
  await expect(
    panel.getByText("Mon 2 Mar 2020, 7 in the morning is already past. Choose a later time.").first(),
  ).toBeVisible();
  await expect(panel.getByRole("button", { name: "Assign", exact: true })).toBeDisabled();
  await expect(panel.getByRole("radio", { name: "3 times" })).toBeChecked();
  await panel.getByLabel("Due on").fill("2099-03-02T19:00");
  await expect(panel.getByText("Nothing is planned further ahead than 18 weeks.").first()).toBeVisible();
});

test("a text named .png is not a picture, and the step stays as it was", async ({ signedIn, expectTrouble }) => {
  expectTrouble(/415/);
  const page = await signedIn("Sol Wetherby", { at: "/find?words=wind+on+the+hill" });
  await page.keyboard.press("e");
  await page.waitForURL(/\/adapt\/\d+/);
  await page
    .getByLabel("Picture file")
    .setInputFiles({ name: "photo.png", mimeType: "image/png", buffer: Buffer.from("just some text") });
  await expect(page.getByText(/not a PNG, JPEG, GIF or WebP picture/)).toBeVisible();
  const dot = Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
    "base64",
  );
  await page.getByLabel("Picture file").setInputFiles({ name: "dot.png", mimeType: "image/png", buffer: dot });
  await expect(page.getByRole("region", { name: "Picture" })).toBeVisible();
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("A picture has no description.");
  await page.getByLabel("Description, for anyone who cannot see it").fill("A single dot");
  await expect(page.getByRole("complementary", { name: "Settings" })).toContainText("Nothing to fix.");
});

test("odd addresses open something sensible, and what is not hers looks like what is not there", async ({
  signedIn,
  expectTrouble,
}) => {
  expectTrouble(/404/);
  const page = await signedIn("Ines Halloran", {
    at: "/find?grades=99,x&minutes=-3&subject=magic&shelf=moon&open=abc&step=77&sort=up&show=1e9",
  });
  await expect(page.getByRole("list", { name: "Results" })).toBeVisible();
  for (const address of ["/adapt/999999", "/adapt/x", "/results?assignment=999999", "/classes?class=4", "/nowhere"]) {
    await page.goto(address);
    await expect(page.getByRole("heading", { name: "This is not here" })).toBeVisible();
  }
  for (const day of ["9999-12-31", "0001-01-01", "2026-02-31", "yesterday"]) {
    expect((await page.goto(`/plan?from=${day}`))!.status()).toBe(200);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  }
  await page.goto("/satchel?pocket=999999");
  await expect(page.getByRole("heading", { name: "Everything in my satchel" })).toBeVisible();
  await page.goto("/student");
  await page.waitForURL(/find/);
});

test("writes from elsewhere, without a session, or of the wrong shape are refused and change nothing", async ({
  signedIn,
  request,
}) => {
  const student = await signedIn("Liv Torsen");
  const href = await student.getByRole("link", { name: /Reading a tide table/ }).getAttribute("href");
  const send = (body: string, headers: Record<string, string> = {}) =>
    student.request.post(`${href}/responses`, {
      data: body,
      headers: { "content-type": "application/json", "sec-fetch-site": "same-origin", ...headers },
    });
  expect((await send("{}", { origin: "https://elsewhere.example" })).status()).toBe(403);
  expect((await send("not json")).status()).toBe(400);
  const answers = (more: object) =>
    JSON.stringify({ items: [{ key: "a-long-key", question: "nowhere", value: 1, age: 0 }], number: 1, ...more });
  expect((await send(answers({ recipient: 1, items: [] }))).status()).toBe(400);
  expect((await send(answers({}))).status()).toBe(400);
  // Another child's, who used this device before.
  expect((await send(answers({ recipient: 999_999 }))).status()).toBe(404);
  expect(
    (
      await student.request.post("/student/999999/responses", {
        data: "{}",
        headers: { "sec-fetch-site": "same-origin" },
      })
    ).status(),
  ).toBe(404);
  expect(
    (await request.post(`${href}/responses`, { data: "{}", headers: { "sec-fetch-site": "same-origin" } })).status(),
  ).toBe(401);
  // A student is no teacher.
  expect((await student.request.get("/results/1/csv")).status()).toBe(404);
  expect((await student.request.get(`/media/${"0".repeat(64)}`)).status()).toBe(404);
  expect((await student.request.get("/media/..%2f..%2fetc%2fpasswd")).status()).toBe(404);
});

test("every page says what it lets run, and an answer lets nothing run", async ({ request }) => {
  const headers = (await request.get("/sign-in")).headers();
  const answered = await request.post("/student/1/responses", {
    data: "{}",
    headers: { "sec-fetch-site": "same-origin", "x-request-id": "chosen" },
  });
  expect(answered.headers()).toMatchObject({
    "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
    "x-content-type-options": "nosniff",
    "x-request-id": expect.stringMatching(/^[0-9a-f-]{36}$/),
  });
  expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
  expect(headers["content-security-policy"]).not.toContain("unsafe-eval");
  expect(headers["x-content-type-options"]).toBe("nosniff");
  expect(headers["x-powered-by"]).toBeUndefined();
});

test("a code that opens nothing says so, to a child", async ({ page }) => {
  await page.goto("/join");
  await page.getByLabel("What does the board say?").fill("WHALE 00");
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page.getByText("This code does not open a class now.")).toBeVisible();
});

test("a film too large, captions that are broken and a script in a text are refused; what was there stays", async ({
  signedIn,
  expectTrouble,
}, testInfo) => {
  // The browser says that it did not run what was pasted.
  expectTrouble(/413|415|422/, /Executing inline event handler violates/);
  const page = await signedIn("Bettina Rask", { at: "about:blank" });
  await new EditorPage(page).makeNew("What must not get in");
  await page.getByRole("button", { name: "Write the first step" }).click();
  await page.getByRole("button", { name: "More …" }).click();
  await page.getByRole("menuitem", { name: "Film", exact: true }).click();
  const film = page.getByRole("region", { name: "Film", exact: true });
  await expect(film.getByLabel("Title of the film")).toHaveValue("A tide in a minute");

  // From a folder, as a film is: sent as text through the browser's control it takes half a minute on a busy machine.
  const webm = testInfo.outputPath("long.webm");
  await writeFile(webm, Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), Buffer.alloc(40 * 1024 * 1024)]));
  await page.getByLabel("Film file").setInputFiles(webm);
  await expect(page.getByText("This film is larger than 32 MB. Nothing was changed")).toBeVisible();
  // Past the page, too: the server does not believe what is said about a file.
  const sent = await page.evaluate(async () => {
    const send = async (bytes: number) =>
      (await fetch("/media?kind=film", { method: "POST", body: new Uint8Array(bytes) })).status;
    return [await send(40 * 1024 * 1024), await send(100)];
  });
  expect(sent).toEqual([413, 415]);

  const captions = page.getByLabel("Captions file", { exact: true });
  await captions.setInputFiles({
    name: "en.vtt",
    mimeType: "text/vtt",
    buffer: Buffer.from("WEBVTT\n\n00:05.000 --> 00:02.000\nbackwards"),
  });
  await expect(page.getByText("Line 3: this caption ends before it begins.")).toBeVisible();
  await captions.setInputFiles({ name: "en.vtt", mimeType: "text/vtt", buffer: Buffer.from("1\n00:00:01,000") });
  await expect(page.getByText("This is not a captions file (WebVTT)")).toBeVisible();
  await expect(film.getByRole("button", { name: "Captions in English away" })).toBeVisible();
  await expect(film.getByLabel("Title of the film")).toHaveValue("A tide in a minute");

  await page.getByRole("button", { name: "Text", exact: true }).click();
  const text = page.getByRole("textbox", { name: "Text" });
  await text.click();
  await text.evaluate((element) => {
    const pasted = new DataTransfer();
    pasted.setData(
      "text/html",
      `<p onclick="window.ran = 1">Kept <b>words</b><script>window.ran = 1</script><img src=x onerror="window.ran = 1"><a href="javascript:window.ran=1">a link</a></p>`,
    );
    element.dispatchEvent(new ClipboardEvent("paste", { clipboardData: pasted, bubbles: true, cancelable: true }));
  });
  await expect(text).toContainText("Kept words");
  expect(await text.locator("script, img, [onclick], a[href^=javascript]").count()).toBe(0);
  await page.getByRole("button", { name: "See as student" }).click();
  await page.getByText("a link").click();
  expect(await page.evaluate(() => "ran" in window)).toBe(false);
});
