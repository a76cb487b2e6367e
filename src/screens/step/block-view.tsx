"use client";
import { ExternalLink } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { Block, BlockOf } from "@/core/resource/block";
import { shippedSizes } from "@/core/media/shipped";
import { inLanguage } from "@/core/content/language";
import { SoundPlayer } from "../media/sound-player";
import { DrawingView } from "./drawn";
import { ManipulativeView } from "./manipulative/manipulative-view";
import { Maths } from "./maths-later";
import { mediaAddress } from "./media";
import { Rich } from "./rich";
import { useTranslations } from "use-intl";

function Table({ block, languages }: { block: BlockOf<"table">; languages: readonly string[] }) {
  const t = useTranslations("read");
  const rows = inLanguage(block.rows, languages) ?? [];
  const caption = inLanguage(block.caption, languages);
  const [first, ...rest] = block.headerRow ? rows : [undefined, ...rows];
  // On a phone five columns of times fit; what does not is said, because a phone shows no bar to scroll with.
  const cell = "border border-line px-1.5 py-1.5 sm:px-3";
  const box = useRef<HTMLDivElement>(null);
  const [wider, setWider] = useState(false);
  useEffect(() => {
    const { current } = box;
    if (!current) return;
    const watch = new ResizeObserver(() => setWider(current.scrollWidth > current.clientWidth + 1));
    watch.observe(current);
    return () => watch.disconnect();
  }, []);
  return (
    <div ref={box} className="overflow-x-auto" tabIndex={0} role="group" aria-label={caption ?? t("table")}>
      {wider && <p className="sticky left-0 mb-1 text-[0.8em] text-ink-soft">{t("swipe")}</p>}
      <table className="numbers border-collapse bg-card">
        {caption && <caption className="caption-bottom pt-1 text-left text-[0.85em] text-ink-soft">{caption}</caption>}
        {first && (
          <thead>
            <tr>
              {first.map((text, at) =>
                text ? (
                  <th key={at} scope="col" className={`${cell} bg-shade text-left font-normal`}>
                    {text}
                  </th>
                ) : (
                  <td key={at} className={`${cell} bg-shade`} />
                ),
              )}
            </tr>
          </thead>
        )}
        <tbody>
          {rest.map((row, at) => (
            <tr key={at}>
              {row!.map((text, nth) =>
                nth === 0 && block.headerColumn ? (
                  <th key={nth} scope="row" className={`${cell} bg-shade text-left font-normal`}>
                    {text}
                  </th>
                ) : (
                  <td key={nth} className={cell}>
                    {text}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A block that asks nothing, as students see it. */
export function BlockView({
  block,
  languages,
}: {
  block: Exclude<Block, { type: "question" | "film" }>;
  languages: readonly string[];
}) {
  const t = useTranslations("read");
  switch (block.type) {
    case "text":
      return <Rich text={inLanguage(block.text, languages)} />;
    case "picture": {
      const caption = inLanguage(block.caption, languages);
      const size = block.size ?? shippedSizes[block.media];
      return (
        <figure>
          {/* Drawings and stored files are served as they are; an optimiser would only stand between. */}
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img
            src={mediaAddress(block.media)}
            // Room for it before it has come: its own width, or what 20 rem of height leave of it.
            style={
              size && {
                width: `min(100%, ${size[0]}px, ${(20 * size[0]) / size[1]}rem)`,
                aspectRatio: `${size[0]} / ${size[1]}`,
              }
            }
            alt={block.decorative ? "" : (inLanguage(block.description, languages) ?? "")}
            className="max-h-80 max-w-full rounded-card border border-line bg-white"
          />
          {caption && <figcaption className="mt-1 text-[0.85em] text-ink-soft">{caption}</figcaption>}
        </figure>
      );
    }
    case "table":
      return <Table block={block} languages={languages} />;
    case "link":
      return (
        <a
          href={block.href}
          target="_blank"
          rel="noreferrer"
          className="inline-flex items-center gap-1.5 text-green underline"
        >
          <ExternalLink size={16} aria-hidden /> {inLanguage(block.label, languages)}
          <span className="heard"> {t("newWindow")}</span>
        </a>
      );
    case "maths":
      return (
        <div className="overflow-x-auto py-1">
          <Maths tex={block.tex} spoken={inLanguage(block.spoken, languages) ?? ""} display />
        </div>
      );
    case "sound": {
      const transcript = inLanguage(block.transcript, languages);
      return (
        <div className="grid gap-2 rounded-card border border-line bg-card p-3">
          <SoundPlayer media={block.media} name={t("recording")} seconds={block.seconds ?? 0} large>
            {block.speaker?.kept && (
              <span className="text-[0.85em] text-ink-soft">{t("readBy", { name: block.speaker.name })}</span>
            )}
          </SoundPlayer>
          {transcript && (
            <details>
              <summary className="cursor-pointer text-ink-soft">{t("transcript")}</summary>
              <p className="mt-2 whitespace-pre-line">{transcript}</p>
            </details>
          )}
        </div>
      );
    }
    case "file":
      return (
        <a href={mediaAddress(block.media)} className="text-green underline">
          {inLanguage(block.label, languages)}
        </a>
      );
    case "drawing":
      return <DrawingView drawing={block.drawing} languages={languages} />;
    case "manipulative":
      return <ManipulativeView tool={block.tool} languages={languages} />;
  }
}
