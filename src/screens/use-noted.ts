"use client";
import { useEffect } from "react";

/** How long after the last change it is written into the bar. */
const REST_MS = 300;

function write(values: Record<string, string | null>): void {
  const said = new URLSearchParams(window.location.search);
  const before = said.toString();
  for (const [name, value] of Object.entries(values))
    if (value === null) said.delete(name);
    else said.set(name, value);
  if (said.toString() === before) return;
  const address = `${window.location.pathname}${said.size > 0 ? `?${said}` : ""}`;
  History.prototype.replaceState.call(window.history, window.history.state, "", address);
}

/**
 * Keeps what a part of the page stands at in the address, for a reload or a link, a moment after it has changed; null takes a
 * value out. It is read once, when the page comes. The router is not told: it would drop whatever it is reading just then. Where
 * it writes an address of its own over it, this one is written again.
 */
export function useNoted(values: Record<string, string | null>): void {
  useEffect(() => {
    const timer = setTimeout(() => write(values), REST_MS);
    return () => clearTimeout(timer);
  });
  // What is closed says nothing any more.
  const names = Object.keys(values).join();
  useEffect(() => () => write(Object.fromEntries(names.split(",").map((name) => [name, null]))), [names]);
}
