import type { Finding, LookedAt } from "./finding";
import { isProblem, type AssignForm } from "./form";
import { consentFindings } from "./look-at-consent";
import { classFindings } from "./look-at-class";
import { onceEach } from "./once";
import { resourceFindings } from "./look-at-resource";

function classChoice(of: LookedAt): Finding[] {
  const [only] = of.classes;
  if (of.classes.length !== 1 || !only || !of.barClass || of.barClass.id === only.id) return [];
  const bar = of.others.find(({ id }) => id === of.barClass!.id);
  return [
    {
      key: "bar",
      level: "remark",
      text: `You are assigning it to ${only.profile.name}; the bar above says ${of.barClass.name}.`,
      remedies: bar
        ? [
            {
              text: `Assign it to ${bar.name}`,
              change: { to: [{ class: bar.id, students: [...bar.students] }], versions: [], factors: [] },
            },
          ]
        : [],
    },
  ];
}

/** A student chosen in two classes gets it once, in the first of them: said, so that nobody wonders about the counts. */
function twiceFindings({ form, classes }: LookedAt): Finding[] {
  const chosen = form.to.flatMap(({ students }) => students);
  const twice = [...new Set(chosen.filter((student, at) => chosen.indexOf(student) !== at))];
  if (twice.length === 0) return [];
  const both = form.to.filter(({ students }) => twice.some((student) => students.includes(student)));
  const names = both.flatMap(({ class: id }) => classes.find((one) => one.id === id)?.profile.name ?? []);
  const who = twice.length === 1 ? "One student is" : `${twice.length} students are`;
  const gets = twice.length === 1 ? "gets" : "get";
  return [
    {
      key: "twice",
      level: "remark",
      text: `${who} in ${names.join(" and in ")}, and ${gets} it once.`,
      remedies: [{ text: "Assign it once", change: { to: onceEach(form.to) } }],
    },
  ];
}

/** Versions chosen for students who would then read the same grade or a harder one are not worth a word; grades are. */
function versionFindings(of: LookedAt): Finding[] {
  const lost = of.form.versions.filter(
    (chosen) => !of.versions.some((version) => version.id === chosen.resource && version.of === chosen.of),
  );
  return lost.length === 0
    ? []
    : [
        {
          key: "versions",
          level: "stop",
          text: "A version you chose for some is not there any more.",
          remedies: [
            {
              text: "Assign them the first one",
              change: { versions: of.form.versions.filter((one) => !lost.includes(one)) },
            },
          ],
        },
      ];
}

/** Work waits for other work of the same class; for those who do not have that it opens at once. */
function waitingFindings({ form, waitsFor, classes }: LookedAt): Finding[] {
  if (form.after === null) return [];
  const remedies = [{ text: "Do not wait for it", change: { after: null } }];
  if (!waitsFor)
    return [{ key: "after", level: "stop", text: "The work it waits for is not there any more.", remedies }];
  const quoted = `“${waitsFor.title}”`;
  if (form.to.some((one) => one.class !== waitsFor.class))
    return [
      {
        key: "after",
        level: "stop",
        text: `${quoted} is work of another class, so it cannot be waited for here.`,
        remedies,
      },
    ];
  const without = form.to.flatMap(({ students }) => students).filter((id) => !waitsFor.students.includes(id)).length;
  const when = classes.find(({ id }) => id === waitsFor.class)?.when;
  const early = when && !isProblem(when) && when.due <= waitsFor.due;
  return [
    ...(without > 0
      ? [
          {
            key: "after without",
            level: "remark" as const,
            text: `${without === 1 ? "One student does" : `${without} students do`} not have ${quoted}: for them it opens without waiting.`,
            remedies: [],
          },
        ]
      : []),
    ...(early
      ? [
          {
            key: "after due",
            level: "remark" as const,
            text: `It is due no later than ${quoted}, which it waits for.`,
            remedies,
          },
        ]
      : []),
  ];
}

/** Parts are steps of the one resource given; of another, or with a version beside, they make no sense. */
function partFindings(of: LookedAt): Finding[] {
  const { parts, versions } = of.form;
  if (!parts) return [];
  const whole: Partial<AssignForm> = { parts: null, spread: "together" };
  const [only] = of.resources;
  const steps = only?.document.steps.map(({ id }) => id) ?? [];
  const cut = parts.flat();
  if (of.resources.length !== 1 || steps.length !== cut.length || steps.some((id, at) => id !== cut[at]))
    return [
      {
        key: "parts",
        level: "stop",
        text: "The parts are not those of this lesson.",
        remedies: [{ text: "Assign it whole", change: whole }],
      },
    ];
  if (versions.length === 0) return [];
  return [
    {
      key: "parts and versions",
      level: "remark",
      text: "In parts everyone gets the first version: another one has other steps.",
      remedies: [{ text: "Assign it whole, with the versions", change: whole }],
    },
  ];
}

/** Single steps are steps of the one resource given; of another, or with a version beside, they make no sense. */
function stepFindings(of: LookedAt): Finding[] {
  const { steps, versions } = of.form;
  if (!steps) return [];
  const remedies = [{ text: "Assign all of it", change: { steps: null } }];
  const [only] = of.resources;
  const there = new Set(only?.document.steps.map(({ id }) => id));
  if (of.resources.length !== 1 || !steps.every((step) => there.has(step)))
    return [{ key: "steps", level: "stop", text: "Some of these steps are not in this lesson any more.", remedies }];
  if (versions.length === 0) return [];
  const text = "Of single steps everyone gets the first version: another one has other steps.";
  return [{ key: "steps and versions", level: "remark", text, remedies }];
}

/**
 * The check before work goes out: what stops it, and what is worth a look, each with a way to mend it.
 * `lastLook(lookedAt())` gives `[]`.
 */
export function lastLook(of: LookedAt): Finding[] {
  const found = [
    ...of.classes.flatMap((group) => classFindings(of, group)),
    ...classChoice(of),
    ...twiceFindings(of),
    ...versionFindings(of),
    ...partFindings(of),
    ...stepFindings(of),
    ...waitingFindings(of),
    ...consentFindings(of),
    ...[...of.resources, ...of.versionsToAssign].flatMap((resource) => resourceFindings(of, resource)),
  ];
  return found.sort((one, other) => Number(one.level === "remark") - Number(other.level === "remark"));
}
