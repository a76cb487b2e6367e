import {
  ArrowDownUp,
  BookOpen,
  Box,
  Calculator,
  Camera,
  ChartSpline,
  CircleDot,
  Eye,
  Film,
  Headphones,
  Highlighter,
  Link,
  MapPin,
  Mic,
  NotebookPen,
  Pencil,
  Rows3,
  Shuffle,
  Tag,
  TextCursorInput,
  MessageSquareText,
  Type,
  Vote,
  type LucideIcon,
} from "lucide-react";
import type { Activity } from "@/core/content/vocabulary";

const icons: Record<Activity, LucideIcon> = {
  read: BookOpen,
  watch: Film,
  listen: Headphones,
  look: Eye,
  choose: CircleDot,
  answer: Type,
  calculate: Calculator,
  "fill in": TextCursorInput,
  match: Shuffle,
  order: ArrowDownUp,
  write: MessageSquareText,
  draw: Pencil,
  photograph: Camera,
  record: Mic,
  vote: Vote,
  note: NotebookPen,
  build: Box,
  "follow a link": Link,
  sort: Rows3,
  label: Tag,
  plot: ChartSpline,
  "mark words": Highlighter,
  "mark a place": MapPin,
};

/** What students do, as a glyph. Say it in words beside it or give `name` to have it heard. */
export function ActivityIcon({ activity, size = 16, name }: { activity: Activity; size?: number; name?: boolean }) {
  const Icon = icons[activity];
  return (
    <span className="inline-flex" title={activity}>
      <Icon size={size} strokeWidth={1.75} aria-hidden />
      {name && <span className="heard">{activity}</span>}
    </span>
  );
}
