import { clsx } from "clsx";
import { Backpack } from "lucide-react";
import type { CSSProperties, ReactNode, Ref } from "react";

/**
 * The columns of a list of resources; the header and every line share them. On a narrow screen the title, grades and minutes are
 * left of them.
 */
export const lineColumns =
  "grid grid-cols-[minmax(0,1fr)_6.25rem_2.75rem_2.25rem_3.75rem_4rem] items-center gap-1.5 max-md:grid-cols-[minmax(0,1fr)_2.75rem_2.25rem] max-md:[&>:nth-child(2)]:hidden max-md:[&>:nth-child(n+5)]:hidden";

/**
 * One resource as a line: not a card, so that eight can be compared at a glance. `mine` puts the satchel's brass beside
 * whose it is.
 */
export function Line({
  title,
  from,
  fromText,
  mine,
  selected,
  onOpen,
  children,
  before,
  over,
  after,
  indented,
  style,
  place,
}: {
  title: string;
  from: ReactNode;
  /** The whole of `from` as text, for where it is cut off. */
  fromText?: string;
  mine: boolean;
  selected: boolean;
  onOpen: () => void;
  /** The cells after the first column. */
  children: ReactNode;
  before?: ReactNode;
  /** Over the whole line, for nothing to press: where something can be put down. */
  over?: ReactNode;
  /** Something to press under the title; it lies above the line's own button. */
  after?: ReactNode;
  indented?: boolean;
  style?: CSSProperties;
  /** Where only the lines in sight are there: which of how many it is, and who measures it. */
  place?: { at: number; of: number; measure: Ref<HTMLLIElement> };
}) {
  return (
    <li
      style={style}
      ref={place?.measure}
      data-index={place?.at}
      aria-posinset={place && place.at + 1}
      aria-setsize={place?.of}
      className={clsx(
        "relative flex min-h-[54px] items-center border-b border-line pl-4 pr-3",
        selected ? "bg-shade shadow-[inset_3px_0_0_var(--ink)]" : "hover:bg-shade/50",
      )}
    >
      {over}
      {before && <span className="relative z-10 mr-3 flex">{before}</span>}
      <div className={clsx(lineColumns, "flex-1 py-1.5")}>
        <div className={clsx("min-w-0", indented && "border-l-2 border-line pl-3")}>
          {/* The button covers the whole line, so that anywhere on it opens; what is in `before` lies above. */}
          <button
            type="button"
            aria-current={selected || undefined}
            onClick={onOpen}
            className="block w-full text-left leading-tight font-semibold before:absolute before:inset-0 before:content-['']"
          >
            <span className="line-clamp-2">{title}</span>
          </button>
          <p className="flex items-center gap-1 truncate text-[12px] text-ink-soft">
            {mine && (
              <span className="text-brass-text">
                <Backpack size={13} aria-hidden />
                <span className="heard">in my satchel, </span>
              </span>
            )}
            <span className="truncate" title={fromText}>
              {from}
            </span>
          </p>
          {after && <p className="relative z-10 leading-tight">{after}</p>}
        </div>
        {children}
      </div>
    </li>
  );
}
