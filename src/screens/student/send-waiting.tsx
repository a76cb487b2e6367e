"use client";
import { CloudOff } from "lucide-react";
import { useEffect, useState } from "react";
import { useRouter } from "next/navigation";
import { handIn } from "@/screens/acts/student";
import { isUnreached } from "@/screens/acts/tried";
import { handedIn, toHandIn } from "../offline/hand-in-later";
import { AnswerQueue, waitingPlaces } from "./answer-queue";
import { useTranslations } from "use-intl";

const RETRY_MS = 8_000;

/** Sends what waits on this device from other pieces of work of this student, then hands in what is to be; on every page a student sees. */
export function SendWaiting({ student, except = null }: { student: number; except?: number | null }) {
  const t = useTranslations("kept");
  const router = useRouter();
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    let left = false;
    // Where trying again is of no use: handed in, called back. What was written stays on the device.
    const stopped = new Set<string>();
    const send = async () => {
      let count = 0;
      for (const place of waitingPlaces(student)) {
        const name = JSON.stringify(place);
        if (place.assignment === except || stopped.has(name)) continue;
        const queue = new AnswerQueue(place);
        const { state } = await queue.send();
        if (state !== "waiting" && queue.items.length > 0) stopped.add(name);
        if (state === "waiting") count += queue.items.length;
      }
      for (const { assignment, number } of toHandIn(student)) {
        if (assignment === except || waitingPlaces(student).some((place) => place.assignment === assignment)) continue;
        const outcome = await handIn({ assignment, number });
        // Refused: it was closed, or called back. Her page of it says so.
        if (!isUnreached(outcome)) handedIn(student, assignment);
        if (outcome.ok) router.refresh();
      }
      if (!left) setWaiting(count);
    };
    void send();
    const again = () => void send();
    const retry = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      left = true;
      clearInterval(retry);
      window.removeEventListener("online", again);
    };
  }, [student, except, router]);
  if (waiting === 0) return null;
  return (
    <p role="status" className="mt-3 flex items-center gap-2 rounded-card bg-shade px-4 py-3">
      <CloudOff size={18} aria-hidden />
      {t("elsewhere", { count: waiting })}
    </p>
  );
}
