"use client";
import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { later } from "@/ui/later";
import { memo } from "react";
import type { Block } from "@/core/resource/block";
import type { NewId } from "@/core/resource/edit";
import { inLanguage } from "@/core/content/language";
import { IconButton } from "@/ui/icon-button";
import { toolNames } from "@/screens/step/manipulative/tool-names";
import type { Me } from "../media/instructions-editor";
import { questionKinds } from "@/core/question/kinds";
import { QuestionEditor } from "./question-editor";
import { RichEditor } from "../writing/rich-editor";

// Read when a step has one: most are text and questions, and the editor opens without the others.
const BlockView = later(() => import("@/screens/step/block-view").then((part) => part.BlockView));
const DrawingBlockEditor = later(() => import("../drawing/drawing-block").then((part) => part.DrawingBlockEditor));
const FilmEditor = later(() => import("../media/film-editor").then((part) => part.FilmEditor));
const LinkEditor = later(() => import("../media/media-editors").then((part) => part.LinkEditor));
const ManipulativeEditor = later(() => import("./manipulative-editor").then((part) => part.ManipulativeEditor));
const MathsEditor = later(() => import("../media/media-editors").then((part) => part.MathsEditor));
const PictureEditor = later(() => import("../media/picture-editor").then((part) => part.PictureEditor));
const SoundEditor = later(() => import("../media/media-editors").then((part) => part.SoundEditor));
const TableEditor = later(() => import("./table-editor").then((part) => part.TableEditor));

/** What can be done with a block. The same object at every rendering: a key typed in one block draws no other anew. */
export interface BlockActs {
  change: (block: Block, kind?: string) => void;
  move: (id: string, by: -1 | 1) => void;
  remove: (id: string) => void;
}

/** One block of a step, edited where it stands. */
export const BlockEditor = memo(function BlockEditor({
  block,
  languages,
  newId,
  first,
  last,
  me,
  act,
}: {
  block: Block;
  languages: readonly string[];
  newId: NewId;
  first: boolean;
  last: boolean;
  me: Me;
  act: BlockActs;
}) {
  const onChange = act.change;
  const name =
    block.type === "question"
      ? questionKinds[block.question.type].name
      : block.type === "manipulative"
        ? toolNames[block.tool.tool]
        : block.type[0]!.toUpperCase() + block.type.slice(1);
  const language = languages[0]!;
  return (
    <section
      id={`block-${block.id}`}
      aria-label={name}
      tabIndex={-1}
      className="rounded-card border border-line bg-card"
    >
      <header className="flex h-8 items-center gap-1 border-b border-line pr-1 pl-3 text-[13px] text-ink-soft">
        <span className="flex-1">{name}</span>
        <IconButton name={`${name}: up`} small disabled={first} onClick={() => act.move(block.id, -1)}>
          <ArrowUp size={14} aria-hidden />
        </IconButton>
        <IconButton name={`${name}: down`} small disabled={last} onClick={() => act.move(block.id, 1)}>
          <ArrowDown size={14} aria-hidden />
        </IconButton>
        <IconButton name={`Remove: ${name}`} small onClick={() => act.remove(block.id)}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </header>
      <div className="p-3">
        {block.type === "question" ? (
          <QuestionEditor
            question={block.question}
            languages={languages}
            newId={newId}
            onChange={(question, kind) => onChange({ ...block, question }, kind)}
          />
        ) : block.type === "text" ? (
          <RichEditor
            label="Text"
            className="font-child text-[16px]"
            value={inLanguage(block.text, languages)}
            placeholder="Write here …"
            onChange={(text) => onChange({ ...block, text: { ...block.text, [language]: text } }, `text-${block.id}`)}
          />
        ) : block.type === "picture" ? (
          <PictureEditor block={block} languages={languages} onChange={onChange} />
        ) : block.type === "table" ? (
          <TableEditor block={block} languages={languages} onChange={onChange} />
        ) : block.type === "film" ? (
          <FilmEditor block={block} languages={languages} newId={newId} onChange={onChange} />
        ) : block.type === "sound" ? (
          <SoundEditor
            block={block}
            languages={languages}
            me={me}
            onChange={onChange}
            onRemove={() => act.remove(block.id)}
          />
        ) : block.type === "maths" ? (
          <MathsEditor block={block} languages={languages} onChange={onChange} />
        ) : block.type === "link" ? (
          <LinkEditor block={block} languages={languages} onChange={onChange} />
        ) : block.type === "drawing" ? (
          <DrawingBlockEditor block={block} languages={languages} newId={newId} onChange={onChange} />
        ) : block.type === "manipulative" ? (
          <ManipulativeEditor
            tool={block.tool}
            languages={languages}
            onTool={(tool, kind) => onChange({ ...block, tool }, kind)}
          />
        ) : (
          <BlockView block={block} languages={languages} />
        )}
      </div>
    </section>
  );
});
