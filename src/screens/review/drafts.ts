"use client";
import { useState } from "react";
import type { Stroke } from "@/core/live/lesson";
import type { QueueItem } from "@/server/review/review-queue";
import type { Voice } from "../media/voice-recorder";

/** What she is about to say to a piece, before she decides. */
export interface Draft {
  comment: string;
  voice: Voice | null;
  marks: Stroke[];
  named: boolean;
}

type Drafts = Record<string, Draft>;

const NAME = "said-to-pieces";

const kept = (): Drafts => {
  try {
    return JSON.parse(sessionStorage.getItem(NAME) ?? "{}") as Drafts;
  } catch {
    return {};
  }
};

/** What she has begun to say to each piece: it stays while she looks at others, and when the page is read again. */
export function useDrafts() {
  const [drafts, setDrafts] = useState<Drafts>(() => (typeof sessionStorage === "undefined" ? {} : kept()));
  // From what is there at that moment: an act that ends late must not bring back what was there when it began.
  const keep = (change: (old: Drafts) => Drafts) =>
    setDrafts((old) => {
      const next = change(old);
      try {
        sessionStorage.setItem(NAME, JSON.stringify(next));
      } catch {
        // A full store loses nothing that is on the screen.
      }
      return next;
    });
  const nameOf = (item: QueueItem) => `${item.key} ${item.number}`;
  const from = (all: Drafts, item: QueueItem): Draft =>
    all[nameOf(item)] ?? { comment: item.comment, voice: item.voice, marks: item.marks, named: item.named };
  return {
    of: (item: QueueItem) => from(drafts, item),
    change: (item: QueueItem, more: Partial<Draft>) =>
      keep((old) => ({ ...old, [nameOf(item)]: { ...from(old, item), ...more } })),
    drop: (item: QueueItem) =>
      keep((old) => Object.fromEntries(Object.entries(old).filter(([name]) => name !== nameOf(item)))),
  };
}
