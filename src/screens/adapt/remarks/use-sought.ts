"use client";
import { useCallback, useEffect, useState } from "react";

/** Brings a part of the page into sight and to the keyboard, by its id, once what it stands in has been drawn. */
export function useSought(): (id: string) => void {
  const [sought, setSought] = useState<{ id: string } | null>(null);
  useEffect(() => {
    if (!sought) return;
    const part = document.getElementById(sought.id);
    part?.scrollIntoView({ block: "center" });
    part?.focus({ preventScroll: true });
  }, [sought]);
  return useCallback((id: string) => setSought({ id }), []);
}
