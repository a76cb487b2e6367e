"use client";
import type { ReactNode } from "react";
import type { Manipulative, ManipulativeName } from "@/core/manipulative/manipulative";
import { BalanceView, BaseTenView, CoinsView, PartBarsView } from "./counts";
import { ClockView, GraphReaderView, NumberLineTool, RulerView } from "./dials";
import type { ManipulativeProps } from "./props";
import { useTranslations } from "use-intl";

const views: { [Name in ManipulativeName]: (props: ManipulativeProps<Name>) => ReactNode } = {
  "number line": NumberLineTool,
  bars: PartBarsView,
  "base ten": BaseTenView,
  clock: ClockView,
  balance: BalanceView,
  "graph reader": GraphReaderView,
  coins: CoinsView,
  ruler: RulerView,
};

/** Something to find out with. Set anew whenever what it is set up as changes. */
export function ManipulativeView({
  tool,
  languages,
  onNumber = () => undefined,
}: {
  tool: Manipulative;
  languages: readonly string[];
  onNumber?: (value: number) => void;
}) {
  const t = useTranslations("tool");
  const View = views[tool.tool] as (props: ManipulativeProps<ManipulativeName>) => ReactNode;
  return (
    <section aria-label={t(tool.tool)} className="@container rounded-card border border-line bg-paper p-3 sm:p-4">
      <View key={JSON.stringify(tool)} tool={tool as never} languages={languages} onNumber={onNumber} />
    </section>
  );
}
