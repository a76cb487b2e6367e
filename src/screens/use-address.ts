"use client";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { useCallback, useTransition } from "react";

/** Changes of the address: a value, or null to take it out. */
export type AddressChange = Record<string, string | number | null>;

/**
 * The state of a view lives in its address. `go` changes it and re-reads the page without blocking what she types;
 * `push` leaves a step to go back to, otherwise the entry is replaced.
 */
export function useAddress() {
  const router = useRouter();
  const path = usePathname();
  const parameters = useSearchParams();
  const [busy, start] = useTransition();
  const addressWith = useCallback(
    (change: AddressChange) => {
      const next = new URLSearchParams(parameters);
      for (const [name, value] of Object.entries(change)) {
        if (value === null) next.delete(name);
        else next.set(name, String(value));
      }
      return next.size > 0 ? `${path}?${next}` : path;
    },
    [parameters, path],
  );
  const go = useCallback(
    (change: AddressChange, push = false) =>
      start(() => {
        if (push) router.push(addressWith(change), { scroll: false });
        else router.replace(addressWith(change), { scroll: false });
      }),
    [addressWith, router],
  );
  return { go, busy, addressWith, parameters };
}
