import fc from "fast-check";
import { CaptionsError, clockTime, readCaptions, writeCaptions } from "./captions";

// The form is W3C's WebVTT: https://www.w3.org/TR/webvtt1/ (section 4); the first file follows its introductory examples.
const file = `WEBVTT - made by hand

NOTE this is for the editor
and goes on here

STYLE
::cue { color: papayawhip; }

intro
00:00.000 --> 00:02.500 line:90%
The water is <b>high</b>.

01:02:03.040 --> 01:02:04.000
It falls.
Slowly.
`;

test("captions are read with their times, without notes, styles, names and tags", () => {
  expect(readCaptions(file)).toEqual([
    { from: 0, to: 2.5, text: "The water is high." },
    { from: 3723.04, to: 3724, text: "It falls.\nSlowly." },
  ]);
});

test("what is written is read back the same, with any line ends and a byte order mark", () => {
  const cues = readCaptions(file);
  const written = writeCaptions(cues);
  expect(readCaptions(written)).toEqual(cues);
  expect(readCaptions("\uFEFF" + written.replaceAll("\n", "\r\n"))).toEqual(cues);
});

test.each([
  ["", /begins with the word WEBVTT/],
  ["1\n00:00:01,000 --> 00:00:02,000\nanother form of captions", /begins with the word WEBVTT/],
  ["WEBVTT\n\n00:01,000 --> 00:02,000\ncommas", /Line 3: “00:01,000” is not a time/],
  ["WEBVTT\n\n00:61.000 --> 00:62.000\nno such second", /Line 3/],
  ["WEBVTT\n\n00:05.000 --> 00:02.000\nbackwards", /ends before it begins/],
  ["WEBVTT\n\nNOTE nothing else\n", /no captions in it/],
])("a captions file that is broken says where: %#", (broken, says) => {
  expect(() => readCaptions(broken)).toThrow(CaptionsError);
  expect(() => readCaptions(broken)).toThrow(says);
});

test("a moment is written as people write it", () => {
  expect([0, 7.4, 75, 3600, 3725].map(clockTime)).toEqual(["0:00", "0:07", "1:15", "1:00:00", "1:02:05"]);
});

test("whatever captions are written, they are read back to the thousandth of a second", () => {
  const moment = fc.integer({ min: 0, max: 7_200_000 });
  const words = fc.stringMatching(/^[A-Za-z¿¡áéñ,.!? ]{1,60}$/).map((text) => text.trim() || "…");
  const cue = fc
    .tuple(moment, fc.integer({ min: 1, max: 20_000 }), words)
    .map(([from, length, text]) => ({ from: from / 1000, to: (from + length) / 1000, text }));
  fc.assert(
    fc.property(fc.array(cue, { minLength: 1, maxLength: 20 }), (cues) => {
      const back = readCaptions(writeCaptions(cues));
      expect(back.map(({ text }) => text)).toEqual(cues.map(({ text }) => text));
      back.forEach((one, at) => {
        expect(one.from).toBeCloseTo(cues[at]!.from, 3);
        expect(one.to).toBeCloseTo(cues[at]!.to, 3);
      });
    }),
  );
});
