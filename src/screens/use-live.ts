"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { openEvents } from "./event-stream";

const GATHER_MS = 300;

/** Reads the page again whenever something is said at an address; several changes within a moment are read together. */
export function useLive(address: string | null): void {
  const router = useRouter();
  useEffect(() => {
    if (address === null) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = openEvents(address, {
      heard: () => {
        timer ??= setTimeout(() => {
          timer = undefined;
          router.refresh();
        }, GATHER_MS);
      },
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [address, router]);
}
