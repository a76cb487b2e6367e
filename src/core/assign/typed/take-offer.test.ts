import { readLine } from "./read-line";
import { takeOffer } from "./take-offer";
import { base, world } from "./testing";

/** The line after the offer of this name was taken. */
const taken = (line: string, text: string) => {
  const piece = readLine(line, world, base).pieces.find(({ offers }) => offers.some((offer) => offer.text === text))!;
  return takeOffer(
    line,
    piece,
    piece.offers.find((offer) => offer.text === text)!,
  ).line;
};

test.each([
  ["puffin except Bo, 2 tries", "Benno Lasz", "puffin except Benno Lasz, 2 tries"],
  ["puffin except Bo, 2 tries", "nobody", "puffin, 2 tries"],
  ["except Marek and Bo, now", "Benno Lasz", "except Marek and Benno Lasz, now"],
  ["except Marek and Zed, now", "nobody", "except Marek, now"],
  ["except Zed and Marek, now", "nobody", "except Marek, now"],
  ["all but Zed", "nobody", ""],
  ["now, due Mon 1 Dec 4 pm, once", "Tue 1 Dec", "now, due Tue 1 Dec 4 pm, once"],
  ["from Mon 1 Dec to Fri", "Mon 30 Nov", "from Mon 30 Nov to Fri"],
  ["tue third lesson, once", "Tue 1 Dec, 8:50 in the morning, Reading", "Tue 1 Dec period 1, once"],
  ["Aina double time, now", "Aina Voss", "Aina Voss double time, now"],
])("“%s” with “%s” is “%s”: what stands around it stays", (line, offer, result) => {
  expect(taken(line, offer)).toBe(result);
});
