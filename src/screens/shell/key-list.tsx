"use client";
import { Dialog } from "@/ui/dialog";
import { Key } from "@/ui/key";
import { keyList, leadKeyList, resultsKeyList, waitingKeyList } from "./keys";

/** Keys and what they do, one a line. */
export function Keys({ list }: { list: typeof keyList }) {
  return (
    <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
      {list.map(({ keys, does }) => (
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
  );
}

export function KeyList({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <Keys list={keyList} />
      <h3 className="mt-4 mb-2 font-semibold">While you lead a lesson</h3>
      <Keys list={leadKeyList} />
      <h3 className="mt-4 mb-2 font-semibold">While you look at work that waits</h3>
      <Keys list={waitingKeyList} />
      <h3 className="mt-4 mb-2 font-semibold">In Results</h3>
      <Keys list={resultsKeyList} />
      <p className="mt-4 text-ink-soft">In lists and menus: arrows move, Enter chooses, Escape closes.</p>
    </Dialog>
  );
}
