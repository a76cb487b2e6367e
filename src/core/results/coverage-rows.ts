import type { Branch } from "./branches";
import { nothingKnown, type Coverage } from "./coverage";

/**
 * The coverage table as rows of plain cells, the heading first: a statement a row, and for each class how far it is.
 * `coverageRows([], [{ id: 1, name: "5 Kittiwake" }], {})[0].at(-1)` gives `"5 Kittiwake: assessed"`.
 */
export function coverageRows(
  branches: readonly Branch[],
  classes: readonly { id: number; name: string }[],
  coverage: Coverage,
): (string | number)[][] {
  const heading = [
    ...["Code", "Statement", "Branch"],
    ...classes.flatMap(({ name }) =>
      ["level", "share", "children", "planned", "taught", "assessed"].map((what) => `${name}: ${what}`),
    ),
  ];
  const rows = branches.flatMap(({ heading: above, statements }) =>
    statements.map(({ id, code, statement }) => [
      ...[code, statement, above?.statement ?? ""],
      ...classes.flatMap((group) => {
        const { level, share, students, planned, taught, assessed } = coverage[group.id]?.[id] ?? nothingKnown;
        return [level, share === null ? "" : Math.round(share * 1000) / 1000, students, planned, taught, assessed];
      }),
    ]),
  );
  return [heading, ...rows];
}
