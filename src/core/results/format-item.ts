import type { Finding, Item } from "./items";

/** Seconds as they are read off a clock: "0:24", "1:40". `formatSeconds(100)` gives `"1:40"`. */
export const formatSeconds = (seconds: number): string =>
  `${Math.floor(Math.round(seconds) / 60)}:${String(Math.round(seconds) % 60).padStart(2, "0")}`;

/**
 * How well a question tells the stronger from the weaker (Ebel 1965: .40 very good, .30 good, .20 marginal).
 * `formatTellsApart(0.35)` gives `"well"`.
 */
export function formatTellsApart(value: number): string {
  if (value < 0) return "the wrong way";
  if (value >= 0.4) return "very well";
  if (value >= 0.3) return "well";
  return value >= 0.2 ? "a little" : "hardly";
}

/**
 * How far the questions of a piece of work hold together (Nunnally 1978: .70 and above is enough to compare groups).
 * `formatAlpha(0.72)` gives `"hold together well"`.
 */
export function formatAlpha(alpha: number): string {
  if (alpha >= 0.7) return "hold together well";
  return alpha >= 0.5 ? "hold together fairly well" : "hold together loosely";
}

/** A finding in a few words, as in a list. `nameFinding({ kind: "nearly all right" })` gives `"nearly everyone right"`. */
export function nameFinding(finding: Finding): string {
  switch (finding.kind) {
    case "nearly all right":
      return "nearly everyone right";
    case "nearly all wrong":
      return "nearly everyone wrong";
    case "best chose another":
      return "best chose another";
    case "two may be right":
      return "two may be right";
    case "the wrong way":
      return "the weaker did better";
    case "tells little":
      return "tells you little";
    case "nobody chose":
      return finding.said.length === 1 ? "one answer nobody chose" : `${finding.said.length} answers nobody chose`;
    case "most left it blank":
      return "most left it blank";
    case "took long":
      return finding.times === 3 ? "took three times as long" : `took ${finding.times} times as long`;
  }
}

/**
 * The same with its reason and what to do.
 * `explainFinding({ kind: "nearly all right" }, { asked: 20, right: 19 })` gives `"19 of 20 have it right. It shows that they can do it, and nothing about who needs more."`.
 */
export function explainFinding(finding: Finding, item: Pick<Item, "asked" | "right">): string {
  switch (finding.kind) {
    case "nearly all right":
      return `${item.right} of ${item.asked} have it right. It shows that they can do it, and nothing about who needs more.`;
    case "nearly all wrong":
      return `Only ${item.right} of ${item.asked} have it right. Either it was not taught yet, or the question does not say what you meant.`;
    case "best chose another":
      return `Of the ${finding.of} strongest, ${finding.stronger} answered “${finding.said}”, more than chose the answer that is marked right. Check which one is right.`;
    case "two may be right":
      return `Of the ${finding.of} strongest, ${finding.stronger} answered “${finding.said}”; of the ${finding.ofWeaker} weakest, ${finding.weaker === 0 ? "nobody" : finding.weaker} did. It may be right as well.`;
    case "the wrong way":
      return "Children who did less well overall got this one right more often than those who did best. Something in it misleads the children who know most.";
    case "tells little":
      return "Children who did well overall and children who did not got it right about equally often. With so few children it may be chance.";
    case "nobody chose":
      return `Nobody chose ${finding.said.map((said) => `“${said}”`).join(" or ")}. A wrong answer that nobody believes makes guessing easier.`;
    case "most left it blank":
      return `${finding.blank} of ${item.asked} left it blank. Perhaps there was no time left, or it was not clear what to do.`;
    case "took long":
      return `It took ${finding.times} times as long as a typical question here. You may have meant it to, or it is hard to read.`;
  }
}

/**
 * Whether a finding is about a question that is likely to be wrong, not only easy or slow.
 * `mustBeLookedAt({ kind: "nearly all right" })` gives `false`.
 */
export const mustBeLookedAt = ({ kind }: Finding): boolean =>
  kind === "best chose another" || kind === "two may be right" || kind === "the wrong way";
