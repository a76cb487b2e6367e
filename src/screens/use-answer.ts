"use client";
import { QueryCache, QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { parse } from "devalue";
import { useDeferredValue, useEffect, useLayoutEffect, useState } from "react";
import type { Answered } from "@/core/find/asked";
import { tellProblem } from "@/ui/toast";

interface Answer<Value> {
  answer: Answered<Value>;
  /** The answer to another question is still shown. */
  waiting: boolean;
  /** Asks already, before the page has followed to this address. */
  ask: (address: string) => void;
  /** Nobody waits for it any more. */
  breakOff: () => void;
}

const noAnswer = "The satchel does not answer. What you chose is kept; go on when the network is back.";

/** @throws Error that says what went wrong */
async function read<Value>(route: string, address: string, signal: AbortSignal): Promise<Value> {
  const response = await fetch(`${route}?${address}`, { signal });
  // Signed out meanwhile: the page itself knows where to go.
  if (response.status === 401) window.location.reload();
  const text = await response.text();
  if (response.ok) return parse(text) as Value;
  // What stands between here and the satchel answers in words of its own, which are nobody's here.
  const ours = response.headers.get("content-type")?.includes("json");
  throw new Error(ours ? (JSON.parse(text) as { problem: string }).problem : noAnswer);
}

const keyOf = (route: string, address: string | null) => [route, address];

/**
 * What a page of parts asks with. An answer is kept only while it is on the screen: anyone who comes back asks again, because the answer
 * may have changed.
 */
export const partsClient = () =>
  new QueryClient({
    queryCache: new QueryCache({
      onError: (error) => tellProblem(error instanceof TypeError ? noAnswer : error.message),
    }),
    defaultOptions: {
      queries: { staleTime: Infinity, gcTime: 0, retry: false, networkMode: "always", refetchOnWindowFocus: false },
    },
  });

/** What something has been for this many milliseconds; undefined until then. */
function useRested<Value>(value: Value, ms: number): Value | undefined {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    if (ms === 0) return;
    const timer = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return ms === 0 || rested === value ? value : undefined;
}

/**
 * A part of a page that is asked for by itself, under a `QueryClientProvider` with a `partsClient`. It came with the page as `first`.
 * When the address changes, `route` is asked. The last answer stays until the next has come, and the question before is broken off.
 * `address`: null asks nothing; undefined keeps the last answer. `afterMs`: how long the address must stay the same before it is
 * asked.
 */
export function useAnswer<Value>(
  route: string,
  address: string | null | undefined,
  first: Answered<Value>,
  afterMs = 0,
): Answer<Value> {
  const client = useQueryClient();
  const rested = useRested(address, afterMs);
  const [asked, setAsked] = useState(first.address);
  if (rested !== undefined && rested !== asked) setAsked(rested);
  const question = (address: string) => ({
    queryKey: keyOf(route, address),
    queryFn: async ({ signal }: { signal: AbortSignal }): Promise<Answered<Value>> => ({
      address,
      value: await read<Value>(route, address, signal),
    }),
  });
  // Read anew, the page knows better than what was asked before.
  useLayoutEffect(() => {
    if (first.address !== null) client.setQueryData(keyOf(route, first.address), first);
  }, [client, route, first]);
  const { data, isError } = useQuery<Answered<Value>>({
    ...question(asked ?? ""),
    queryKey: keyOf(route, asked),
    enabled: asked !== null,
  });
  // What was there stays, while the next is asked and where it fails.
  const [last, setLast] = useState(first);
  if (data && data !== last) setLast(data);
  // What is typed meanwhile comes first.
  const answer = useDeferredValue(last);
  const breakOff = () => void client.cancelQueries({ queryKey: [route] });
  return {
    answer,
    waiting: typeof address === "string" && answer.address !== address && !(isError && asked === address),
    ask: (next) => {
      if (answer.address === next) return;
      void client.cancelQueries({ queryKey: [route], predicate: ({ queryKey }) => queryKey[1] !== next });
      void client.prefetchQuery(question(next));
    },
    breakOff,
  };
}
