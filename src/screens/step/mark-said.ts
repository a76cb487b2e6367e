import { findSaid, wordBeingSaid } from "@/core/student/said-place";

const NAME = "said";

/** The pieces of text that are read on a page, in order: not what is only said to those who hear it. */
function textsIn(element: HTMLElement): Text[] {
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const found: Text[] = [];
  for (let node = walker.nextNode(); node; node = walker.nextNode())
    if (!node.parentElement?.closest(".heard, [aria-hidden=true], textarea, select")) found.push(node as Text);
  return found;
}

/**
 * Marks the word that is being said, where the browser can mark without changing the page (CSS custom highlights); elsewhere nothing
 * is marked.
 *
 *     const marker = saidMarker(sheet);
 *     marker.at("Boats wait for high water.", 6);   // "wait" is marked
 *     marker.clear();
 */
export function saidMarker(element: HTMLElement | null) {
  const able =
    element !== null && typeof CSS !== "undefined" && "highlights" in CSS && typeof Highlight !== "undefined";
  let place = { said: "", start: -1 };
  const clear = () => {
    if (able) CSS.highlights.delete(NAME);
  };
  const at = (said: string, character: number) => {
    if (!able) return;
    const nodes = textsIn(element);
    const pieces = nodes.map(({ data }) => data);
    // Sentences are said in the order they stand: the same one again stands behind the last.
    if (place.said !== said) {
      const next = findSaid(pieces, said, place.start + 1);
      place = { said, start: next < 0 ? findSaid(pieces, said, 0) : next };
    }
    const word = place.start < 0 ? null : wordBeingSaid(pieces, place.start, said, character);
    if (!word) return clear();
    const range = new Range();
    range.setStart(nodes[word.from.piece]!, word.from.at);
    range.setEnd(nodes[word.to.piece]!, word.to.at);
    CSS.highlights.set(NAME, new Highlight(range));
  };
  return { able, at, clear };
}
