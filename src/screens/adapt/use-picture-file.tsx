"use client";
import { useEffect, useRef } from "react";
import { tellProblem } from "@/ui/toast";
import { sendPicture } from "./send-picture";

/** A picture of hers, chosen from a file. Sending takes a while: what she changed meanwhile is not undone by its arrival. */
export function usePictureFile(onPicture: (media: string) => void, name = "Another picture file") {
  const file = useRef<HTMLInputElement>(null);
  const arrived = useRef(onPicture);
  useEffect(() => {
    arrived.current = onPicture;
  });
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const outcome = await sendPicture(chosen);
    if ("problem" in outcome) tellProblem(outcome.problem);
    else arrived.current(outcome.media);
  };
  const input = (
    <input
      ref={file}
      type="file"
      accept="image/png,image/jpeg,image/gif,image/webp"
      aria-label={name}
      hidden
      onChange={(event) => {
        void take(event.target.files?.[0]);
        event.target.value = "";
      }}
    />
  );
  return { input, choose: () => file.current?.click() };
}
