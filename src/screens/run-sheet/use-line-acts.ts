"use client";
import { useState } from "react";
import type { Document } from "@/core/resource/document";
import * as edit from "@/core/run-sheet/edit";
import type { RunSheet } from "@/core/run-sheet/schema";
import { linesOf } from "@/core/run-sheet/source";
import { tell } from "@/ui/toast";
import type { LineActs } from "./script-line";

/** What the keys do with a line, and which line they are in. `wanted` is to be written in as soon as it is there. */
export function useLineActs({
  sheet,
  document,
  set,
  newId,
}: {
  sheet: RunSheet;
  document: Document;
  set: (to: (sheet: RunSheet) => RunSheet, kind?: string) => void;
  newId: () => string;
}) {
  const [here, setHere] = useState<string | null>(null);
  const [wanted, setWanted] = useState<string | null>(null);
  const focus = (id: string | null) => {
    setWanted(id);
    if (id) setHere(id);
  };
  const lineActs = (id: string): LineActs => {
    const lines = linesOf(sheet);
    const at = lines.findIndex((line) => line.id === id);
    return {
      onText: (text) => set((now) => edit.setLine(now, id, { text }), `text ${id}`),
      onKind: (by) => set((now) => edit.turnKind(now, id, by)),
      onWho: (who) => set((now) => edit.setLine(now, id, { who })),
      onAdd: () => {
        const fresh = newId();
        set((now) => edit.addLineAfter(now, id, fresh));
        focus(fresh);
      },
      onRemove: () => {
        const words = lines[at]?.text;
        set((now) => edit.removeLine(now, id));
        focus(lines[at - 1]?.id ?? lines[at + 1]?.id ?? null);
        if (words) tell("The line is removed.", () => set((now) => edit.restoreLine(now, sheet, id)));
      },
      onMove: (by) => set((now) => edit.moveLine(now, id, by)),
      onFocus: () => {
        setHere(id);
        setWanted(null);
      },
      onGo: (by) => focus(lines[at + by]?.id ?? id),
      onFollow: () => set((now) => edit.follow(now, document, id)),
      onKeep: () => set((now) => edit.keepAsItIs(now, document, id)),
    };
  };
  return { here, wanted, lineActs, focus };
}
