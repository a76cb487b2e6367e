// Makes the films that come with the application (public/films) from their scenes: frames drawn by Chromium, put together
// by ffmpeg, with captions. Run by hand when a scene changes; ffmpeg has to be there. node scripts/films/make.mjs
import { spawn } from "node:child_process";
import { mkdirSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { chromium } from "@playwright/test";
import { writeCaptions } from "../../src/core/media/captions.ts";
import { findChromium } from "../chromium.mjs";
import { root } from "../installed.mjs";
import { films } from "./scenes.mjs";

const FRAMES_A_SECOND = 12;
const MOST_BYTES = 1_000_000;
// Noise made soft and slowly swelling is near enough to the sea, and to water running.
const sounds = {
  sea: "anoisesrc=color=brown:amplitude=0.5,lowpass=f=700,tremolo=f=0.13:d=0.8",
  water: "anoisesrc=color=pink:amplitude=0.16,lowpass=f=1800,tremolo=f=0.3:d=0.3",
};
const folder = path.join(root, "public", "films");

const finished = (program) =>
  new Promise((resolve, reject) =>
    program.on("close", (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`)))),
  );

async function make(page, film) {
  const file = path.join(folder, `${film.name}.webm`);
  const program = spawn(
    "ffmpeg",
    [
      ...[
        "-y",
        "-loglevel",
        "error",
        "-f",
        "image2pipe",
        "-framerate",
        String(FRAMES_A_SECOND),
        "-c:v",
        "mjpeg",
        "-i",
        "-",
      ],
      ...["-f", "lavfi", "-t", String(film.seconds), "-i", sounds[film.sound]],
      ...["-c:v", "libvpx-vp9", "-crf", "40", "-b:v", "0", "-g", "24", "-row-mt", "1", "-pix_fmt", "yuv420p"],
      ...["-c:a", "libopus", "-b:a", "20k", "-shortest", file],
    ],
    { stdio: ["pipe", "inherit", "inherit"] },
  );
  for (let frame = 0; frame < film.seconds * FRAMES_A_SECOND; frame += 1) {
    await page.evaluate(
      (drawn) => void (document.querySelector("svg").innerHTML = drawn),
      film.draw(frame / FRAMES_A_SECOND),
    );
    const picture = await page.screenshot({ type: "jpeg", quality: 92 });
    if (!program.stdin.write(picture)) await new Promise((resolve) => program.stdin.once("drain", resolve));
  }
  program.stdin.end();
  await finished(program);
  const { size } = statSync(file);
  if (size > MOST_BYTES) throw new Error(`${film.name} is ${size} bytes; it has to stay under ${MOST_BYTES}`);
  for (const language of ["en", "es"])
    writeFileSync(
      path.join(folder, `${film.name}.${language}.vtt`),
      writeCaptions(film.captions.map((cue) => ({ from: cue.from, to: cue.to, text: cue[language] }))),
    );
  console.log(`${film.name}: ${Math.round(size / 1024)} KB`);
}

mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({ executablePath: findChromium(), args: ["--no-sandbox"] });
const page = await browser.newPage({ viewport: { width: 640, height: 360 } });
await page.setContent(
  `<style>body{margin:0}</style><svg width="640" height="360" viewBox="0 0 640 360" font-family="sans-serif"></svg>`,
);
for (const film of films) await make(page, film);
await browser.close();
