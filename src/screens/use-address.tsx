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
  useTransition,
  type ReactNode,
} from "react";

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
 * read the page anew.
 */
export function AddressOfParts({ children }: { children: ReactNode }) {
  const path = usePathname();
  const arrived = useSearchParams().toString();
  // The router follows a moment later, and for that moment may even put an earlier address back: what was changed here
  // counts until it has arrived, in this order, or something else has.
  const [own, setOwn] = useState<{ arrived: string; sent: string[] }>({ arrived, sent: [] });
  if (own.arrived !== arrived) {
    const at = own.sent.indexOf(arrived);
    setOwn({ arrived, sent: at < 0 ? [] : own.sent.slice(at + 1) });
  }
  const text = own.sent.at(-1) ?? arrived;
  const latest = useRef(text);
  useLayoutEffect(() => {
    latest.current = text;
  }, [text]);
  useEffect(() => {
    const back = () => setOwn((old) => ({ ...old, sent: [] }));
    window.addEventListener("popstate", back);
    return () => window.removeEventListener("popstate", back);
  }, []);
  const parameters = useMemo(() => new URLSearchParams(text), [text]);
  const address = {
    parameters,
    busy: false,
    go: (change: AddressChange, push = false) => {
      const next = changed(new URLSearchParams(latest.current), change);
      if (next.toString() === latest.current) return;
      latest.current = next.toString();
      setOwn((old) => ({ ...old, sent: [...old.sent, next.toString()] }));
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
