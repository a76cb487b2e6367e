import { bitBlanks, chosenBits, codeOf, unlisted, type BitBlankName } from "@/core/find/also";
import { languages } from "@/core/locale/names";
import { alsoBlanks, chosenIn, isFilled, type AlsoBlank, type Need } from "@/core/find/need";

/** What the words of the need line turned out to name, see core/find/typed.ts; empty when they are just words. */
export interface Named {
  standards: readonly string[];
  authors: readonly number[];
  isbns: readonly string[];
  /** Codes that all the classes chosen as not having covered something have met. */
  covered: readonly string[];
  /** Resources that one of the classes chosen was assigned, in every version. */
  done: readonly number[];
}
export const nothingNamed: Named = { standards: [], authors: [], isbns: [], covered: [], done: [] };

/** Numbers the parameters of one statement; `add` returns the place of a value. */
export class ParameterList {
  readonly values: unknown[];
  constructor(first: readonly unknown[]) {
    this.values = [...first];
  }
  add(value: unknown): string {
    this.values.push(value);
    return `$${this.values.length}`;
  }
}

interface Asked {
  need: Need;
  named: Named;
}

const isBitBlank = (blank: AlsoBlank): blank is AlsoBlank & BitBlankName => blank in bitBlanks;

/** Entries aligned to a statement with one of these codes, to anything below it in its tree, or to a code that goes on from it. */
const alignedTo = (codes: string) => `e.resource_id in (
  select a.resource_id from alignment a join standard s on s.id = a.standard_id
   where s.ancestors && array(select c.id from standard c join framework f on f.id = c.framework_id
                               where (c.code = any(${codes}::text[])
                                      or exists (select 1 from unnest(${codes}::text[]) as u(start) where c.code like u.start || '.%')) and (f.district_id is null or f.district_id = $3)))`;

/** Entries in a language that has no bit of its own: only those with the bit of the others are looked at. */
const otherBit = 1 << languages.indexOf("other");
export const otherLanguages = `select distinct split_part(l.tag, '-', 1) from resource_facts f,
  jsonb_array_elements_text(f.facts -> 'languages') l(tag) where f.resource_id = e.resource_id`;
const isIn = (codes: string) =>
  `case when (e.also & ${otherBit}) <> 0 then exists (select 1 from (${otherLanguages}) o(code) where o.code = any(${codes}::text[])) else false end`;

function conditionOf(blank: AlsoBlank, { need, named }: Asked, list: ParameterList): string {
  const chosen = chosenIn(need, blank);
  if (isBitBlank(blank)) {
    const { column, shift, mask, kept } = bitBlanks[blank];
    if (kept === "code")
      return `((e.${column} >> ${shift}) & ${mask}) = any(${list.add(chosen.map((value) => codeOf(blank, value)))}::int[])`;
    const listed = `((e.${column} >> ${shift}) & ${list.add(chosenBits(blank, chosen))}::int) <> 0`;
    const others = blank === "language" ? unlisted(chosen) : [];
    return others.length === 0 ? listed : `(${listed} or ${isIn(list.add(others))})`;
  }
  switch (blank) {
    case "author":
      return `e.owner_id = any(${list.add(need.authors)}::int[])`;
    case "topic":
      return `e.resource_id in (select resource_id from topic_entry where topic = any(${list.add(need.topics)}::text[]))`;
    case "standard":
      return alignedTo(list.add(need.standards));
    case "uncovered":
      return `e.resource_id in (select a.resource_id from alignment a join standard s on s.id = a.standard_id
        where a.relation <> 'requires' and s.code <> '' and s.code <> all(${list.add(named.covered)}::text[]))`;
    case "undone":
      return `e.resource_id <> all(${list.add(named.done)}::int[])`;
    case "reads":
      // What has too little text to be measured can be read in every grade.
      return `(e.reads is null or e.reads < ${list.add((need.reads[0]! + 1) * 10)}::int)`;
    case "since":
      return `e.fresh > (${list.add(need.since[0])}::timestamp at time zone 'UTC')`;
    case "set":
      return `e.resource_id in (select i.resource_id from curated_item i join curated_set s on s.id = i.set_id
        where s.id = any(${list.add(need.sets)}::int[]) and s.district_id = $3)`;
    default:
      throw new Error(`${blank} reads bits`);
  }
}

/** What was named in the words, as conditions on a row `e` of search_entry. */
export function namedConditions(named: Named, list: ParameterList): string[] {
  return [
    ...(named.standards.length > 0 ? [alignedTo(list.add(named.standards))] : []),
    ...(named.authors.length > 0 ? [`e.owner_id = any(${list.add(named.authors)}::int[])`] : []),
    ...(named.isbns.length > 0
      ? [`e.resource_id in (select resource_id from edition where isbn13 = any(${list.add(named.isbns)}::text[]))`]
      : []),
  ];
}

/** The filled blanks behind "and also…" as conditions on a row `e`, in the order of the sentence. */
export function alsoConditions(
  asked: Asked,
  list: ParameterList,
  except?: AlsoBlank,
): { blank: AlsoBlank; sql: string }[] {
  return alsoBlanks
    .filter((blank) => blank !== except && isFilled(asked.need, blank))
    .map((blank) => ({ blank, sql: conditionOf(blank, asked, list) }));
}

export const isNamed = (named: Named): boolean =>
  named.standards.length + named.authors.length + named.isbns.length > 0;
