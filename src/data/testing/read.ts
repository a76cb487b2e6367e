import { anyNeed, type Need } from "@/core/find/need";
import { nothingNamed } from "../find/also";
import type { ReadNeed, WordQuery } from "../find/conditions";
import type { Queryable } from "../engine/db";
import { readAllWords } from "../find/words";

/** A need with these blanks filled, as if nothing were named in its words. */
export const asRead = (need: Partial<Need> = {}, words: WordQuery = null): ReadNeed => ({
  need: { ...anyNeed, ...need },
  words,
  named: nothingNamed,
});

/** The query that asks for all the words. */
export const readWords = async (db: Queryable, typed: string): Promise<WordQuery> =>
  (await readAllWords(db, typed)).strict;
