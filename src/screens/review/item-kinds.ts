import { Camera, Film, MessageSquare, Mic, Palette, PenLine, StickyNote, type LucideIcon } from "lucide-react";
import { schoolClock } from "@/core/calendar/school-calendar";
import { clockTime } from "@/core/media/captions";
import type { QueueItem } from "@/server/review/review-queue";

const DAY_MS = 86_400_000;

export type ItemKind = "writing" | "voice" | "film" | "photograph" | "drawing" | "note page" | "reply";

export const itemIcons: Record<ItemKind, LucideIcon> = {
  writing: PenLine,
  voice: Mic,
  film: Film,
  photograph: Camera,
  drawing: Palette,
  "note page": StickyNote,
  reply: MessageSquare,
};

const byType: Partial<Record<QueueItem["asked"]["type"], ItemKind>> = {
  longText: "writing",
  speech: "voice",
  clip: "film",
  photo: "photograph",
  sketch: "drawing",
  notePage: "note page",
};

export const kindOfItem = ({ kind, asked }: QueueItem): ItemKind =>
  kind === "reply" ? "reply" : (byType[asked.type] ?? "writing");

/** How much there is of it: "48 words", "0:41"; empty where that says nothing. */
export function formatSize(item: QueueItem): string {
  if (typeof item.value === "string" && item.value.trim() !== "") {
    const words = item.value.trim().split(/\s+/).length;
    return words === 1 ? "1 word" : `${words} words`;
  }
  const seconds = (item.value as { seconds?: unknown } | null)?.seconds ?? item.voice?.seconds;
  return ["voice", "film"].includes(kindOfItem(item)) && typeof seconds === "number" ? clockTime(seconds) : "";
}

/** How long it has waited: "3 days", "yesterday", "today 8:12". */
export function formatWaited(sent: Date, zone: string, now: Date): string {
  const [then, today] = [schoolClock(sent, zone), schoolClock(now, zone)];
  const days = Math.round((Date.parse(today.date) - Date.parse(then.date)) / DAY_MS);
  return days <= 0 ? `today ${then.time.replace(/^0/, "")}` : days === 1 ? "yesterday" : `${days} days`;
}
