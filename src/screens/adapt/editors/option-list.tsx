"use client";
import { ArrowDown, ArrowUp, ImagePlus, Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import { inLanguage } from "@/core/content/language";
import type { Option } from "@/core/question/question";
import { most } from "@/core/content/vocabulary";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { useFile } from "@/screens/media/use-file";
import { mediaAddress } from "@/screens/step/media";

/** Options to write: one a line, with what marks it as right in front. `onMove` only where order means something. */
export function OptionList({
  name,
  options,
  languages,
  before,
  pictures = false,
  onText,
  onAdd,
  onRemove,
  onMove,
}: {
  name: string;
  options: readonly Option[];
  languages: readonly string[];
  before?: (option: Option, at: number) => ReactNode;
  /** Each may be a picture; its words stand under it. */
  pictures?: boolean;
  onText: (option: Option) => void;
  onAdd: () => void;
  onRemove: (id: string) => void;
  onMove?: (from: number, to: number) => void;
}) {
  return (
    <div className="grid gap-2">
      <ul className="grid gap-2">
        {options.map((option, at) => (
          <li key={option.id} className="flex items-center gap-2">
            {before?.(option, at)}
            <input
              type="text"
              aria-label={`${name} ${at + 1}`}
              value={inLanguage(option.text, languages) ?? ""}
              placeholder={`${name} ${at + 1}`}
              maxLength={400}
              onChange={(event) => onText({ ...option, text: { ...option.text, [languages[0]!]: event.target.value } })}
              className={`${inputClasses} font-child`}
            />
            {pictures && <OptionPicture name={`${name} ${at + 1}`} option={option} onOption={onText} />}
            {onMove && (
              <>
                <IconButton name={`${name} ${at + 1} up`} small disabled={at === 0} onClick={() => onMove(at, at - 1)}>
                  <ArrowUp size={15} aria-hidden />
                </IconButton>
                <IconButton
                  name={`${name} ${at + 1} down`}
                  small
                  disabled={at === options.length - 1}
                  onClick={() => onMove(at, at + 1)}
                >
                  <ArrowDown size={15} aria-hidden />
                </IconButton>
              </>
            )}
            <IconButton
              name={`Remove ${name.toLowerCase()} ${at + 1}`}
              small
              disabled={options.length <= 1}
              onClick={() => onRemove(option.id)}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <div>
        <Button size="small" look="quiet" disabled={options.length >= most.options} onClick={onAdd}>
          <Plus size={15} aria-hidden /> {name}
        </Button>
        {options.length >= most.options && (
          <span className="text-[13px] text-ink-soft">{most.options} are the most.</span>
        )}
      </div>
    </div>
  );
}

function OptionPicture({
  name,
  option,
  onOption,
}: {
  name: string;
  option: Option;
  onOption: (option: Option) => void;
}) {
  const file = useFile({
    name: `Picture of ${name.toLowerCase()}`,
    onFile: (picture) => onOption({ ...option, picture }),
  });
  return (
    <>
      {file.input}
      {option.picture ? (
        <button
          type="button"
          title="Without the picture"
          aria-label={`${name} without its picture`}
          onClick={() => onOption({ ...option, picture: undefined })}
          className="h-9 w-12 shrink-0 overflow-hidden rounded-[4px] border border-line bg-white"
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- stored files are served as they are */}
          <img src={mediaAddress(option.picture)} alt="" className="h-full w-full object-contain" />
        </button>
      ) : (
        <IconButton name={`A picture for ${name.toLowerCase()}`} small disabled={file.sending} onClick={file.choose}>
          <ImagePlus size={15} aria-hidden />
        </IconButton>
      )}
    </>
  );
}
