import type { Activity } from "../content/vocabulary";
import { questionKinds } from "../question/kinds";
import type { Block } from "./block";
import type { Step } from "./document";

const byBlock: Record<Exclude<Block["type"], "question">, Activity> = {
  text: "read",
  table: "read",
  maths: "read",
  file: "read",
  picture: "look",
  film: "watch",
  sound: "listen",
  link: "follow a link",
  drawing: "look",
  manipulative: "build",
};

/** What a block has students do. `activityOf(lesson.steps[1].blocks[0])` gives `"answer"`. */
export function activityOf(block: Block): Activity {
  return block.type === "question" ? questionKinds[block.question.type].activity : byBlock[block.type];
}

const passive: ReadonlySet<Activity> = new Set(["read", "look", "follow a link"]);

/**
 * The one thing a step is about: the first thing to do in it, or else what there is to take in.
 * `mainActivity(lesson.steps[1])` gives `"answer"`.
 */
export function mainActivity(step: Pick<Step, "blocks">): Activity {
  const found = step.blocks.map(activityOf);
  return found.find((activity) => !passive.has(activity)) ?? found[0] ?? "read";
}

/**
 * Everything a step asks for, each once: what it is about first. What there is to take in counts only where there is nothing to do.
 * `activitiesIn(lesson.steps[0])` gives `["read"]`.
 */
export function activitiesIn(step: Pick<Step, "blocks">): Activity[] {
  const found = step.blocks.map(activityOf);
  const asked = found.filter((activity) => !passive.has(activity));
  return [...new Set(asked.length > 0 ? asked : [mainActivity(step)])];
}
