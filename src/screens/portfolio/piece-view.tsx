"use client";
import type { PortfolioPiece } from "@/core/portfolio/piece";
import { SoundPlayer } from "../media/sound-player";
import { AnswerView } from "../step/question-view";

/** The answers of a piece as the child gave them: what was asked small, what was made large. */
export function PieceAnswers({ piece }: { piece: PortfolioPiece }) {
  return (
    <dl className="grid gap-3 font-child">
      {piece.answers.map(({ question, asks, step, said, made }) => (
        <div key={question}>
          <dt className="text-[0.85em] text-ink-soft [overflow-wrap:anywhere]">{asks || step}</dt>
          <dd className="mt-0.5 whitespace-pre-wrap [overflow-wrap:anywhere]">
            {made ? (
              <div className="max-w-xl">
                <AnswerView
                  question={made.question}
                  value={made.value}
                  languages={Object.keys(made.question.prompt)}
                  name={asks || step}
                />
              </div>
            ) : (
              said
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** Why the child put it in, in the child's own words and voice. */
export function PieceWhy({ piece, name }: { piece: PortfolioPiece; name: string }) {
  if (!piece.why && !piece.voice) return null;
  return (
    <div className="mt-3 grid justify-items-start gap-2 border-l-4 border-brass pl-3 font-child">
      {piece.why && <p className="whitespace-pre-wrap italic [overflow-wrap:anywhere]">{piece.why}</p>}
      {piece.voice && <SoundPlayer media={piece.voice.media} seconds={piece.voice.seconds} name={name} />}
    </div>
  );
}
