"use client";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useTransition } from "react";

/** Changes of the address: a value, or null to take it out. */
export type AddressChange = Record<string, string | number | null>;

// Where the page is going but has not arrived yet: a second change on the way builds on the first.
let underWay: { path: string; parameters: URLSearchParams } | null = null;

/**
 * The state of a view lives in its address. `go` changes it and re-reads the page without blocking what she types;
 * `push` leaves a step to go back to, otherwise the entry is replaced. `alongside` runs
 * in the same transition: for what is shown before the page has answered.
 */
export function useAddress() {
  const router = useRouter();
  const path = usePathname();
  const parameters = useSearchParams();
  const [busy, start] = useTransition();
  const addressWith = useCallback(
    (change: AddressChange) => {
      const next = new URLSearchParams(underWay?.path === path ? underWay.parameters : parameters);
      for (const [name, value] of Object.entries(change)) {
        if (value === null) next.delete(name);
        else next.set(name, String(value));
      }
      return { next, address: next.size > 0 ? `${path}?${next}` : path };
    },
    [parameters, path],
  );
  useEffect(() => {
    underWay = null;
  }, [parameters, path]);
  const go = useCallback(
    (change: AddressChange, push = false, alongside?: () => void) =>
      start(() => {
        alongside?.();
        const { next, address } = addressWith(change);
        underWay = { path, parameters: next };
        if (push) router.push(address, { scroll: false });
        else router.replace(address, { scroll: false });
      }),
    [addressWith, path, router],
  );
  return { go, busy, parameters };
}
