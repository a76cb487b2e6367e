import { Camera, Headphones, Keyboard, Mic, MousePointerClick, Move, Pencil } from "lucide-react";
import type { z } from "zod";
import type { ResponseCue } from "@/core/content/schema/rich-text";

export type CueName = z.infer<typeof ResponseCue>;

/** What to press, as a small picture with its word: for children who do not read much yet. */
export const cues: Record<CueName, { icon: typeof Mic; word: string }> = {
  type: { icon: Keyboard, word: "type" },
  choose: { icon: MousePointerClick, word: "choose" },
  drag: { icon: Move, word: "move" },
  draw: { icon: Pencil, word: "draw" },
  record: { icon: Mic, word: "record" },
  photograph: { icon: Camera, word: "photograph" },
  listen: { icon: Headphones, word: "listen" },
};

export function Cue({ cue }: { cue: CueName }) {
  const { icon: Icon, word } = cues[cue];
  return (
    <span className="mx-0.5 inline-flex items-center gap-1 rounded border border-line-strong bg-card px-1.5 align-baseline whitespace-nowrap">
      <Icon size="1em" aria-hidden /> {word}
    </span>
  );
}
