import type { AssignForm } from "../form";
import { gradeName } from "@/core/content/grade";
import { formatList } from "@/core/format-list";
import { formatNumber } from "../format";
import type { Part, Subject } from "./parts";
import type { PeopleRef } from "./people";
import type { Piece } from "./piece";
import { plainWord } from "./token";
import type { LineClass, LineStudent, LineWorld } from "./world";

type To = AssignForm["to"];
type Answer = Pick<Piece, "said" | "problem" | "offers">;
interface Member {
  class: number;
  student: LineStudent;
}

/** `fullName({ givenName: "Liv", familyName: "Torsen" })` gives `"Liv Torsen"`. */
export const fullName = ({ givenName, familyName }: Pick<LineStudent, "givenName" | "familyName">): string =>
  `${givenName} ${familyName}`;
/** `well("today")` gives `{ said: "today", problem: null, offers: [] }`. */
export const well = (said: string): Answer => ({ said, problem: null, offers: [] });

/** Up to this many names are said; of more, only their number. */
const MOST_NAMES = 3;
const MOST_OFFERS = 3;

/** Who is meant by the people of a line, among the classes a line is about. */
export class Everybody {
  constructor(
    private readonly world: LineWorld,
    /** The classes looked at first, in her order. */
    readonly scope: readonly LineClass[],
  ) {}

  private get scopeName() {
    return formatList(this.scope.map(({ name }) => name));
  }

  private members(classes: readonly LineClass[], test: (student: LineStudent, group: LineClass) => boolean): Member[] {
    const met = new Set<number>();
    return classes.flatMap((group) =>
      group.students
        .filter((student) => test(student, group) && !met.has(student.id))
        .map((student) => {
          met.add(student.id);
          return { class: group.id, student };
        }),
    );
  }

  /** Students within the scope; a student of none of its classes is looked for in the others where `anywhere`. */
  find(ref: PeopleRef, anywhere: boolean): { members: Member[] } & Answer {
    switch (ref.kind) {
      case "class": {
        const group = this.classOf(ref);
        const members = this.members([group], () => true);
        return { members, ...well(`${group.name}, all ${members.length}`) };
      }
      case "group": {
        const group = this.world.classes.find(({ id }) => id === ref.class)!;
        const one = group.groups.find(({ id }) => id === ref.group)!;
        const members = this.members([group], ({ id }) => one.students.includes(id));
        return { members, ...well(`${one.name}, ${members.length} of ${group.name}`) };
      }
      case "all classes": {
        const members = this.members(this.world.classes, () => true);
        return { members, ...well(`all my classes, ${members.length}`) };
      }
      case "everyone": {
        const members = this.members(this.scope, () => true);
        return { members, ...well(`${this.scopeName}, all ${members.length}`) };
      }
      case "those who have it":
        return this.some(
          this.members(this.scope, ({ has }) => has),
          "those who have it",
          `Nobody in ${this.scopeName} has it yet.`,
        );
      case "grade":
        return this.some(
          this.members(this.scope, ({ grade }) => grade === ref.grade),
          `grade ${gradeName(ref.grade)}`,
          `Nobody in ${this.scopeName} is in grade ${gradeName(ref.grade)}.`,
        );
      case "student": {
        const { offers, ...found } = this.student(ref, anywhere);
        return { ...found, offers: offers.map((offer) => ({ ...offer, at: { from: ref.from, to: ref.to } })) };
      }
    }
  }

  classOf(ref: Extract<PeopleRef, { kind: "class" }>): LineClass {
    return (
      this.scope.find(({ id }) => ref.classes.includes(id)) ??
      this.world.classes.find(({ id }) => ref.classes.includes(id))!
    );
  }

  private some(members: Member[], name: string, none: string) {
    return members.length > 0
      ? { members, ...well(`${name}, ${members.length}`) }
      : { members, said: name, problem: none, offers: [] };
  }

  private student(ref: Extract<PeopleRef, { kind: "student" }>, anywhere: boolean): { members: Member[] } & Answer {
    const called = this.members(this.scope, ({ id }) => ref.students.includes(id));
    const elsewhere = this.members(this.world.classes, ({ id }) => ref.students.includes(id));
    const found = called.length > 0 || !anywhere ? called : elsewhere;
    if (found.length === 1) return { members: found, ...well(fullName(found[0]!.student)) };
    const names = found.map(({ student }) => fullName(student));
    if (found.length > 1)
      return {
        members: [],
        said: "which one?",
        problem: `${formatNumber(found.length)} students have this name.`.replace(/^./, (first) => first.toUpperCase()),
        offers: names.slice(0, MOST_OFFERS).map((name) => ({ text: name, replace: name })),
      };
    const others = elsewhere.map(
      ({ class: id, student }) =>
        `${fullName(student)} is in ${this.world.classes.find((group) => group.id === id)!.name}.`,
    );
    return this.nobody(elsewhere[0]?.student.givenName ?? ref.name, others.slice(0, 1).join(" "));
  }

  /** Nobody is called this: those whose names begin alike are offered. */
  nobody(typed: string, more = ""): { members: Member[] } & Answer {
    const word = plainWord(typed);
    const alike = (student: LineStudent) => {
      const given = plainWord(student.givenName);
      let same = 0;
      while (same < word.length && given[same] === word[same]) same += 1;
      return same;
    };
    const near = this.members(this.scope, (student) => alike(student) > 0)
      .sort((one, other) => alike(other.student) - alike(one.student))
      .slice(0, MOST_OFFERS - 1)
      .map(({ student }) => fullName(student));
    return {
      members: [],
      said: `${typed}?`,
      problem: `Nobody in ${this.scopeName} is called ${typed}.${more ? ` ${more}` : ""}`,
      offers: [...near.map((name) => ({ text: name, replace: name })), { text: "nobody", replace: "" }],
    };
  }

  /** The students of a version or a time, of those who get it at all. */
  subject(subject: Subject, to: To, taken: ReadonlySet<number>): { students: number[] } & Answer {
    const chosen = to.flatMap(({ students }) => students);
    if (subject === "everyone") return { students: chosen, ...well("everyone") };
    if (subject === "the rest") {
      const rest = chosen.filter((id) => !taken.has(id));
      return { students: rest, ...well(`the other ${rest.length}`) };
    }
    const found = subject.map((ref) => this.find(ref, false));
    const wrong = found.find(({ problem }) => problem !== null);
    const students = found.flatMap(({ members }) => members.map(({ student }) => student.id));
    const getting = students.filter((id) => chosen.includes(id));
    const said = formatList(found.map((one) => one.said));
    if (wrong) return { students: getting, said, problem: wrong.problem, offers: wrong.offers };
    if (getting.length === 0) return { students: [], said, problem: "They are not getting it.", offers: [] };
    return { students: getting, ...well(said) };
  }
}

/**
 * The classes a line is about: those it names, else those the form has, else all.
 * `scopeOf([], base.to, world).map(({ name }) => name)` gives `["4/5 Puffin"]`.
 */
export function scopeOf(parts: readonly Part[], base: To, world: LineWorld): LineClass[] {
  const people = parts.flatMap((part) => (part.kind === "who" ? part.people : []));
  if (people.some(({ kind }) => kind === "all classes")) return [...world.classes];
  const first = world.classes.filter(({ id }) => base.some((one) => one.class === id));
  const start = new Everybody(world, first);
  const named = people.flatMap((ref) =>
    ref.kind === "class" ? start.classOf(ref).id : ref.kind === "group" ? ref.class : [],
  );
  const classes = world.classes.filter(({ id }) => named.includes(id));
  return classes.length > 0 ? classes : first.length > 0 ? first : [...world.classes];
}

/** Said of several people at once: what is wrong with one of them goes before the others. */
function together(found: readonly Answer[]): Answer {
  const wrong = found.filter(({ problem }) => problem !== null);
  const names = found.map(({ said }) => said);
  return {
    said:
      names.length > MOST_NAMES
        ? `${names.slice(0, MOST_NAMES).join(", ")} and ${names.length - MOST_NAMES} more`
        : formatList(names),
    problem: wrong.length > 0 ? wrong.map(({ problem }) => problem).join(" ") : null,
    offers: wrong.length === 1 ? wrong[0]!.offers : [],
  };
}

/**
 * Who gets it after a line: what it says of people, class by class, and what each part of it comes to.
 * `whoGets([], base.to, new Everybody(world, [puffin]), world).to` gives `base.to`.
 */
export function whoGets(
  parts: readonly Part[],
  base: To,
  everybody: Everybody,
  world: LineWorld,
): { to: To; answers: Map<Part, Answer> } {
  const answers = new Map<Part, Answer>();
  const whole = new Set<number>();
  const narrow: Member[] = [];
  for (const part of parts) {
    if (part.kind !== "who") continue;
    const found = part.people.map((ref) => {
      const one = everybody.find(ref, true);
      const all = ref.kind === "class" || ref.kind === "everyone" || ref.kind === "all classes";
      if (all) for (const member of one.members) whole.add(member.class);
      else narrow.push(...one.members);
      return one;
    });
    answers.set(part, together(found));
  }
  const named = whole.size > 0 || narrow.length > 0;
  // Somebody named beside her class is meant alone: "puffin red boats" are the red boats.
  const chosen = new Map<number, number[]>(
    named
      ? world.classes.flatMap((group) => {
          const some = narrow.filter((member) => member.class === group.id).map(({ student }) => student.id);
          const students = some.length > 0 ? some : whole.has(group.id) ? group.students.map(({ id }) => id) : [];
          return students.length > 0 ? [[group.id, [...new Set(students)]] as const] : [];
        })
      : base.map((one) => [one.class, one.students]),
  );
  for (const part of parts) {
    if (part.kind !== "except") continue;
    const found = [
      ...part.people.map((ref) => everybody.find(ref, false)),
      ...part.unknown.map(({ text, from, to }) => {
        const { offers, ...found } = everybody.nobody(text);
        return { ...found, offers: offers.map((offer) => ({ ...offer, at: { from, to } })) };
      }),
    ];
    const out = new Set(found.flatMap(({ members }) => members.map(({ student }) => student.id)));
    const getting = [...chosen.values()].flat();
    for (const [id, students] of chosen)
      chosen.set(
        id,
        students.filter((student) => !out.has(student)),
      );
    const answer = together(found);
    const useless = answer.problem === null && !getting.some((id) => out.has(id));
    answers.set(part, useless ? { ...answer, problem: "They would not get it anyway.", offers: [] } : answer);
  }
  return {
    to: [...chosen].filter(([, students]) => students.length > 0).map(([id, students]) => ({ class: id, students })),
    answers,
  };
}
