"use client";
import { ImagePlus, Plus, Type } from "lucide-react";
import { newDrawing } from "@/core/drawing/drawing";
import { manipulativeNames, newManipulative } from "@/core/manipulative/manipulative";
import { shippedFilms, silence } from "@/core/media/shipped";
import { useEffect, useMemo, useRef } from "react";
import type { Block } from "@/core/resource/block";
import type { Step } from "@/core/resource/document";
import { moveBlock, putBlock, removeBlock, type NewId } from "@/core/resource/edit";
import { newQuestion } from "@/core/question/new-question";
import { inLanguage } from "@/core/content/language";
import { richText } from "@/core/content/rich-text";
import type { QuestionType } from "@/core/question/question";
import { most } from "@/core/content/vocabulary";
import { Button } from "@/ui/button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "@/ui/menu";
import { tell } from "@/ui/toast";
import { pictureSize } from "../media/picture-size";
import { useFile } from "../media/use-file";
import { toolNames } from "../step/manipulative/tool-names";
import { BlockEditor, type BlockActs } from "./editors/block-editor";
import { InstructionsEditor, type Me } from "./media/instructions-editor";
import { questionKinds } from "@/core/question/kinds";

/** One step in the middle of the page: everything students see of it, edited where it stands. */
export function StepEditor({
  step,
  languages,
  newId,
  me,
  onChange,
  onRestore,
}: {
  step: Step;
  me: Me;
  languages: readonly string[];
  newId: NewId;
  onChange: (step: Step, kind?: string) => void;
  /** Puts a removed block back where it was, whatever has changed since. */
  onRestore: (block: Block, at: number) => void;
}) {
  const language = languages[0]!;
  const latest = useRef({ step, onChange, onRestore });
  useEffect(() => {
    latest.current = { step, onChange, onRestore };
  });
  // A picture may arrive long after it was chosen: it goes to the step as it is by then.
  const add = (block: Block) => latest.current.onChange(putBlock(latest.current.step, block));
  const addQuestion = (type: QuestionType) =>
    add({ id: newId(), type: "question", question: newQuestion(type, language, newId) });
  const picture = useFile({
    name: "Picture file",
    onFile: (media, file) =>
      void pictureSize(file).then((size) =>
        add({ id: newId(), type: "picture", media, size, description: {}, decorative: false }),
      ),
  });
  const full = step.blocks.length >= most.blocks;
  const [film] = shippedFilms;
  const act = useMemo<BlockActs>(
    () => ({
      change: (changed, kind) => latest.current.onChange(putBlock(latest.current.step, changed), kind),
      move: (id, by) => latest.current.onChange(moveBlock(latest.current.step, id, by)),
      remove: (id) => {
        const { blocks } = latest.current.step;
        const at = blocks.findIndex((block) => block.id === id);
        latest.current.onChange(removeBlock(latest.current.step, id));
        tell("Removed.", () => latest.current.onRestore(blocks[at]!, at));
      },
    }),
    [],
  );
  return (
    <div className="mx-auto grid max-w-3xl gap-4">
      <input
        type="text"
        aria-label="Title of the step"
        value={inLanguage(step.title, languages) ?? ""}
        placeholder="Title of the step"
        maxLength={200}
        onChange={(event) =>
          onChange({ ...step, title: { ...step.title, [language]: event.target.value } }, `title-${step.id}`)
        }
        className="w-full rounded-[4px] bg-transparent px-1 font-child text-[20px] font-bold hover:ring-1 hover:ring-line"
      />
      <InstructionsEditor step={step} language={language} me={me} onChange={onChange} />
      {step.blocks.map((block, at) => (
        <BlockEditor
          key={block.id}
          block={block}
          languages={languages}
          newId={newId}
          first={at === 0}
          last={at === step.blocks.length - 1}
          me={me}
          act={act}
        />
      ))}
      {full && (
        <p className="text-[13px] text-ink-soft">
          {most.blocks} things are the most a step can have. Make another step to go on.
        </p>
      )}
      <fieldset disabled={full} className="contents">
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => add({ id: newId(), type: "text", text: { [language]: richText("") } })}>
            <Type size={16} aria-hidden /> Text
          </Button>
          <Button onClick={picture.choose}>
            <ImagePlus size={16} aria-hidden /> Picture
          </Button>
          {picture.input}
          <Menu align="start" trigger={<Button>Question …</Button>}>
            {(Object.keys(questionKinds) as QuestionType[]).map((type) => (
              <MenuItem key={type} onSelect={() => addQuestion(type)}>
                {questionKinds[type].name}
              </MenuItem>
            ))}
          </Menu>
          <Menu
            align="start"
            trigger={
              <Button>
                <Plus size={16} aria-hidden /> More …
              </Button>
            }
          >
            <MenuItem
              onSelect={() =>
                add({
                  id: newId(),
                  type: "film",
                  media: film!.media,
                  title: film!.title,
                  captions: film!.captions,
                  stops: [],
                })
              }
            >
              Film
            </MenuItem>
            <MenuItem onSelect={() => add({ id: newId(), type: "drawing", drawing: newDrawing() })}>Drawing</MenuItem>
            <MenuItem onSelect={() => add({ id: newId(), type: "sound", media: silence, seconds: 0 })}>
              Something to listen to
            </MenuItem>
            <MenuItem
              onSelect={() =>
                add({
                  id: newId(),
                  type: "table",
                  rows: {
                    [language]: [
                      ["", ""],
                      ["", ""],
                    ],
                  },
                  headerRow: true,
                  headerColumn: false,
                })
              }
            >
              Table
            </MenuItem>
            <MenuItem
              onSelect={() => add({ id: newId(), type: "maths", tex: "\\frac{3}{4}", spoken: { [language]: "" } })}
            >
              Maths
            </MenuItem>
            <MenuItem onSelect={() => add({ id: newId(), type: "link", href: "https://example.org/", label: {} })}>
              A page to open
            </MenuItem>
            <MenuLine />
            <MenuLabel>Things to find out with</MenuLabel>
            {manipulativeNames.map((name) => (
              <MenuItem
                key={name}
                onSelect={() => add({ id: newId(), type: "manipulative", tool: newManipulative(name, language) })}
              >
                {toolNames[name]}
              </MenuItem>
            ))}
          </Menu>
        </div>
      </fieldset>
    </div>
  );
}
