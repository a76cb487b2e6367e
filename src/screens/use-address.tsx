"use client";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { debounce, parseAsString, useQueryStates } from "nuqs";
import { NuqsAdapter } from "nuqs/adapters/next/app";
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useTransition,
  type ReactNode,
} from "react";

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
 * read the page anew. `names`: everything its parts keep in the address.
 */
export const AddressOfParts = (props: { names: readonly string[]; children: ReactNode }) => (
  <NuqsAdapter>
    <Parts {...props} />
  </NuqsAdapter>
);

function Parts({ names, children }: { names: readonly string[]; children: ReactNode }) {
  const path = usePathname();
  const [keys] = useState(() => Object.fromEntries(names.map((name) => [name, parseAsString])));
  const [values, set] = useQueryStates(keys, { history: "replace", shallow: true, scroll: false });
  const parameters = useMemo(() => changed(new URLSearchParams(), values), [values]);
  // What was typed and is not written into the bar yet.
  const unwritten = useRef<AddressChange | null>(null);
  const writeTyped = useCallback(() => {
    if (!unwritten.current) return;
    const next = changed(new URLSearchParams(window.location.search), unwritten.current);
    unwritten.current = null;
    window.history.replaceState(null, "", addressOf(path, next));
  }, [path]);
  useEffect(() => {
    const forget = () => {
      unwritten.current = null;
    };
    const writtenBefore = ({ target }: Event) => {
      if (!(target instanceof HTMLInputElement)) writeTyped();
    };
    // Gone back: what was typed belongs to what was left. Before she leaves by anything else, it is still written.
    window.addEventListener("popstate", forget);
    for (const act of ["pagehide", "pointerdown", "keydown"]) window.addEventListener(act, writtenBefore, true);
    return () => {
      window.removeEventListener("popstate", forget);
      for (const act of ["pagehide", "pointerdown", "keydown"]) window.removeEventListener(act, writtenBefore, true);
    };
  }, [writeTyped]);
  const address = {
    parameters,
    busy: false,
    go: (change: AddressChange, how?: "push" | "typed") => {
      const unknown = Object.keys(change).find((name) => !(name in keys));
      if (unknown) throw new Error(`${unknown} is not in the address of this page.`);
      const next = Object.fromEntries(
        Object.entries(change).map(([name, value]) => [name, value === null ? null : String(value)]),
      );
      if (how === "typed") {
        const typed = { ...unwritten.current, ...change };
        unwritten.current = typed;
        void set(next, { limitUrlUpdates: debounce(TYPED_REST_MS) }).then(() => {
          if (unwritten.current === typed) unwritten.current = null;
        });
      } else {
        // What was typed is a place to come back to.
        writeTyped();
        void set(next, { history: how === "push" ? "push" : "replace" });
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
