import type { Page } from "@playwright/test";
import { expect, giveNow, test } from "./fixture";

/** A child of 4/5 Puffin begins what is due there. */
async function begin(page: Page, title: RegExp): Promise<void> {
  await page.getByRole("link", { name: title }).first().click();
  await page.waitForURL(/student\/\d+/);
}

test("everything a child presses is large enough for a finger", async ({ signedIn }) => {
  const page = await signedIn("Liv Torsen", { phone: true });
  const small = () =>
    page
      .locator(
        "main button:not([data-word]):visible, main a:visible, main input:visible, main select:visible, main textarea:visible, main label:visible",
      )
      .evaluateAll((elements) =>
        elements
          // A box inside its label is pressed by the label.
          .filter((element) => !(element instanceof HTMLInputElement && element.closest("label")))
          .map((element) => ({
            name: element.textContent?.trim() || element.getAttribute("aria-label") || element.tagName,
            height: element.getBoundingClientRect().height,
          }))
          .filter(({ height }) => height < 48),
      );
  expect(await small()).toEqual([]);
  await begin(page, /Reading a tide table/);
  for (let step = 1; step <= 5; step += 1) {
    await page.getByRole("button", { name: new RegExp(`^Step ${step}`) }).click();
    expect([step, await small()]).toEqual([step, []]);
  }
});

test("a child orders, matches, fills, chooses and writes; hands in with a blank; tries again and the best counts", async ({
  signedIn,
}) => {
  const teacher = await signedIn("Ines Halloran", { at: "/find?words=storm+words&do=assign" });
  const panel = teacher.getByRole("region", { name: "Assign" });
  await panel.getByRole("checkbox", { name: "5 Kittiwake", exact: true }).click();
  await panel.getByRole("button", { name: "Students of 4/5 Puffin" }).click();
  await panel.getByRole("button", { name: "Grade 5" }).click();
  await expect(panel.getByText("6 of 24")).toBeVisible();
  await panel.getByRole("radio", { name: "now" }).click();
  await panel.getByRole("button", { name: "How often" }).click();
  await panel.getByRole("radio", { name: "freely" }).click();
  await panel.getByRole("button", { name: "Assign", exact: true }).click();
  await expect(teacher.getByText("Assigned to 4/5 Puffin.")).toBeVisible();

  const page = await signedIn("Odd Marwen", { phone: true });
  const link = page
    .getByRole("listitem")
    .filter({ hasText: "4/5 Puffin" })
    .getByRole("link", { name: /Begin.*Storm words/ });
  await link.click();
  await page.waitForURL(/student\/\d+/);
  const next = page.getByRole("button", { name: "Next" });
  const check = (at = 0) => page.getByRole("button", { name: "Check" }).nth(at).click();

  // Every child meets the winds in an order of her own, so each is moved from where it stands.
  for (const [at, wind] of ["calm", "breeze", "strong wind", "gale", "hurricane"].entries()) {
    const stands = page.getByRole("button", { name: new RegExp(`^Move “${wind}”, now number`) });
    for (let left = 5; left > 0; left -= 1) {
      const name = (await stands.getAttribute("aria-label")) ?? "";
      if (name.endsWith(`number ${at + 1}`)) break;
      await page.getByRole("button", { name: `“${wind}” up` }).click();
      await expect(stands).not.toHaveAttribute("aria-label", name);
    }
  }
  await check();
  await expect(page.getByText("Right", { exact: true })).toBeVisible();
  await next.click();

  const partners = page.getByRole("group", { name: "Partners" });
  for (const partner of [
    "light rain in small drops",
    "a heavy fall of rain",
    "a sudden strong wind",
    "thin cloud near the ground",
  ]) {
    await partners.getByRole("button", { name: partner }).click();
  }
  await page.getByRole("button", { name: "Take thin cloud near the ground away" }).click();
  await partners.getByRole("button", { name: "thin cloud near the ground" }).click();
  await check();
  await expect(page.getByText("Right", { exact: true })).toBeVisible();
  await page.getByText("drizzle", { exact: true }).last().click();
  await page.getByText("squall", { exact: true }).last().click();
  await check(1);
  await expect(page.getByText("Not yet. Try again.")).toBeVisible();
  await next.click();

  await page.getByLabel("gap 1").selectOption("gale");
  await page.getByLabel("gap 2").selectOption("breeze");
  await page.getByLabel("gap 3").selectOption("drizzle");
  await check();
  await expect(page.getByText("Partly right: 2 of 3")).toBeVisible();
  await page.getByRole("textbox").last().fill("The wind tore the gate off.");
  await page.getByRole("button", { name: "To the end" }).click();
  await expect(page.getByRole("heading", { name: "1 question is still empty" })).toBeVisible();
  await page.getByRole("button", { name: /Back to “A stronger sentence”/ }).click();
  await page.getByRole("button", { name: "To the end" }).click();
  await page.getByRole("button", { name: "Hand it in" }).click();
  await expect(page.getByRole("heading", { name: "Handed in" })).toBeVisible();
  await expect(page.getByText(/^3\.67 of 7$/)).toBeVisible();
  await page.getByRole("button", { name: "Look at my answers" }).click();
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await expect(page.getByText("Your teacher reads this.")).toBeVisible();
  await expect(page.getByRole("textbox").last()).not.toBeEditable();

  // Another try begins empty; the better of the two is what the teacher sees.
  await page.getByRole("button", { name: "To the end" }).click();
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByRole("heading", { name: "From weak to strong" })).toBeVisible();
  await page.getByRole("button", { name: /^Step 3/ }).click();
  await page.getByRole("button", { name: "To the end" }).click();
  await page.getByRole("button", { name: "Hand it in" }).click();
  await expect(page.getByText(/^0 of 7$/)).toBeVisible();

  await teacher.goto("/plan?view=list");
  await teacher
    .getByRole("listitem")
    .filter({ hasText: "6 of 4/5 Puffin" })
    .getByRole("link", { name: "Storm words" })
    .click();
  const row = teacher.getByRole("row", { name: /Odd Marwen/ });
  await expect(row).toContainText("handed in");
  await expect(row).toContainText("3.67 of 7");
  await expect(row).toContainText("+1 to read");
});

test("what is coming cannot be begun, and what is done can be looked at", async ({ signedIn, expectTrouble }) => {
  expectTrouble(/404/);
  const page = await signedIn("Sunniva Dale", { phone: true });
  await expect(page.getByText("The ferry timetable")).toBeVisible();
  await expect(page.getByRole("link", { name: /The ferry timetable/ })).toHaveCount(0);
  const done = page.getByRole("link", { name: "Ferry fares" });
  await done.click();
  await page.waitForURL(/student\/\d+/);
  await expect(page.getByRole("heading", { name: "Handed in" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Try again" })).toHaveCount(0);
  await page.goto("/student/999999");
  await expect(page.getByRole("heading", { name: "This work is not for you" })).toBeVisible();
});

test("a step that is done in pairs says so to the child, where her teacher decided it", async ({ signedIn }) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, {
    words: "tides at the bar",
    group: "7 Cormorant",
    to: ["Adan Rey"],
    form: async (panel) => {
      await panel.getByRole("button", { name: "How often" }).click();
      await panel.getByRole("combobox", { name: /^1 / }).selectOption("in pairs");
      await expect(panel.getByText(/; step 1 in pairs\.$/)).toBeVisible();
    },
  });

  const student = await signedIn("Adan Rey", { phone: true });
  await begin(student, /Begin.*Tides at the bar/);
  await expect(student.getByText("In pairs")).toBeVisible();
  await student.getByRole("button", { name: /^Step 2/ }).click();
  await expect(student.getByText("In pairs")).toHaveCount(0);
});

test("a question with a time is opened by the child, counts down, closes, and keeps what was answered", async ({
  signedIn,
}) => {
  const teacher = await signedIn("Judit Varga", { at: "about:blank" });
  await giveNow(teacher, { words: "kelp forest", group: "7 Cormorant", to: ["Adan Rey"] });

  const student = await signedIn("Adan Rey", { phone: true, unused: true });
  await begin(student, /Begin.*Kelp forest/);
  const third = student.getByRole("button", { name: /^Step 3/ });
  await third.click();
  await expect(student.getByText("What holds the kelp to the rock?")).toBeVisible();
  const closed = student.getByRole("region", { name: "A question with a time" });
  await expect(closed).toContainText("You have 1 minute for this question.");
  await expect(student.getByText("a chain of who eats whom")).toHaveCount(0);
  await closed.getByRole("button", { name: "Begin" }).click();
  await expect(student.getByRole("timer")).toContainText(/0:5\d left/);
  await expect(student.getByRole("region", { name: "a chain of who eats whom" })).toBeFocused();
  const answer = student.getByRole("textbox").last();
  await answer.fill("food web");
  await expect(student.getByText("Kept", { exact: true })).toBeVisible();

  // The time goes on while she is elsewhere, and while the lid is closed.
  await student.clock.install();
  await student.reload();
  await third.click();
  await expect(student.getByRole("timer")).toContainText(/0:[45]\d left/);
  await student.clock.fastForward("01:05");
  await expect(student.getByText("Time is up. Your answers are saved.")).toBeVisible();
  await expect(answer).toHaveValue("food web");
  await expect(answer).not.toBeEditable();
  await student.getByRole("button", { name: "To the end" }).click();
  await student.getByRole("button", { name: "Hand it in" }).click();
  await student.clock.runFor(2000);
  await expect(student.getByText(/^1 of 7$/)).toBeVisible();
});

test("a device without a voice says so", async ({ signedIn }) => {
  const page = await signedIn("Liv Torsen");
  await begin(page, /Reading a tide table/);
  await expect(page.getByRole("button", { name: /No voice here|Read to me/ })).toBeVisible();
});

test("read to me says everything on the step, in the voice of the language that is read", async ({ signedIn }) => {
  const teacher = await signedIn("Ines Halloran", { at: "about:blank" });
  await giveNow(teacher, { words: "storm words", group: "5 Kittiwake", to: ["Liv Torsen"] });
  const student = await signedIn("Liv Torsen", { phone: true });
  // A device with a voice for English: what it is asked to say is gathered.
  await student.addInitScript(() => {
    const said: string[] = [];
    class Words {
      onend: (() => void) | null = null;
      voice: unknown = null;
      lang = "";
      constructor(readonly text: string) {}
    }
    const voice = { lang: "en-GB", name: "A voice", default: true };
    const speech = {
      getVoices: () => [voice],
      speak: (words: Words) => {
        said.push(words.text);
        setTimeout(() => words.onend?.(), 0);
      },
      cancel: () => undefined,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    };
    Object.assign(window, { said });
    Object.defineProperty(window, "speechSynthesis", { value: speech });
    Object.defineProperty(window, "SpeechSynthesisUtterance", { value: Words });
  });
  await student.reload();
  await student
    .getByRole("link", { name: /Storm words/ })
    .first()
    .click();
  await student.waitForURL(/student\/\d+/);
  await student.getByRole("button", { name: "Read to me" }).click();
  const said = () => student.evaluate(() => (window as unknown as { said: string[] }).said);
  await expect.poll(said).toEqual(expect.arrayContaining(["From weak to strong", "breeze", "hurricane"]));
  await expect(student.getByRole("button", { name: "Read to me" })).toBeVisible();
});

test("a child chooses Spanish: the door, the work, what is said of an answer, and handing in", async ({ signedIn }) => {
  const child = await signedIn("Odd Marwen", { phone: true });
  await child.getByLabel("Language").selectOption("es");
  await expect(child.getByRole("heading", { name: "Hola, Odd" })).toBeVisible();
  await expect(child.getByText(/^(Hasta|Había que entregarlo) /).first()).toBeVisible();
  await expect(child.locator("div[lang=es]")).toBeVisible();
  await child
    .getByRole("link", { name: /^(Empezar|Seguir)/ })
    .first()
    .click();
  await child.waitForURL(/student\/\d+/);
  await expect(child.getByRole("list", { name: "Pasos" })).toBeVisible();
  await expect(child.getByText("Guardado", { exact: true })).toBeVisible();
  await child
    .getByRole("button", { name: /^Paso \d+:/ })
    .last()
    .click();
  await child.getByRole("button", { name: "Al final" }).click();
  await expect(child.getByRole("button", { name: "Entregar" })).toBeVisible();

  // At the door too, where a code that opens nothing is refused in Spanish.
  await child.getByRole("link", { name: "Mis tareas" }).click();
  await child.getByRole("button", { name: "Salir" }).click();
  await child.goto("/join");
  await child.getByLabel("¿Qué pone en la pizarra?").fill("KELP 99");
  await child.getByRole("button", { name: "Entrar" }).click();
  await expect(child.getByText(/^Este código no abre ninguna clase ahora\./)).toBeVisible();
  await child.getByLabel("Idioma").selectOption("en");
  await expect(child.getByText("What does the board say?")).toBeVisible();
});
