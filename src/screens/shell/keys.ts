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
  { keys: ["a"], does: "assign" },
  { keys: ["h"], does: "share what is mine, or what is ticked" },
  { keys: ["s"], does: "to the lessons below: arrows choose, Enter assigns what is open there" },
  { keys: ["u"], does: "undo what was just done" },
  { keys: ["?"], does: "this list" },
];
