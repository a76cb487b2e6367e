import { wordsChanged } from "@/core/resource/words-changed";

/** What went is struck through, what came is underlined: told apart without colour too. */
export function WordsChangedView({ before, after }: { before: string; after: string }) {
  return (
    <p className="font-child text-[14px] leading-relaxed whitespace-pre-wrap">
      {wordsChanged(before, after).map((run, at) =>
        run.is === "new" ? (
          <ins key={at} className="bg-green-wash decoration-green decoration-2">
            {run.text}
          </ins>
        ) : run.is === "gone" ? (
          <del key={at} className="bg-clay-wash text-ink-soft">
            {run.text}
          </del>
        ) : (
          <span key={at}>{run.text}</span>
        ),
      )}
    </p>
  );
}
