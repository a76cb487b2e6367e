"use client";
import { clsx } from "clsx";
import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import { fewestPieces, inWhole, piecesOf, formatMoney, totalOf, type OnTable } from "@/core/manipulative/coins";
import { reduced, tilt, trade, worthOf, type Blocks } from "@/core/manipulative/compute";
import { inLanguage } from "@/core/content/language";
import { useTranslations } from "use-intl";
import { press, type ManipulativeProps } from "./props";

/** Bars of one length cut into equal parts: press a part to shade up to it. */
export function PartBarsView({ tool, onNumber }: ManipulativeProps<"bars">) {
  const t = useTranslations("tool");
  const [shaded, setShaded] = useState<number[]>(tool.parts.map(() => 0));
  const shade = (bar: number, count: number) => {
    const next = shaded.map((old, at) => (at === bar ? (old === count ? count - 1 : count) : old));
    setShaded(next);
    onNumber(next.reduce((sum, one, at) => sum + one / tool.parts[at]!, 0));
  };
  return (
    <div className="grid grid-cols-1 gap-3">
      {tool.parts.map((parts, bar) => {
        const part = { numerator: shaded[bar]!, denominator: parts };
        const least = reduced(part);
        return (
          <div key={bar} className="grid items-center gap-2 sm:grid-cols-[1fr_8.5rem]">
            <div role="group" aria-label={t("bar", { number: bar + 1, parts })} className="flex border-2 border-ink">
              {Array.from({ length: parts }, (_, at) => (
                <button
                  key={at}
                  type="button"
                  aria-pressed={at < shaded[bar]!}
                  aria-label={t("part", { number: at + 1, parts })}
                  onClick={() => shade(bar, at + 1)}
                  className={clsx(
                    "h-14 flex-1 border-ink not-first:border-l",
                    at < shaded[bar]! ? "bg-slate" : "bg-card",
                  )}
                />
              ))}
            </div>
            <output className="numbers">
              {part.numerator}/{part.denominator}
              {least.denominator !== parts && part.numerator > 0 && ` = ${least.numerator}/${least.denominator}`}
            </output>
          </div>
        );
      })}
    </div>
  );
}

const places = ["ones", "tens", "hundreds", "thousands"] as const;
/** The side of each block, so that ten of one make one of the next in size: a cube, a rod, a flat, a large cube. */
const blockLook = ["h-3.5 w-3.5", "h-16 w-3.5", "h-16 w-16", "h-16 w-16 shadow-[4px_-4px_0_var(--slate)]"];
const MOST_BLOCKS = 19;

export function BaseTenView({ tool, onNumber, languages }: ManipulativeProps<"base ten">) {
  const t = useTranslations("tool");
  const [blocks, setBlocks] = useState<Blocks>(() => Array<number>(tool.places).fill(0));
  const put = (next: Blocks | null) => {
    if (!next) return;
    setBlocks(next);
    onNumber(worthOf(next));
  };
  const more = (place: number, by: number) => put(blocks.map((count, at) => (at === place ? count + by : count)));
  return (
    <div className="grid grid-cols-1 gap-3">
      <div className="flex flex-row-reverse justify-end gap-1.5 overflow-x-auto @md:gap-3">
        {blocks.map((count, place) => (
          <section
            key={place}
            aria-label={t(places[place]!)}
            className="grid min-w-[4.75rem] flex-1 grid-cols-1 content-between gap-2 rounded-card border border-line bg-card p-1.5 text-ink @md:p-2"
          >
            <p className="flex flex-wrap items-baseline justify-between gap-x-2 text-[0.9em]">
              {t(places[place]!)} <output className="numbers text-[1.2em] font-semibold">{count}</output>
            </p>
            <div aria-hidden className="flex min-h-20 flex-wrap content-start items-end gap-1.5 pt-1 pr-1">
              {Array.from({ length: count }, (_, at) => (
                <span key={at} className={clsx("border border-ink bg-slate-wash", blockLook[place])} />
              ))}
            </div>
            <div className="grid gap-1">
              <div className="flex flex-col-reverse gap-1 @md:flex-row">
                <button
                  type="button"
                  className={clsx(press, "flex-1")}
                  aria-label={t("oneAway", { blocks: t(places[place]!) })}
                  disabled={count === 0}
                  onClick={() => more(place, -1)}
                >
                  <Minus size={18} aria-hidden />
                </button>
                <button
                  type="button"
                  className={clsx(press, "flex-1")}
                  aria-label={t("oneMore", { blocks: t(places[place]!) })}
                  disabled={count >= MOST_BLOCKS}
                  onClick={() => more(place, 1)}
                >
                  <Plus size={18} aria-hidden />
                </button>
              </div>
              {place + 1 < blocks.length && (
                <button
                  type="button"
                  className={clsx(press, "!px-1 leading-tight")}
                  disabled={count < 10}
                  onClick={() => put(trade(blocks, place, "up"))}
                >
                  {t("tenMakeOne")}
                </button>
              )}
              {place > 0 && (
                <button
                  type="button"
                  className={clsx(press, "!px-1 leading-tight")}
                  disabled={count === 0 || blocks[place - 1]! + 10 > MOST_BLOCKS}
                  onClick={() => put(trade(blocks, place, "down"))}
                >
                  {t("oneMakesTen")}
                </button>
              )}
            </div>
          </section>
        ))}
      </div>
      <output className="numbers text-[1.2em] font-semibold">{worthOf(blocks).toLocaleString(languages[0])}</output>
    </div>
  );
}

const BEAM_DEGREES = 12;

export function BalanceView({ tool, onNumber, languages }: ManipulativeProps<"balance">) {
  const t = useTranslations("tool");
  const [on, setOn] = useState<number[]>([]);
  const left = tool.left.reduce((sum, one) => sum + one.weight, 0);
  const right = on.reduce((sum, weight) => sum + weight, 0);
  const hangs = tilt(left, right);
  const put = (next: number[]) => {
    setOn(next);
    onNumber(next.reduce((sum, weight) => sum + weight, 0));
  };
  const say = (weight: number) => `${weight.toLocaleString(languages[0])} ${tool.unit}`;
  const drop = (side: -1 | 1) => side * hangs * 18;
  return (
    <div className="grid grid-cols-1 gap-3">
      <svg viewBox="0 0 400 170" aria-hidden className="w-full max-w-xl rounded-card border border-line bg-card">
        <path d="M 200 40 L 185 160 L 215 160 Z" className="fill-line-strong" />
        <g style={{ transform: `rotate(${hangs * BEAM_DEGREES}deg)`, transformOrigin: "200px 40px" }}>
          <line x1={80} x2={320} y1={40} y2={40} className="stroke-[#23211d]" strokeWidth={6} strokeLinecap="round" />
        </g>
        <circle cx={200} cy={40} r={8} fill="#23211d" />
        {([-1, 1] as const).map((side) => {
          const [x, y] = [200 + side * 118, 40 + drop(side) + 14];
          return (
            <g key={side} stroke="#23211d" strokeWidth={1.5} fill="none">
              <path
                d={`M ${x} ${40 + drop(side)} L ${x - 40} ${y + 50} M ${x} ${40 + drop(side)} L ${x + 40} ${y + 50}`}
              />
              <path d={`M ${x - 48} ${y + 50} q 48 22 96 0 z`} fill="#E2D9C6" />
              {side === -1
                ? tool.left.map((thing, at) => (
                    <g key={at}>
                      <rect x={x - 34 + at * 24} y={y + 26} width={22} height={24} fill="#3C5A73" />
                      <text x={x} y={y + 84 + at * 14} textAnchor="middle" fontSize={13} fill="#23211D" stroke="none">
                        {inLanguage(thing.name, languages) ?? "?"}
                      </text>
                    </g>
                  ))
                : on
                    .slice(0, 12)
                    .map((_, at) => (
                      <rect
                        key={at}
                        x={x - 36 + (at % 6) * 12}
                        y={y + 38 - Math.floor(at / 6) * 14}
                        width={11}
                        height={12}
                        fill="#5E574B"
                        strokeWidth={1}
                      />
                    ))}
            </g>
          );
        })}
      </svg>
      <p role="status">
        {t(hangs === 0 ? "level" : hangs < 0 ? "leftHeavier" : "rightHeavier")}{" "}
        <span className="numbers">{t("onTheRight", { weight: say(right) })}</span>
      </p>
      <div className="flex flex-wrap gap-2" role="group" aria-label={t("weights")}>
        {tool.weights.map((weight, at) => (
          <button
            key={at}
            type="button"
            className={press}
            onClick={() => put([...on, weight])}
            disabled={on.length >= 40}
          >
            + {say(weight)}
          </button>
        ))}
        <button type="button" className={press} disabled={on.length === 0} onClick={() => put(on.slice(0, -1))}>
          {t("lastAway")}
        </button>
      </div>
    </div>
  );
}

export function CoinsView({ tool, onNumber, languages }: ManipulativeProps<"coins">) {
  const t = useTranslations("tool");
  const [table, setTable] = useState<OnTable>({});
  const pieces = piecesOf(tool.currency, tool.pieces);
  const total = totalOf(table);
  const say = (amount: number) => formatMoney(amount, tool.currency, languages[0] ?? "en");
  const put = (next: OnTable) => {
    setTable(next);
    onNumber(inWhole(totalOf(next), tool.currency));
  };
  const count = (worth: number) => table[worth] ?? 0;
  const fewest = fewestPieces(
    total,
    pieces.map(({ worth }) => worth),
  );
  const laid = Object.values(table).reduce((sum, one) => sum + one, 0);
  const couldBe = Object.values(fewest ?? {}).reduce((sum, one) => sum + one, 0);
  return (
    <div className="grid grid-cols-1 gap-3">
      <div className="flex flex-wrap gap-2" role="group" aria-label={t("money")}>
        {pieces.map(({ worth, is }) => (
          <button
            key={worth}
            type="button"
            aria-label={t(is, { worth: say(worth) })}
            onClick={() => put({ ...table, [worth]: count(worth) + 1 })}
            className={clsx(
              "numbers grid min-h-12 place-items-center border-2 px-2 text-[0.85em] font-semibold",
              is === "coin"
                ? "h-14 w-14 rounded-full border-line-strong bg-shade !px-0"
                : "h-12 min-w-20 rounded-[4px] border-green bg-green-wash",
            )}
          >
            {say(worth)}
          </button>
        ))}
      </div>
      <div className="min-h-24 rounded-card border-2 border-dashed border-line-strong p-3">
        {laid === 0 && <p className="text-ink-soft">{t("emptyTable")}</p>}
        <ul className="flex flex-wrap gap-2">
          {pieces
            .filter(({ worth }) => count(worth) > 0)
            .map(({ worth, is }) => (
              <li key={worth}>
                <button
                  type="button"
                  aria-label={t("takeAway", { piece: t(is, { worth: say(worth) }), count: count(worth) })}
                  onClick={() => put({ ...table, [worth]: count(worth) - 1 })}
                  className={press}
                >
                  <span className="numbers">
                    {count(worth)} × {say(worth)}
                  </span>
                  <Minus size={16} aria-hidden />
                </button>
              </li>
            ))}
        </ul>
      </div>
      <p role="status" className="numbers">
        <strong className="text-[1.2em]">{say(total)}</strong>{" "}
        {laid > 0 && couldBe < laid && <span className="text-ink-soft">{t("couldBe", { count: couldBe })}</span>}
      </p>
      {laid > 0 && (
        <button type="button" className={clsx(press, "justify-self-start")} onClick={() => put({})}>
          {t("clearTable")}
        </button>
      )}
    </div>
  );
}
