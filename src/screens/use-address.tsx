"use client";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  useTransition,
  type ReactNode,
} from "react";
import { addressesAhead } from "./addresses-ahead";

/** Changes of the address: a value, or null to take it out. */
export type AddressChange = Record<string, string | number | null>;

interface Address {
  /** `push` leaves a step to go back to, otherwise the entry is replaced. */
  go: (change: AddressChange, push?: boolean) => void;
  busy: boolean;
  parameters: URLSearchParams;
}

function changed(from: URLSearchParams, change: AddressChange): URLSearchParams {
  const next = new URLSearchParams(from);
  for (const [name, value] of Object.entries(change)) {
    if (value === null) next.delete(name);
    else next.set(name, String(value));
  }
  return next;
}

const addressOf = (path: string, parameters: URLSearchParams) =>
  parameters.size > 0 ? `${path}?${parameters.toString()}` : path;

const InParts = createContext<Address | null>(null);

/**
 * For a page whose parts are asked for by themselves (use-answer): a change of the address is there at once, and does not
 * read the page anew. The router follows a moment later, and for that moment may even put an earlier address back.
 */
export function AddressOfParts({ children }: { children: ReactNode }) {
  const path = usePathname();
  const arrived = useSearchParams().toString();
  const [ahead] = useState(addressesAhead);
  const last = useSyncExternalStore(ahead.subscribe, ahead.last, () => null);
  const there = useRef(arrived);
  useLayoutEffect(() => {
    there.current = arrived;
    ahead.arrive(arrived);
  }, [ahead, arrived]);
  useEffect(() => {
    window.addEventListener("popstate", ahead.drop);
    return () => window.removeEventListener("popstate", ahead.drop);
  }, [ahead]);
  const text = last ?? arrived;
  const parameters = useMemo(() => new URLSearchParams(text), [text]);
  const address = {
    parameters,
    busy: false,
    go: (change: AddressChange, push = false) => {
      const from = ahead.last() ?? there.current;
      const next = changed(new URLSearchParams(from), change);
      if (next.toString() === from) return;
      ahead.send(next.toString());
      window.history[push ? "pushState" : "replaceState"](null, "", addressOf(path, next));
    },
  };
  return <InParts value={address}>{children}</InParts>;
}

// Where the page is going but has not arrived yet: a second change on the way builds on the first.
let underWay: { path: string; parameters: URLSearchParams } | null = null;

/**
 * The state of a view lives in its address. `go` changes it and re-reads the page, or what of it is another now, without
 * blocking what she types.
 */
export function useAddress(): Address {
  const inParts = useContext(InParts);
  const router = useRouter();
  const path = usePathname();
  const parameters = useSearchParams();
  const [busy, start] = useTransition();
  useEffect(() => {
    underWay = null;
  }, [parameters, path]);
  const go = useCallback(
    (change: AddressChange, push = false) =>
      start(() => {
        const next = changed(underWay?.path === path ? underWay.parameters : parameters, change);
        underWay = { path, parameters: next };
        if (push) router.push(addressOf(path, next), { scroll: false });
        else router.replace(addressOf(path, next), { scroll: false });
      }),
    [parameters, path, router],
  );
  return inParts ?? { go, busy, parameters };
}
