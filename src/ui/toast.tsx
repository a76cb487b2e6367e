"use client";
import { Toaster, toast } from "sonner";

export const Toasts = () => (
  <Toaster
    position="bottom-center"
    toastOptions={{
      unstyled: true,
      classNames: {
        toast: "flex items-center gap-3 rounded-card bg-ink text-paper px-4 py-3 shadow-soft w-[26rem] max-w-full",
        title: "flex-1",
        cancelButton: "font-semibold underline shrink-0",
        actionButton: "font-semibold underline ml-auto shrink-0",
      },
    }}
  />
);

// What `u` takes back: the newest act that offered to be undone.
let latest: { undo: () => void; id: string | number } | null = null;

/** Says what was done and, when it can be, how to take it back: with the button, or the key `u`. `more`: a way on from there. */
export function tell(text: string, undo?: () => void, more?: { label: string; onClick: () => void }): void {
  const id = toast(text, {
    duration: undo ? 10_000 : 5_000,
    ...(more && { cancel: more }),
    ...(undo && { action: { label: "Undo", onClick: undo } }),
  });
  if (undo) latest = { undo, id };
}

/** Says what went wrong, and stays until read; the same twice is said once. */
export function tellProblem(text: string): void {
  toast.error(text, { id: text, duration: 12_000, closeButton: true });
}

export function undoLatest(): void {
  if (!latest) return;
  toast.dismiss(latest.id);
  const { undo } = latest;
  latest = null;
  undo();
}
