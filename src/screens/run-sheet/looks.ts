import { Hand, MessageCircle, Presentation, UsersRound } from "lucide-react";
import type { ChosenHow, LineKind, SheetPhase } from "@/core/run-sheet/vocabulary";

/** Told apart by word, sign, indentation and colour. */
export const kindLooks = {
  "I say": { icon: MessageCircle, text: "I say", indent: "ml-0", colour: "text-slate", filled: true },
  "I do": { icon: Presentation, text: "I do", indent: "ml-3", colour: "text-slate", filled: false },
  "they do": { icon: UsersRound, text: "They do", indent: "ml-6", colour: "text-green", filled: false },
  "they show": { icon: Hand, text: "They show", indent: "ml-9", colour: "text-green", filled: true },
} as const satisfies Record<LineKind, object>;

export const phaseNames: Readonly<Record<SheetPhase, string>> = {
  open: "Opener",
  teach: "Teach",
  pairs: "Pairs",
  practise: "Practise",
  check: "Check",
  close: "Exit question",
};

export const whoNames: Readonly<Record<ChosenHow, string>> = {
  named: "a child I choose",
  turns: "to the board by turns",
  lot: "to the board by lot",
};
