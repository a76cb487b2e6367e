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
  /**
   * `push` leaves a step to go back to, otherwise the entry is replaced; `typed`: it is written into the browser's bar
   * when the keys rest, where the page's parts are asked for by themselves.
   */
  go: (change: AddressChange, how?: "push" | "typed") => void;
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

/** The router draws the whole page anew when the bar changes: not between a key and what it finds. */
const TYPED_REST_MS = 300;

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
  // What was typed and is not written into the bar yet.
  const unwritten = useRef<{ write: () => void; timer: ReturnType<typeof setTimeout> } | null>(null);
  const writeTyped = useCallback(() => {
    if (!unwritten.current) return;
    clearTimeout(unwritten.current.timer);
    unwritten.current.write();
    unwritten.current = null;
  }, []);
  useEffect(() => {
    const forget = () => {
      clearTimeout(unwritten.current?.timer);
      unwritten.current = null;
    };
    const writtenBefore = ({ target }: Event) => {
      if (!(target instanceof HTMLInputElement)) writeTyped();
    };
    // Gone back: what was typed belongs to what was left. Before she leaves by anything else, it is still written.
    window.addEventListener("popstate", forget);
    for (const act of ["pagehide", "pointerdown", "keydown"]) window.addEventListener(act, writtenBefore, true);
    return () => {
      forget();
      window.removeEventListener("popstate", forget);
      for (const act of ["pagehide", "pointerdown", "keydown"]) window.removeEventListener(act, writtenBefore, true);
    };
  }, [writeTyped]);
  const text = last ?? arrived;
  const parameters = useMemo(() => new URLSearchParams(text), [text]);
  const address = {
    parameters,
    busy: false,
    go: (change: AddressChange, how?: "push" | "typed") => {
      const from = ahead.last() ?? there.current;
      const next = changed(new URLSearchParams(from), change);
      if (next.toString() === from) return;
      ahead.send(next.toString());
      const write = () => window.history.replaceState(null, "", addressOf(path, next));
      if (how === "typed") {
        clearTimeout(unwritten.current?.timer);
        unwritten.current = { write, timer: setTimeout(writeTyped, TYPED_REST_MS) };
      } else if (how === "push") {
        writeTyped();
        window.history.pushState(null, "", addressOf(path, next));
      } else {
        clearTimeout(unwritten.current?.timer);
        unwritten.current = null;
        write();
      }
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
    (change: AddressChange, how?: "push" | "typed") =>
      start(() => {
        const next = changed(underWay?.path === path ? underWay.parameters : parameters, change);
        underWay = { path, parameters: next };
        if (how === "push") router.push(addressOf(path, next), { scroll: false });
        else router.replace(addressOf(path, next), { scroll: false });
      }),
    [parameters, path, router],
  );
  return inParts ?? { go, busy, parameters };
}
