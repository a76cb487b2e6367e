"use client";
import { useEffect, useState } from "react";

const PLACE = "satchel-reads";

/** In which of a document's languages this student reads: the one chosen last on this device, else the first. */
export function useReadingLanguage(languages: readonly string[]): [string, (language: string) => void] {
  const [reads, setReads] = useState(languages[0]!);
  useEffect(() => {
    try {
      const chosen = localStorage.getItem(PLACE);
      // eslint-disable-next-line react-hooks/set-state-in-effect -- only the device knows
      if (chosen && languages.includes(chosen)) setReads(chosen);
    } catch {
      // A device without storage asks again each time.
    }
  }, [languages]);
  const choose = (language: string) => {
    setReads(language);
    try {
      localStorage.setItem(PLACE, language);
    } catch {
      // As above.
    }
  };
  return [reads, choose];
}
