import type { ManipulativeName } from "@/core/manipulative/manipulative";
import english from "@/messages/en.json";

/** As teachers' screens call them, which are in English. */
export const toolNames: Record<ManipulativeName, string> = english.tool;
