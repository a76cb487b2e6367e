import { heardWords, type HeardWord } from "@/core/student/heard-words";
import { saidMarker } from "./mark-said";

/** Enough to tell voice from silence; the browser brings the recording to it. */
const RATE = 16_000;

async function wordsIn(address: string, lines: readonly string[]): Promise<HeardWord[]> {
  const response = await fetch(address);
  if (!response.ok) return [];
  const sound = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(await response.arrayBuffer());
  return heardWords(lines, sound.getChannelData(0), RATE);
}

/**
 * Marks in an element the word that a recording of these lines has reached, as long as it plays; what is returned ends it. Where the
 * recording cannot be read, or says something else, nothing is marked.
 */
export function followRecording(
  sound: HTMLAudioElement,
  lines: readonly string[],
  within: HTMLElement | null,
): () => void {
  const marker = saidMarker(within);
  if (!marker.able) return () => undefined;
  let words: readonly HeardWord[] = [];
  let marked = -1;
  let frame = 0;
  wordsIn(sound.src, lines).then(
    (found) => (words = found),
    () => undefined,
  );
  const look = () => {
    const nth = words.findLastIndex(({ from }) => from <= sound.currentTime);
    if (nth !== marked) {
      marked = nth;
      const word = words[nth];
      if (word) marker.at(lines[word.line]!, word.at);
      else marker.clear();
    }
    frame = requestAnimationFrame(look);
  };
  look();
  return () => {
    cancelAnimationFrame(frame);
    marker.clear();
  };
}
