"use client";
import { useSyncExternalStore } from "react";

const never = () => () => {};

/** False in what the server sent, true once the page answers to its user. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
