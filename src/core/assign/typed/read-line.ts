import { formatFactor } from "../extra-time";
import type { AssignForm } from "../form";
import { openingFor } from "../opening";
import { formatNumber } from "../format";
import type { Setting } from "./how";
import { daysOf, dueOf, opensOf } from "./moments";
import { partsOf, type Part } from "./parts";
import type { Piece } from "./piece";
import { plainWord } from "./token";
import { versionsOf } from "./versions";
import type { WhenWords } from "./when";
import { Everybody, scopeOf, well, whoGets } from "./who-gets";
import type { LineWorld } from "./world";

type Answer = Pick<Piece, "said" | "problem" | "offers">;

const labels: Record<Part["kind"], string> = {
  who: "Who",
  except: "Except",
  version: "Version",
  factor: "Time",
  opens: "Opens",
  due: "Due",
  "only days": "Days",
  goals: "Goal",
  closes: "Closes",
  setting: "How",
  unknown: "Not understood",
};
const settingLabels: Record<Setting["kind"], string> = {
  tries: "Tries",
  keep: "What counts",
  spread: "How",
  order: "Order",
  checking: "Checked",
  closes: "Closes",
};

/** The form as it grows while a line is read. */
class Reading {
  readonly answers = new Map<Part, Answer>();
  form: AssignForm;

  constructor(
    private readonly parts: readonly Part[],
    private readonly base: AssignForm,
    private readonly world: LineWorld,
  ) {
    this.form = base;
    this.readPeople();
    this.readTimes();
    this.readSettings();
  }

  private get classes() {
    return this.world.classes.filter(({ id }) => this.form.to.some((one) => one.class === id));
  }

  private change(part: Partial<AssignForm>) {
    this.form = { ...this.form, ...part };
  }

  private readPeople() {
    const scope = scopeOf(this.parts, this.base.to, this.world);
    const { to, answers } = whoGets(this.parts, this.base.to, new Everybody(this.world, scope), this.world);
    for (const [part, answer] of answers) this.answers.set(part, answer);
    const getting = new Set(to.flatMap(({ students }) => students));
    this.change({
      to,
      opens: openingFor(this.world.classes, to, this.base.opens),
      versions: this.base.versions.filter(({ student }) => getting.has(student)),
      factors: this.base.factors.filter(({ student }) => getting.has(student)),
    });
    const classes = this.classes;
    // Whose version or time it is, is one of those who get it.
    const everybody = new Everybody(this.world, classes.length > 0 ? classes : scope);
    const taken = { version: new Set<number>(), factor: new Set<number>() };
    for (const part of this.parts) {
      if (part.kind !== "version" && part.kind !== "factor") continue;
      const { students, ...who } = everybody.subject(part.subject, to, taken[part.kind]);
      for (const student of students) taken[part.kind].add(student);
      const others = <One extends { student: number }>(list: readonly One[]) =>
        list.filter(({ student }) => !students.includes(student));
      let what: Answer;
      if (part.kind === "factor") {
        const { factor } = part;
        what = well(factor === 1 ? "the usual time" : formatFactor[factor]!);
        this.change({ factors: [...others(this.form.factors), ...students.map((student) => ({ student, factor }))] });
      } else {
        const { value, answer } = versionsOf(part.version, this.world);
        what = answer;
        // What is said of one of several things leaves the others as they are.
        const about = value?.length ? value.map(({ of }) => of) : this.world.mains.map(({ id }) => id);
        if (value !== null)
          this.change({
            versions: [
              ...this.form.versions.filter(({ student, of }) => !students.includes(student) || !about.includes(of)),
              ...students.flatMap((student) => value.map((version) => ({ student, ...version }))),
            ],
          });
      }
      this.answers.set(part, {
        said: `${who.said}: ${what.said}`,
        problem: who.problem ?? what.problem,
        offers: who.offers,
      });
    }
  }

  private readTimes() {
    const placed = (answer: Answer, when: WhenWords): Answer =>
      when.kind === "moment" && when.at
        ? { ...answer, offers: answer.offers.map((offer) => ({ ...offer, at: when.at! })) }
        : answer;
    for (const part of this.parts) {
      if (part.kind !== "opens") continue;
      const { value, answer } = opensOf(part.when, this.classes, this.world);
      this.answers.set(part, placed(answer, part.when));
      if (value) this.change({ opens: value });
    }
    for (const part of this.parts) {
      if (part.kind !== "due") continue;
      const { value, answer } = dueOf(part.when, this.form.opens, this.classes, this.world);
      this.answers.set(part, placed(answer, part.when));
      if (value) this.change({ due: value });
    }
    const atLesson = this.form.opens.kind === "place" || this.form.opens.kind === "meeting";
    // Work that opens at no lesson cannot be due at its end.
    if (this.form.due.kind === "meeting end" && !atLesson)
      this.change({ due: { kind: "days", days: 2, time: "15:00" } });
    for (const part of this.parts) {
      if (part.kind !== "closes") continue;
      // "closes 2 days later" is later than it is due.
      const { due, opens } = this.form;
      const after = due.kind === "at" ? { kind: "at" as const, at: due.at } : opens;
      const { value, answer } = dueOf(part.when, after, this.classes, this.world);
      const at = value?.kind === "at" ? value.at : null;
      const how =
        value && at === null ? { said: "closes when?", problem: "Give a day and a time.", offers: [] } : answer;
      this.answers.set(part, placed(how, part.when));
      if (at) this.change({ closes: { at } });
    }
    for (const part of this.parts) {
      if (part.kind !== "only days") continue;
      const { value, answer } = daysOf(part.days, this.form, this.classes, this.world);
      this.answers.set(part, answer);
      if (value) this.change({ openDays: value });
    }
  }

  private readSettings() {
    const goals: string[] = [];
    for (const part of this.parts) {
      if (part.kind === "goals") {
        const spelled = part.goals.map(
          (goal) => this.world.goals.find((one) => plainWord(one) === plainWord(goal)) ?? goal,
        );
        for (const goal of spelled) if (!goals.includes(goal) && goals.length < 8) goals.push(goal);
        this.answers.set(part, well(spelled.join(", ")));
      }
      if (part.kind === "setting") this.answers.set(part, this.set(part.setting));
    }
    if (goals.length > 0) this.change({ goals });
  }

  private set(setting: Setting): Answer {
    const alone = this.base.resources.length === 1;
    switch (setting.kind) {
      case "tries":
        this.change({ tries: setting.tries });
        return well(setting.tries === null ? "as many as they want" : formatNumber(setting.tries));
      case "keep":
        this.change({ keep: setting.keep });
        return well(`the ${setting.keep} counts`);
      case "spread":
        if (alone && !this.form.parts) return { said: "all at once", problem: "It is only one thing.", offers: [] };
        this.change({ spread: setting.spread });
        return well(setting.spread === "together" ? "all at once" : "one in each lesson");
      case "order":
        if (alone && setting.inOrder) return { said: "in order", problem: "It is only one thing.", offers: [] };
        this.change({ inOrder: setting.inOrder });
        return well(setting.inOrder ? "one after the other" : "in any order");
      case "checking":
        this.change({ checking: setting.checking });
        return well(setting.checking);
      case "closes":
        this.change({ closes: setting.closes });
        return well(setting.closes === "due" ? "when it is due" : "never");
    }
  }
}

export interface ReadLine {
  form: AssignForm;
  pieces: Piece[];
}

/**
 * Reads a typed line into the assign form: what it says goes over what `base` says, the rest stays. Every part of the line
 * comes back as a piece, with what it was taken for; one that is not understood says so and changes nothing.
 *
 *     readLine("puffin except Bo, mon to fri 3 pm, 2 tries", world, base).form.tries // 2
 */
export function readLine(line: string, world: LineWorld, base: AssignForm): ReadLine {
  const parts = partsOf(line, world);
  const { form, answers } = new Reading(parts, base, world);
  const pieces = parts.map((part): Piece => {
    const at = { from: part.from, to: part.to };
    if (part.kind === "unknown")
      return {
        ...at,
        label: labels.unknown,
        said: part.text,
        problem: `“${part.text}” is not understood.`,
        offers: [],
      };
    const label = part.kind === "setting" ? settingLabels[part.setting.kind] : labels[part.kind];
    return { ...at, label, ...answers.get(part)! };
  });
  return { form, pieces };
}
