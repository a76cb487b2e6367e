import { formatReasons, type Reasons } from "./reasons";

const none: Reasons = {
  ...{ inTitle: false, inAbout: false, inAuthor: false, inText: false },
  ...{ classesHere: 0, usedElsewhere: 0, inSatchel: false, fresh: new Date(0) },
};
const why = (more: Partial<Reasons>, words = "") => formatReasons({ ...none, ...more }, words);

test("where the words stand is said once, by the weightiest place", () => {
  const everywhere = { inTitle: true, inAbout: true, inAuthor: true, inText: true };
  expect(why(everywhere, " tides ")).toEqual(["“tides” is in its title."]);
  expect(why({ ...everywhere, inTitle: false }, "tides")).toEqual(["The words are in its summary, topics or codes."]);
  expect(why({ inAuthor: true, inText: true }, "tides")).toEqual(["The words name its author."]);
  expect(why({ inText: true }, "tides")).toEqual(["The words are in what students read."]);
});

test("without words nothing is said of them", () => {
  expect(why({ inTitle: true, inSatchel: true }, "  ")).toEqual(["It is in your satchel."]);
});

test("use at her school comes first, her satchel next, and use elsewhere last", () => {
  expect(why({ classesHere: 1, inSatchel: true, usedElsewhere: 1 })).toEqual([
    "A class at your school used it.",
    "It is in your satchel.",
    "Used once elsewhere.",
  ]);
  expect(why({ classesHere: 3, usedElsewhere: 40 })).toEqual([
    "3 classes at your school used it.",
    "Used 40 times elsewhere.",
  ]);
});

test("what nothing speaks for says so", () => {
  expect(why({})).toEqual(["It fits every blank you filled; nothing else speaks for it."]);
  expect(why({}, "tides")).toEqual(["It fits every blank you filled; nothing else speaks for it."]);
});
