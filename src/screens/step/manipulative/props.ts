import type { ManipulativeName, ManipulativeOf } from "@/core/manipulative/manipulative";

/** What every manipulative's view is given. Nothing it is set to is kept: only the number it shows goes anywhere. */
export interface ManipulativeProps<Name extends ManipulativeName> {
  tool: ManipulativeOf<Name>;
  languages: readonly string[];
  /** The number it shows now, whenever somebody has set it. */
  onNumber: (value: number) => void;
}

/** A button beside or in one of them, for children's fingers. */
export const press =
  "inline-flex min-h-12 min-w-12 items-center justify-center gap-1 rounded-card border-2 border-line-strong bg-card px-3 disabled:opacity-40";
