"use client";
import { clsx } from "clsx";
import { useVirtualizer } from "@tanstack/react-virtual";
import { Share2 } from "lucide-react";
import { Link } from "@/ui/link";
import { useMemo, useRef, useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import {
  anyFilter,
  filterNames,
  filterSatchel,
  inPocket,
  type OpenPocket,
  type SatchelFilter,
} from "@/core/satchel/filter";
import type { Pocket } from "@/data/satchel/pockets";
import type { SatchelItem, Withdrawn } from "@/data/satchel/satchel";
import type { AssignContext } from "@/server/assign/assign-context";
import type { LightTableData } from "@/server/find/light-table";
import { formatGradeSpan } from "@/core/content/grade";
import { PrintedList } from "@/ui/printed-list";
import { BackToList } from "@/ui/back-to-list";
import { Button, buttonClasses } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { useKeys } from "@/ui/keys";
import { holdKeys } from "@/ui/keys-ahead";
import { Line } from "@/ui/line";
import { Notice } from "@/ui/notice";
import { FactCells, LinesHead } from "../find/result-lines";
import { LightTable } from "../light-table/light-table";
import { idsFrom } from "@/core/ids";
import { useNoted } from "../use-noted";
import { useAddress } from "../use-address";
import { useLive } from "../use-live";
import { BulkBar } from "./bulk-bar";
import { focusAssignLine } from "../assign/assign-line";
import { AssignPanel } from "../assign/assign-panel";
import { Grip } from "../shell/grip";
import { SharePanel } from "../share/share-panel";
import { FilterBar } from "./filter-bar";
import { NewResource } from "./new-resource";
import { NewThings } from "./new-things";
import { PocketHead } from "./pocket-head";
import { PocketList } from "./pocket-list";
import { PocketTogether } from "./pocket-together";
import { isOwn, isTogether, mayArrange, formatOpen, formatOrigin } from "./format-satchel";
import { LinePlace, useOrder } from "./use-order";
import { WithdrawnNotice } from "./withdrawn-notice";

const LINE_HEIGHT = 54;
const listParameters = (pocket: OpenPocket, filter: SatchelFilter): URLSearchParams =>
  new URLSearchParams(
    Object.entries({ pocket, ...filter }).flatMap(([name, value]) =>
      value === null || value === "" ? [] : [[name, String(value)]],
    ),
  );

export interface SatchelScreenProps {
  items: SatchelItem[];
  withdrawn: Withdrawn[];
  pockets: Pocket[];
  pocket: OpenPocket;
  filter: SatchelFilter;
  opened: LightTableData | null;
  /** How many things colleagues have given her. */
  given: number;
  assign: AssignContext;
}

export function SatchelScreen({
  items,
  withdrawn,
  pockets,
  pocket,
  filter: asked,
  opened,
  given,
  assign,
}: SatchelScreenProps) {
  const { go, busy, parameters } = useAddress();
  const [ticked, setTicked] = useState<ReadonlySet<number>>(() => new Set(idsFrom(parameters.get("ticked"))));
  const [making, setMaking] = useState(false);
  /** The pocket whose keepers are shown. */
  const [together, setTogether] = useState<number | null>(null);
  /** Several things that are being given at once. */
  const [giving, setGiving] = useState<{ id: number; title: string }[] | null>(() => {
    const again = parameters.get("giving") === null ? [] : items.filter(({ id }) => ticked.has(id));
    return again.length > 0 ? again.map(({ id, facts }) => ({ id, title: facts.title })) : null;
  });
  /** Several things that are being shared at once. */
  const [sharing, setSharing] = useState<{ id: number; title: string }[] | null>(null);
  useNoted({ ticked: [...ticked].join(",") || null, giving: giving && "1" });
  const [picked, setPicked] = useState<number | null>(null);
  const box = useRef<HTMLDivElement>(null);
  // Narrowing happens here and at once; the address follows, without asking the server for what is here already.
  const [filter, setFilter] = useState(asked);
  const inside = useMemo(() => inPocket(items, pockets, pocket), [items, pockets, pocket]);
  const fitting = useMemo(() => filterSatchel(inside, filter, assign.now), [inside, filter, assign.now]);
  const byId = new Map(fitting.map((item) => [item.id, item]));
  const openPocket = pockets.find((one) => one.id === pocket) ?? null;
  const kept = pockets.find((one) => one.id === together);
  useLive(openPocket && isTogether(openPocket) ? `/satchel/live/${openPocket.id}` : null);
  // Hers is the order of one pocket, all of it shown and none inside it.
  const ordered =
    openPocket !== null &&
    mayArrange(openPocket) &&
    fitting.length === inside.length &&
    inside.every((item) => item.pockets.includes(openPocket.id));
  const { order, move: moveInOrder } = useOrder(
    ordered ? openPocket.id : null,
    fitting.map(({ id }) => id),
    (id) => byId.get(id)?.facts.title ?? "It",
    items,
  );
  const shown = order.flatMap((id) => byId.get(id) ?? []);
  const narrow = (next: SatchelFilter) => {
    setFilter(next);
    const said = new URLSearchParams(window.location.search);
    for (const name of ["words", ...filterNames] as const) {
      if (next[name] === null || next[name] === "") said.delete(name);
      else said.set(name, String(next[name]));
    }
    window.history.replaceState(null, "", said.size > 0 ? `?${said}` : window.location.pathname);
  };
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state by design
  const lines = useVirtualizer({
    count: shown.length,
    getScrollElement: () => box.current,
    estimateSize: () => LINE_HEIGHT,
    overscan: 12,
  });
  const words = useMemo(() => [...new Set(items.flatMap((item) => item.tags))].sort(), [items]);
  const selected = busy && picked !== null ? picked : (opened?.resource.id ?? null);
  const tickedItems = shown.filter((item) => ticked.has(item.id));

  const open = (id: number) => {
    setPicked(id);
    setGiving(null);
    setSharing(null);
    go({ open: id, step: null, do: null });
  };
  const move = (by: number) => {
    const at = Math.max(0, Math.min(shown.length - 1, shown.findIndex((item) => item.id === selected) + by));
    if (!shown[at]) return;
    open(shown[at].id);
    lines.scrollToIndex(at);
  };
  const pick = (next: OpenPocket) => {
    setTicked(new Set());
    go({ pocket: next, open: null, step: null, do: null }, "push");
  };
  const tick = (id: number) =>
    setTicked((old) => {
      const next = new Set(old);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const assignTicked =
    tickedItems.length > 0
      ? () => {
          if (giving !== null) return focusAssignLine();
          holdKeys();
          setGiving(tickedItems.map(({ id, facts }) => ({ id, title: facts.title })));
        }
      : undefined;
  const share = (things: readonly SatchelItem[]) => {
    const own = things.filter(isOwn);
    if (own.length === 0) return undefined;
    return () => {
      setGiving(null);
      setSharing(own.map(({ id, facts }) => ({ id, title: facts.title })));
    };
  };
  const shareTicked = share(tickedItems);
  const sharePocket = openPocket ? share(inside) : undefined;
  useKeys({
    ...(shareTicked && { h: shareTicked }),
    // The light table answers this key where there is one; what is ticked goes first there too.
    ...(assignTicked && { a: assignTicked }),
    ...(ordered && selected !== null && { J: () => moveInOrder(selected, 1), K: () => moveInOrder(selected, -1) }),
    j: () => move(1),
    k: () => move(-1),
    x: () => selected !== null && shown.some((item) => item.id === selected) && tick(selected),
  });

  const touched = (at: Date) => formatDay(at, assign.zone, assign.now).replace(/^\w+ /, "");
  const name = formatOpen(pocket, pockets);
  // On a narrow screen there is room for one of the two: the list, or what was chosen from it.
  const narrowTable = giving !== null || sharing !== null || parameters.get("open") !== null;
  const elsewhere = opened !== null && !shown.some((item) => item.id === opened.resource.id);
  return (
    <>
      <PrintedList
        title={name}
        about={pockets.find((one) => one.id === pocket)?.about}
        heads={["What", "By", "Grades", "Minutes", "Standards"]}
        lines={() =>
          shown.map(({ id, facts, author }) => ({
            id,
            cells: [facts.title, author, formatGradeSpan(facts.grades), facts.minutes, facts.standards.join(", ")],
          }))
        }
      />
      <div className="grid h-full grid-cols-[190px_minmax(0,530fr)_minmax(0,560fr)] max-md:grid-cols-1 max-md:grid-rows-[auto_minmax(0,1fr)] print:hidden">
        <div className={clsx("contents", narrowTable && "max-md:hidden")}>
          <PocketList
            items={items}
            pockets={pockets}
            pocket={pocket}
            given={given}
            onTogether={setTogether}
            carried={(id) => (ticked.has(id) ? tickedItems.map((item) => item.id) : [id])}
            onPick={pick}
          />
        </div>
        <section
          aria-label={name}
          className={clsx("flex min-h-0 flex-col border-x border-line bg-card", narrowTable && "max-md:hidden")}
          aria-busy={busy}
        >
          <PocketHead
            key={pocket}
            name={name}
            pocket={openPocket}
            items={shown}
            list={listParameters(pocket, filter).toString()}
            onTogether={() => setTogether(openPocket?.id ?? null)}
          >
            {sharePocket && (
              <IconButton name="Share what is yours in this pocket" small onClick={sharePocket}>
                <Share2 size={15} aria-hidden />
              </IconButton>
            )}
            <NewThings onMake={() => setMaking(true)} />
          </PocketHead>
          {withdrawn.length > 0 && pocket === null && <WithdrawnNotice withdrawn={withdrawn} />}
          {inside.length > 0 && <FilterBar items={inside} filter={filter} now={assign.now} onFilter={narrow} />}
          {tickedItems.length > 0 && (
            <BulkBar
              ticked={tickedItems}
              pockets={pockets}
              pocket={pocket}
              words={words}
              onDone={() => setTicked(new Set())}
              onAssign={(things) => {
                setSharing(null);
                setGiving(things);
              }}
              onShare={shareTicked}
            />
          )}
          {shown.length > 0 ? (
            <>
              <div className="flex items-center bg-shade pl-8">
                <Checkbox
                  label="Tick all"
                  checked={
                    tickedItems.length === 0 ? false : tickedItems.length === shown.length ? true : "indeterminate"
                  }
                  onChange={(all) => setTicked(all ? new Set(shown.map((item) => item.id)) : new Set())}
                />
                <div className="flex-1">
                  <LinesHead sort={null} last="Touched" />
                </div>
              </div>
              <div ref={box} className="min-h-0 flex-1 overflow-auto">
                <ul aria-label={name} className="relative" style={{ height: lines.getTotalSize() }}>
                  {lines.getVirtualItems().map((row) => {
                    const item = shown[row.index]!;
                    return (
                      <Line
                        key={item.id}
                        style={{ position: "absolute", insetInline: 0, top: row.start, height: LINE_HEIGHT }}
                        title={item.facts.title}
                        from={
                          <>
                            {item.revised && <strong className="text-slate">revised · </strong>}
                            {formatOrigin(item, openPocket)}
                            {item.tags.length > 0 && ` · ${item.tags.join(", ")}`}
                          </>
                        }
                        fromText={[formatOrigin(item, openPocket), ...item.tags].join(" · ")}
                        over={ordered ? <LinePlace id={item.id} title={item.facts.title} /> : undefined}
                        mine
                        selected={item.id === selected}
                        onOpen={() => open(item.id)}
                        before={
                          <span className="flex items-center">
                            <Grip id={item.id} title={item.facts.title} />
                            <Checkbox
                              label={`Tick ${item.facts.title}`}
                              checked={ticked.has(item.id)}
                              onChange={() => tick(item.id)}
                            />
                          </span>
                        }
                      >
                        <FactCells facts={item.facts} />
                        <span className="numbers text-right text-[12px] text-ink-soft">{touched(item.touched)}</span>
                      </Line>
                    );
                  })}
                </ul>
              </div>
            </>
          ) : inside.length > 0 ? (
            <Empty title="Nothing here matches that">
              <Button onClick={() => narrow(anyFilter)}>Show all {inside.length} again</Button>
            </Empty>
          ) : pocket === "none" && items.length > 0 ? (
            <Empty title="All sorted">Everything in your satchel has a pocket.</Empty>
          ) : (
            <Empty title={pocket === null ? "Your satchel is empty" : "This pocket is empty"}>
              <p>
                {pocket === null
                  ? "Find something and press p to pack it."
                  : "Tick something in your satchel and put it into this pocket."}
              </p>
              <Link href="/find" className={buttonClasses()}>
                Go to Find
              </Link>
            </Empty>
          )}
        </section>
        <section
          aria-label="Light table"
          className={clsx("flex min-h-0 flex-col", narrowTable ? "max-md:row-span-2" : "max-md:hidden")}
        >
          <BackToList
            shown={narrowTable}
            onBack={() => {
              setGiving(null);
              setSharing(null);
              go({ open: null, step: null, do: null });
            }}
          >
            satchel
          </BackToList>
          {elsewhere && <Notice className="mx-5 mt-3">This is not in “{name}”.</Notice>}
          {giving ? (
            <div className="flex min-h-0 flex-1 flex-col">
              <h1 className="px-5 pt-4 pb-3 font-serif text-[21px]">
                Assign {giving.length === 1 ? `“${giving[0]!.title}”` : `${giving.length} things`}
              </h1>
              <div className="min-h-0 flex-1">
                <AssignPanel
                  key={giving.map(({ id }) => id).join()}
                  resources={giving}
                  current={assign.current}
                  now={assign.now}
                  onDone={() => setGiving(null)}
                />
              </div>
            </div>
          ) : sharing ? (
            <div className="flex min-h-0 flex-1 flex-col">
              <h1 className="px-5 pt-4 pb-3 font-serif text-[21px]">
                Share {sharing.length === 1 ? `“${sharing[0]!.title}”` : `${sharing.length} things`}
              </h1>
              <div className="min-h-0 flex-1">
                <SharePanel
                  key={sharing.map(({ id }) => id).join()}
                  resources={sharing}
                  {...(openPocket && sharing.length > 1 && { name: openPocket.name })}
                  onDone={() => setSharing(null)}
                />
              </div>
            </div>
          ) : opened ? (
            <LightTable
              key={opened.resource.id}
              data={opened}
              assign={assign}
              assignInstead={assignTicked}
              shareInstead={shareTicked}
            />
          ) : (
            <Empty title="Nothing to look at yet">What you choose in the list opens here.</Empty>
          )}
        </section>
        {kept && <PocketTogether pocket={kept} onClose={() => setTogether(null)} />}
        <NewResource open={making} onOpenChange={setMaking} />
      </div>
    </>
  );
}
