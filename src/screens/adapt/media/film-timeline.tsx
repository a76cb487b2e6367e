"use client";
import { Slider } from "radix-ui";
import { useEffect, useMemo, useState } from "react";
import { clockTime } from "@/core/media/captions";
import type { BlockOf, FilmStop } from "@/core/resource/block";
import { movedStop } from "@/core/resource/film";
import { mediaAddress } from "@/screens/step/media";

/** Pictures of moments of a film, where the browser lets it be looked into; `wanted`: the seconds, with commas between. */
export function useStills(media: string, wanted: string): Record<string, string> {
  const [stills, setStills] = useState<Record<string, string>>({});
  useEffect(() => {
    let left = false;
    const video = document.createElement("video");
    video.muted = true;
    video.preload = "auto";
    video.src = mediaAddress(media);
    const take = async () => {
      for (const at of wanted.split(",").filter(Boolean)) {
        await new Promise((resolve) => {
          video.addEventListener("seeked", resolve, { once: true });
          video.currentTime = Number(at);
        });
        if (left) return;
        const canvas = document.createElement("canvas");
        [canvas.width, canvas.height] = [128, 72];
        canvas.getContext("2d")?.drawImage(video, 0, 0, 128, 72);
        const still = canvas.toDataURL("image/webp", 0.7);
        setStills((old) => ({ ...old, [`${media} ${at}`]: still }));
      }
    };
    video.addEventListener("loadeddata", () => void take(), { once: true });
    return () => {
      left = true;
      video.removeAttribute("src");
    };
  }, [media, wanted]);
  return stills;
}

const STILLS = 10;

/** The whole film as pictures in a row, and on it the stops, to be moved by hand or with the arrow keys. */
export function FilmTimeline({
  block,
  length,
  onMove,
  onGo,
}: {
  block: BlockOf<"film">;
  /** Seconds of the whole file. */
  length: number;
  onMove: (stop: FilmStop, at: number) => void;
  /** Shows this moment of the film. */
  onGo: (at: number) => void;
}) {
  const moments = useMemo(
    () => Array.from({ length: STILLS }, (_, nth) => Math.round(((nth + 0.5) / STILLS) * length * 10) / 10),
    [length],
  );
  const stills = useStills(block.media, moments.join());
  const place = (seconds: number) => `${(Math.min(seconds, length) / length) * 100}%`;
  return (
    <div>
      <div className="relative">
        <div className="flex h-[42px] overflow-hidden rounded border border-line bg-shade" aria-hidden>
          {moments.map((at) => {
            const still = stills[`${block.media} ${at}`];
            return (
              <span key={at} className="h-full flex-1 overflow-hidden">
                {still && (
                  // eslint-disable-next-line @next/next/no-img-element -- a picture made here just now
                  <img src={still} alt="" className="h-full w-full object-cover" />
                )}
              </span>
            );
          })}
        </div>
        {/* What is cut off at either end stands in the shade. */}
        <span
          aria-hidden
          className="pointer-events-none absolute inset-y-0 left-0 bg-paper/75"
          style={{ width: place(block.from ?? 0) }}
        />
        <span
          aria-hidden
          className="pointer-events-none absolute inset-y-0 right-0 bg-paper/75"
          style={{ left: place(block.to ?? length) }}
        />
      </div>
      {block.stops.length > 0 && (
        <Slider.Root
          value={block.stops.map((stop) => stop.at)}
          min={0}
          max={length}
          step={0.1}
          onValueChange={(times) => {
            const moved = movedStop(block, times);
            if (!moved) return;
            onMove(moved.stop, moved.at);
            onGo(moved.at);
          }}
          className="relative flex h-7 touch-none items-center select-none"
        >
          <Slider.Track className="h-0.5 w-full bg-line" />
          {block.stops.map((stop, nth) => (
            <Slider.Thumb
              key={stop.id}
              aria-label={`Stop ${nth + 1} in the film`}
              aria-valuetext={clockTime(stop.at)}
              className="numbers grid h-6 min-w-6 cursor-ew-resize place-items-center rounded-full border-2 border-ink bg-card px-1 text-[12px] font-semibold"
            >
              {nth + 1}
            </Slider.Thumb>
          ))}
        </Slider.Root>
      )}
    </div>
  );
}
