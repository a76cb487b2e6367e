/** What single keys do on the teacher's screens; shown in the key list and on the help page. */
export const keyList: { keys: string[]; does: string }[] = [
  { keys: ["/"], does: "to the words of the need line" },
  { keys: ["j", "k"], does: "move down and up the list" },
  { keys: ["J", "K"], does: "in a pocket: move what is chosen down or up" },
  { keys: ["←", "→"], does: "a step back or on, on the light table" },
  { keys: ["w"], does: "skim or work" },
  { keys: ["c"], does: "to compare, two to four" },
  { keys: ["p"], does: "pack into my satchel, or take it out" },
  { keys: ["e"], does: "adapt: make my own version" },
  { keys: ["r"], does: "run sheet: my script for teaching it to the class" },
  { keys: ["a"], does: "assign" },
  { keys: ["l"], does: "lead a lesson with it, now" },
  { keys: ["h"], does: "share what is mine, or what is ticked" },
  { keys: ["s"], does: "to the lessons below: arrows choose, Enter assigns what is open there" },
  { keys: ["u"], does: "undo what was just done" },
  { keys: ["?"], does: "this list" },
];

/** And on the screen of a lesson that is led. */
export const leadKeyList: { keys: string[]; does: string }[] = [
  { keys: ["Enter"], does: "begin, in the lobby" },
  { keys: ["←", "→"], does: "a step back or on, for every screen" },
  { keys: ["y"], does: "all eyes up, and down again" },
  { keys: ["p"], does: "the pen, on every screen: arrows move it, Space puts it down and lifts it" },
  { keys: ["q"], does: "a quick question" },
  { keys: ["g"], does: "alone, pairs, groups or all together, from now on" },
  { keys: ["t"], does: "a note on every screen" },
  { keys: ["r"], does: "show the right answer, or hide it" },
  { keys: ["s"], does: "show the script of the run sheet, or hide it" },
  { keys: ["n"], does: "hide or show names" },
  { keys: ["b"], does: "the window for the board" },
  { keys: ["v"], does: "what a child sees" },
];

/** And where work waits until she has looked. */
export const waitingKeyList: { keys: string[]; does: string }[] = [
  { keys: ["j", "k"], does: "the next piece, the one before" },
  { keys: ["1", "9"], does: "put a phrase in, or take it out" },
  { keys: ["c"], does: "write; Escape goes back to single keys" },
  { keys: ["p"], does: "the pen, to mark the work: arrows move it, Space puts it down and lifts it" },
  { keys: ["v"], does: "the version before, beside it" },
  { keys: ["a"], does: "approve" },
  { keys: ["b"], does: "send back" },
  { keys: ["u"], does: "take the last decision back" },
];

/** And in Results. */
export const resultsKeyList: { keys: string[]; does: string }[] = [
  { keys: ["1"], does: "students and questions, as a table" },
  { keys: ["2"], does: "whether the questions were any good" },
  { keys: ["3"], does: "one student" },
  { keys: ["4"], does: "by standard and goal" },
  { keys: ["5"], does: "marking; there 1 to 8 choose a level, Enter the next child to mark, c writes, Escape leaves" },
  { keys: ["j", "k"], does: "the next question, student, group or statement, and the one before" },
  { keys: ["n"], does: "what next: children who missed the same" },
  { keys: ["m"], does: "correct the question that is open" },
  { keys: ["f"], does: "find something for the group or the statement that is open" },
];
