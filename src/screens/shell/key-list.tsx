"use client";
import { Dialog } from "@/ui/dialog";
import { Key } from "@/ui/key";

export const keyList: { keys: string[]; does: string }[] = [
  { keys: ["/"], does: "to the words of the need line" },
  { keys: ["j", "k"], does: "down and up the list" },
  { keys: ["←", "→"], does: "a step back or on, on the light table" },
  { keys: ["w"], does: "skim or work" },
  { keys: ["p"], does: "pack into my satchel, or take it out" },
  { keys: ["e"], does: "adapt: make my own version" },
  { keys: ["a"], does: "assign" },
  { keys: ["u"], does: "undo what was just done" },
  { keys: ["?"], does: "this list" },
];

export function KeyList({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
        {keyList.map(({ keys, does }) => (
          <div key={does} className="contents">
            <dt className="flex gap-1">
              {keys.map((key) => (
                <Key key={key}>{key}</Key>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-ink-soft">In lists and menus: arrows move, Enter chooses, Escape closes.</p>
    </Dialog>
  );
}
