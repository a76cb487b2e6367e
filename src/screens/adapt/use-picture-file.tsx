"use client";
import { useRef } from "react";
import { tellProblem } from "@/ui/toast";
import { sendPicture } from "./send-picture";

/** A picture of hers, chosen from a file. */
export function usePictureFile(onPicture: (media: string) => void) {
  const file = useRef<HTMLInputElement>(null);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const outcome = await sendPicture(chosen);
    if ("problem" in outcome) tellProblem(outcome.problem);
    else onPicture(outcome.media);
  };
  const input = (
    <input
      ref={file}
      type="file"
      accept="image/png,image/jpeg,image/gif,image/webp"
      aria-label="Picture file"
      hidden
      onChange={(event) => {
        void take(event.target.files?.[0]);
        event.target.value = "";
      }}
    />
  );
  return { input, choose: () => file.current?.click() };
}
