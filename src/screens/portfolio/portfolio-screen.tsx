"use client";
import { clsx } from "clsx";
import { Download, HeartOff, Printer, Users } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { byYear, type PortfolioPiece } from "@/core/portfolio/piece";
import { putBackIntoPortfolio, takeOutOfPortfolio } from "@/screens/acts/portfolio";
import type { ChildPortfolio } from "@/server/portfolio/child-portfolio";
import { BlankSelect } from "@/ui/blank-select";
import { Button, buttonClasses } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { Menu, MenuItem } from "@/ui/menu";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { saveFile } from "../results/pdf-button";
import { ResultsPlaces } from "../results/results-places";
import { useAddress } from "../use-address";
import { useAhead } from "../use-ahead";
import { PieceAnswers, PieceWhy } from "./piece-view";
import { ShowPanel } from "./show-panel";

type Looks = "class" | "family";
const looks = [
  { value: "class", text: "As it is" },
  { value: "family", text: "As a family sees it" },
] as const;

const exports = [
  { ending: "pdf", text: "PDF" },
  { ending: "xlsx", text: "Excel (XLSX)" },
  { ending: "csv", text: "CSV" },
] as const;

/** What one child is proud of, over the years; some of it can be shown to a family by a link that ends. */
export function PortfolioScreen({
  portfolio,
  classes,
  group,
  students,
  student,
  zone,
  now,
}: {
  portfolio: ChildPortfolio;
  classes: readonly { id: number; name: string }[];
  group: number;
  students: readonly { id: number; name: string }[];
  student: number;
  zone: string;
  now: Date;
}) {
  const { pieces, forOthers, links } = portfolio;
  const router = useRouter();
  const { go } = useAddress();
  const ahead = useAhead(student);
  const [look, setLook] = useState<Looks>("class");
  const showable = forOthers.map(({ id }) => id);
  const [left, setLeft] = useState<readonly number[]>([]);
  const chosen = showable.filter((id) => !left.includes(id));
  const name = students.find(({ id }) => id === student)?.name ?? "";
  const show = (id: number, how?: "push") => {
    ahead.choose(id);
    go({ student: id }, how);
  };
  const move = (step: number) => {
    const next = students[students.findIndex(({ id }) => id === ahead.last()) + step];
    if (next) show(next.id);
  };
  useKeys({ j: () => move(1), k: () => move(-1) });
  const about = { class: group, student };
  const takeOut = async (piece: PortfolioPiece) => {
    const outcome = await takeOutOfPortfolio({ ...about, piece: piece.id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(`“${piece.title}” is out of the portfolio.`, () =>
      putBackIntoPortfolio({ ...about, piece: piece.id }).then((back) => {
        if (!back.ok) tellProblem(back.problem);
        router.refresh();
      }),
    );
  };
  const shown = look === "family" ? forOthers.filter(({ id }) => chosen.includes(id)) : pieces;
  const files = `/results/portfolio/${group}/${student}`;
  const hides = look === "family" ? "?names=none" : "";
  return (
    <div className="flex h-full flex-col print:block">
      <header className="border-b border-line px-5 pt-2 pb-3 max-md:px-3">
        <ResultsPlaces here="/results/portfolio" />
        <div className="mt-1 flex flex-wrap items-center gap-3">
          <h1 className="min-w-72 flex-1 font-serif text-[23px] leading-snug">
            What{" "}
            <BlankSelect
              name="Student"
              value={String(student)}
              options={students.map((one) => ({ value: String(one.id), text: one.name }))}
              onChange={(id) => show(Number(id), "push")}
            />{" "}
            of{" "}
            <BlankSelect
              name="Class"
              value={String(group)}
              options={classes.map((one) => ({ value: String(one.id), text: one.name }))}
              onChange={(id) => go({ class: id, student: null }, "push")}
            />{" "}
            is proud of
          </h1>
          <span className="not-printed flex gap-1" aria-hidden>
            <Key>k</Key>
            <Key>j</Key>
          </span>
          <Button className="not-printed" disabled={shown.length === 0} onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <Menu
            trigger={
              <button type="button" disabled={shown.length === 0} className={clsx(buttonClasses(), "not-printed")}>
                <Download size={16} aria-hidden /> Export
              </button>
            }
          >
            {exports.map(({ ending, text }) => (
              <MenuItem
                key={ending}
                onSelect={() => void saveFile(`${files}/${ending}${hides}`, `portfolio.${ending}`)}
              >
                {text}
              </MenuItem>
            ))}
          </Menu>
        </div>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_340px] max-md:grid-cols-1 max-md:overflow-auto print:block">
        <section
          aria-label="Pieces"
          tabIndex={0}
          className="min-w-0 overflow-auto px-5 py-3 max-md:overflow-visible print:overflow-visible"
        >
          {pieces.length === 0 ? (
            <Empty title="Nothing in it yet">
              {name} puts work in by pressing the heart after handing in. You can put in an answer too: open it in
              Results.
            </Empty>
          ) : (
            <>
              <div className="not-printed mb-3">
                <Segmented label="Shown" value={look} options={looks} onChange={setLook} />
              </div>
              {shown.length === 0 && (
                <Empty title="A family would see nothing">
                  Choose pieces on the right. What was made together with others is never shown.
                </Empty>
              )}
              {byYear(shown).map(({ year, pieces: some }) => (
                <section key={year} className="mb-5">
                  <h2 className="font-serif text-[18px]">School year {year}</h2>
                  <ul className="mt-2 grid gap-3 print:block">
                    {some.map((piece) => (
                      <li
                        key={piece.id}
                        className="rounded-card border border-line bg-card p-4 print:mb-4 print:break-inside-avoid print:border-0 print:p-0"
                      >
                        <div className="flex items-start gap-2">
                          <h3 className="min-w-0 flex-1 font-semibold [overflow-wrap:anywhere]">
                            {piece.title}{" "}
                            <span className="numbers font-normal text-ink-soft">
                              {formatDay(piece.handedIn, zone, now)} ·{" "}
                              {piece.byChild ? "chosen by the child" : "put in by a teacher"}
                            </span>
                          </h3>
                          {look === "class" && (
                            <span className="not-printed">
                              <IconButton name={`Take “${piece.title}” out`} small onClick={() => void takeOut(piece)}>
                                <HeartOff size={16} aria-hidden />
                              </IconButton>
                            </span>
                          )}
                        </div>
                        <div className="mt-2">
                          <PieceAnswers piece={piece} />
                        </div>
                        {piece.together > 0 && look === "class" && (
                          <p className="mt-2 flex items-center gap-1.5 text-[13px] text-ink-soft">
                            <Users size={14} aria-hidden />{" "}
                            {piece.together === 1 ? "One page was" : `${piece.together} pages were`} made with others
                            and cannot be part of it.
                          </p>
                        )}
                        <PieceWhy piece={piece} name={`What ${name} says about “${piece.title}”`} />
                      </li>
                    ))}
                  </ul>
                </section>
              ))}
            </>
          )}
        </section>
        <aside
          aria-label="Show it to a family"
          tabIndex={0}
          className="not-printed overflow-auto border-line bg-shade/40 p-4 md:border-l max-md:overflow-visible"
        >
          <h2 className="font-serif text-[17px]">Show it to a family</h2>
          {forOthers.length === 0 ? (
            <p className="mt-1 text-[13px] text-ink-soft">
              As soon as there is a piece that {name} made alone, you can show it to a family by a link.
            </p>
          ) : (
            <>
              <p className="mt-1 text-[13px] text-ink-soft">
                Anyone who has the link sees the pieces you choose, until the day you choose. Names of other children
                are left out of every text. Listen to recordings and look at pictures first: a name in those stays.
              </p>
              <ul className="mt-2 grid gap-1">
                {forOthers.map(({ id, title }) => (
                  <li key={id}>
                    <label className="flex items-start gap-2 text-[14px]">
                      <Checkbox
                        label={title}
                        checked={chosen.includes(id)}
                        onChange={(checked) => setLeft(checked ? left.filter((one) => one !== id) : [...left, id])}
                      />
                      <span className="min-w-0 [overflow-wrap:anywhere]">{title}</span>
                    </label>
                  </li>
                ))}
              </ul>
              <ShowPanel {...{ about, pieces: chosen, links, zone, now }} />
            </>
          )}
        </aside>
      </div>
    </div>
  );
}
