import type { Finding, LookedAt } from "./finding";
import { classFindings } from "./look-at-class";
import { resourceFindings } from "./look-at-resource";

function classChoice(of: LookedAt): Finding[] {
  const [only] = of.classes;
  if (of.classes.length !== 1 || !only || !of.barClass || of.barClass.id === only.id) return [];
  const bar = of.others.find(({ id }) => id === of.barClass!.id);
  return [
    {
      key: "bar",
      level: "remark",
      text: `You are giving it to ${only.profile.name}; the bar above says ${of.barClass.name}.`,
      remedies: bar
        ? [
            {
              text: `Give it to ${bar.name}`,
              change: { to: [{ class: bar.id, students: [...bar.students] }], versions: [], factors: [] },
            },
          ]
        : [],
    },
  ];
}

/** Versions chosen for students who would then read the same grade or a harder one are not worth a word; grades are. */
function versionFindings(of: LookedAt): Finding[] {
  const known = new Set([...of.resources, ...of.versions].map(({ id }) => id));
  const lost = of.form.versions.filter(({ resource }) => !known.has(resource));
  return lost.length === 0
    ? []
    : [
        {
          key: "versions",
          level: "stop",
          text: "A version you chose for some is not there any more.",
          remedies: [
            {
              text: "Give them the first one",
              change: { versions: of.form.versions.filter((one) => !lost.includes(one)) },
            },
          ],
        },
      ];
}

/** The check before work goes out: what stops it, and what is worth a look, each with a way to mend it. */
export function lastLook(of: LookedAt): Finding[] {
  const found = [
    ...of.classes.flatMap((group) => classFindings(of, group)),
    ...classChoice(of),
    ...versionFindings(of),
    ...of.resources.flatMap((resource) => resourceFindings(of, resource)),
  ];
  return found.sort((one, other) => Number(one.level === "remark") - Number(other.level === "remark"));
}
