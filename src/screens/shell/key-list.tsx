"use client";
import { Dialog } from "@/ui/dialog";
import { Key } from "@/ui/key";
import { keyList } from "./keys";

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
