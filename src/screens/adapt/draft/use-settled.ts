"use client";
import { useEffect, useState } from "react";

/** A value once it has not changed for a while. */
export function useSettled<Value>(value: Value, milliseconds: number): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (settled === value) return;
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, settled, milliseconds]);
  return settled;
}
