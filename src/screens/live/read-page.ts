import { fromBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { readResponse } from "@/core/question/read-response";
import type { Question, ResponseValue } from "@/core/question/question";
import { authoredText, sharedValue, type Authored } from "@/core/together/shared-page";
import type { WatchedPage } from "@/server/live/shared-page";

/** A page as it is shown: what stands on it, and whose words they are. */
export interface ReadPage extends Omit<WatchedPage, "state" | "devices"> {
  values: Record<string, ResponseValue | undefined>;
  words: { question: Question; key: string; parts: (Authored & { student: number | null })[] }[];
}

/** Opens what the server sent. Imported only where there is a page, because of the library. */
export function readPage({ state, devices, ...page }: WatchedPage): ReadPage {
  const read = new Y.Doc();
  Y.applyUpdate(read, fromBase64(state));
  const owners = new Map(devices);
  const { questions } = page;
  return {
    ...page,
    values: Object.fromEntries(
      questions.map((question) => [question.id, readResponse(question, sharedValue(read, question))]),
    ),
    words: questions.flatMap((question) =>
      [...authoredText(read, question)].map(([key, parts]) => ({
        ...{ question, key },
        parts: parts.map((part) => ({ ...part, student: owners.get(part.client) ?? null })),
      })),
    ),
  };
}
