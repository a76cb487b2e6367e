"use client";
import { useEffect, useRef, useState } from "react";
import type { MediaKind } from "@/core/media/sniff";
import { tellProblem } from "@/ui/toast";
import { formatSent } from "./post-file";
import { sendFile } from "./send-file";

const accepted: Record<MediaKind, string> = {
  picture: "image/png,image/jpeg,image/gif,image/webp",
  sound: "audio/*,.wav,.ogg,.oga,.mp3,.flac,.m4a,.webm",
  film: "video/webm,video/mp4,video/ogg,.webm,.mp4,.ogv",
  captions: ".vtt,text/vtt",
};

/** A file of hers, chosen from her device. Sending takes a while: what she changed meanwhile is not undone by its arrival. */
export function useFile({
  kind = "picture",
  name = "Another picture file",
  to,
  camera = false,
  onFile,
}: {
  kind?: MediaKind;
  name?: string;
  to?: string;
  /** On a phone or tablet, opens the camera at once. */
  camera?: boolean;
  onFile: (media: string, file: File) => void;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  const [share, setShare] = useState<number | null>(null);
  const arrived = useRef(onFile);
  useEffect(() => {
    arrived.current = onFile;
  });
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    setShare(0);
    const outcome = await sendFile(chosen, kind, to, setShare);
    setShare(null);
    if ("problem" in outcome) tellProblem(outcome.problem);
    else arrived.current(outcome.media, chosen);
  };
  const input = (
    <input
      ref={chooser}
      type="file"
      accept={accepted[kind]}
      {...(camera && { capture: "environment" as const })}
      aria-label={name}
      hidden
      onChange={(event) => {
        void take(event.target.files?.[0]);
        event.target.value = "";
      }}
    />
  );
  return {
    input,
    sending: share !== null,
    /** How far it is, to be said in place of what the button says. */
    said: share === null ? null : formatSent(share),
    choose: () => chooser.current?.click(),
  };
}
