import { plainSharing } from "../review/sharing";
import type { AssignForm } from "./form";

/**
 * The plainest form there is: everything at once, at the next lesson, due two school days later at 3; changed by `more`.
 * `plainForm({ resources: [1], to: [] }, { closes: "due" }).closes` gives `"due"`.
 */
export const plainForm = (of: Pick<AssignForm, "resources" | "to">, more: Partial<AssignForm> = {}): AssignForm => ({
  versions: [],
  factors: [],
  opens: { kind: "meeting", n: 1 },
  due: { kind: "days", days: 2, time: "15:00" },
  closes: "never",
  spread: "together",
  inOrder: false,
  after: null,
  openDays: null,
  parts: null,
  steps: null,
  follows: null,
  stepWork: [],
  tries: 1,
  keep: "best",
  checking: "at once",
  goals: [],
  sharing: plainSharing,
  ...of,
  ...more,
});
