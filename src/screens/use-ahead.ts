"use client";
import { useEffect, useRef } from "react";

/**
 * What was chosen last, also while it is still on its way from the server: the next key goes on from there, not from what is still
 * shown. `arrived`: what is shown.
 */
export function useAhead<Value>(arrived: Value): { last: () => Value; choose: (value: Value) => void } {
  const chosen = useRef(arrived);
  useEffect(() => {
    chosen.current = arrived;
  }, [arrived]);
  return {
    last: () => chosen.current,
    choose: (value) => {
      chosen.current = value;
    },
  };
}
