"use client";
import { useEffect, useState } from "react";
import type { Document } from "@/core/resource/document";
import type { Unfinished } from "@/core/resource/unfinished";

/** What is worth a look. What measures it brings word lists along: it is loaded when the page stands already. */
export function useRemarks(document: Document): Unfinished[] {
  const [found, setFound] = useState<Unfinished[]>([]);
  useEffect(() => {
    let left = false;
    void import("@/core/resource/remarks").then(({ remarks }) => {
      if (!left) setFound(remarks(document));
    });
    return () => {
      left = true;
    };
  }, [document]);
  return found;
}
