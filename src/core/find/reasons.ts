/** Why one resource stands where it stands among the results. */
export interface Reasons {
  inTitle: boolean;
  inAbout: boolean;
  inAuthor: boolean;
  inText: boolean;
  classesHere: number;
  /** Times it was assigned, at her own school left out. */
  usedElsewhere: number;
  inSatchel: boolean;
  fresh: Date;
}

/**
 * The reasons as sentences, the weightiest first.
 * `formatReasons({ classesHere: 0, usedElsewhere: 2 }, "")` gives `["Used 2 times elsewhere."]`.
 */
export function formatReasons(reasons: Reasons, words: string): string[] {
  const said: string[] = [];
  if (words.trim()) {
    if (reasons.inTitle) said.push(`“${words.trim()}” is in its title.`);
    else if (reasons.inAbout) said.push("The words are in its summary, topics or codes.");
    else if (reasons.inAuthor) said.push("The words name its author.");
    else if (reasons.inText) said.push("The words are in what students read.");
  }
  if (reasons.classesHere > 0)
    said.push(`${reasons.classesHere === 1 ? "A class" : `${reasons.classesHere} classes`} at your school used it.`);
  if (reasons.inSatchel) said.push("It is in your satchel.");
  if (reasons.usedElsewhere > 0)
    said.push(`Used ${reasons.usedElsewhere === 1 ? "once" : `${reasons.usedElsewhere} times`} elsewhere.`);
  if (said.length === 0) said.push("It fits every blank you filled; nothing else speaks for it.");
  return said;
}
