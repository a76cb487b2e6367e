import type { OpenPocket } from "@/core/satchel/filter";
import type { Pocket } from "@/data/satchel/pockets";
import type { SatchelItem } from "@/data/satchel/satchel";
import { formatList } from "@/core/format-list";

/** Her own, made or adapted. */
export const isOwn = ({ origin }: Pick<SatchelItem, "origin">) => origin === "made" || origin === "adapted";

/** She may put something into it. */
export const mayAdd = ({ may }: Pocket) => may !== "look";
/** She may put what lies in it in order, and say what it is for. */
export const mayArrange = ({ may }: Pocket) => may === "own" || may === "arrange";
/** Others keep it too. */
export const isTogether = ({ may, people }: Pocket): boolean => may !== "own" || people.length > 0;

/** "You keep it with Teodor Brandt and Rona Sundin." */
export function formatKept({ may, owner, people }: Pocket): string {
  if (may === "own") return `You keep it with ${formatList(people.map(({ name }) => name))}.`;
  const does = { look: "look at it", add: "add things", arrange: "add, arrange and take out" }[may];
  return `${owner}’s pocket. You can ${does}.`;
}

const origins: Record<SatchelItem["origin"], (item: SatchelItem) => string> = {
  made: ({ maker, draftOnly }) => `made by ${maker ?? "me"}${draftOnly ? " · not published yet" : ""}`,
  adapted: ({ maker, draftOnly }) => `${maker ? `${maker}’s` : "my"} version${draftOnly ? " · not published yet" : ""}`,
  packed: (item) => `${item.author} · packed`,
  together: (item) => item.author,
};

/** Where a thing comes from; in a pocket that several keep, who put it in, unless its author did. */
export function formatOrigin(item: SatchelItem, open: Pocket | null): string {
  const by = open && item.putBy[item.pockets.indexOf(open.id)];
  return by && by !== item.author ? `${origins[item.origin](item)} · put in by ${by}` : origins[item.origin](item);
}

export function formatOpen(open: OpenPocket, pockets: readonly Pocket[]): string {
  if (open === null) return "Everything in my satchel";
  if (open === "away") return "Put away";
  return open === "none" ? "Not in any pocket" : pockets.find(({ id }) => id === open)!.name;
}
