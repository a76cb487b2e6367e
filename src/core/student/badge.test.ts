import { badge, badgeNumber, badgePictures, BADGES } from "./badge";
import { pictures } from "./pictures";

test("there are more badges than a class has children, each different", () => {
  const all = Array.from({ length: BADGES }, (_, n) => JSON.stringify(badge(n)));
  expect(new Set(all).size).toBe(BADGES);
  expect(BADGES).toBeGreaterThanOrEqual(60);
});

test("children who were added together have different badges, until one chooses another", () => {
  const group = Array.from({ length: 30 }, (_, at) => badgeNumber(1207 + at, null));
  expect(new Set(group).size).toBe(30);
  expect(badgeNumber(1207, 5)).toBe(5);
});

test("no badge shows a picture of which passwords are made", () => {
  expect(badgePictures.filter((picture) => (pictures as readonly string[]).includes(picture))).toEqual([]);
});
