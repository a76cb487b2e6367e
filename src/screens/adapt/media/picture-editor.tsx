"use client";
import { ImagePlus } from "lucide-react";
import type { Block, BlockOf } from "@/core/resource/block";
import { inLanguage } from "@/core/content/language";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { BlockView } from "@/screens/step/block-view";
import { PictureDescription } from "./picture-description";
import { pictureSize } from "@/screens/media/picture-size";
import { useFile } from "@/screens/media/use-file";

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
  const language = languages[0]!;
  const picture = useFile({
    onFile: (media, file) => void pictureSize(file).then((size) => onChange({ ...block, media, size })),
  });
  return (
    <div className="grid gap-3">
      <BlockView block={{ ...block, caption: undefined }} languages={languages} />
      {picture.input}
      <div className="flex items-center gap-4">
        <Button size="small" onClick={picture.choose}>
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
        <PictureDescription
          value={block.description}
          language={language}
          onText={(description) => onChange({ ...block, description }, `description-${block.id}`)}
        />
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
