"use client";
import { ImagePlus } from "lucide-react";
import { useRef, useState } from "react";
import type { Block, BlockOf } from "@/core/resource/block";
import { inLanguage } from "@/core/resource/language";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { BlockView } from "../step/block-view";
import { sendPicture } from "./send-picture";

/** A picture: its file, what it shows for those who do not see it, its caption. */
export function PictureEditor({
  block,
  languages,
  onChange,
}: {
  block: BlockOf<"picture">;
  languages: readonly string[];
  onChange: (block: Block, kind?: string) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const language = languages[0]!;
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const outcome = await sendPicture(chosen);
    if ("problem" in outcome) return setProblem(outcome.problem);
    setProblem(null);
    onChange({ ...block, media: outcome.media });
  };
  return (
    <div className="grid gap-3">
      <BlockView block={{ ...block, caption: undefined }} languages={languages} />
      {problem && <Notice tone="warning">{problem}</Notice>}
      <input
        ref={file}
        type="file"
        accept="image/png,image/jpeg,image/gif,image/webp"
        hidden
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <div className="flex items-center gap-4">
        <Button size="small" onClick={() => file.current?.click()}>
          <ImagePlus size={15} aria-hidden /> Another picture
        </Button>
        <label className="flex items-center gap-2">
          <Checkbox
            label="only decoration"
            checked={block.decorative}
            onChange={(decorative) => onChange({ ...block, decorative })}
          />{" "}
          only decoration
        </label>
      </div>
      {!block.decorative && (
        <Field label="What it shows, for those who do not see it">
          {(control) => (
            <TextInput
              {...control}
              value={inLanguage(block.description, languages) ?? ""}
              maxLength={1000}
              onChange={(event) =>
                onChange(
                  { ...block, description: { ...block.description, [language]: event.target.value } },
                  `description-${block.id}`,
                )
              }
            />
          )}
        </Field>
      )}
      <Field label="Caption">
        {(control) => (
          <TextInput
            {...control}
            value={inLanguage(block.caption, languages) ?? ""}
            maxLength={400}
            onChange={(event) =>
              onChange(
                { ...block, caption: { ...block.caption, [language]: event.target.value } },
                `caption-${block.id}`,
              )
            }
          />
        )}
      </Field>
    </div>
  );
}
