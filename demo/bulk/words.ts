import { capital, step, type Pattern } from "./pattern";
import { boats, crafts, journeys, keepers, places, weather } from "./world";

export const story: Pattern = (random, grade) => {
  const [who, what, place] = [random.pick(keepers), random.pick(journeys), random.pick(places)];
  const mood = random.pick(["afraid", "curious", "proud", "tired", "glad"]);
  const sky = random.pick(weather);
  return {
    title: `${capital(what)}: a story from ${place}`,
    kind: "reading",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["reading"],
    topics: ["stories", "close reading"],
    summary: `A short story about ${who} and ${what}, with questions about what happened, why, and how we know.`,
    vocabulary: { skerry: "a small rocky island" },
    steps: [
      step({
        title: "Before reading",
        phase: "open",
        minutes: 3,
        work: "pairs",
        say: "Look only at the title. What might happen? Tell your partner.",
      }),
      step({
        title: "The story",
        minutes: random.int(6, 14),
        blocks: [
          {
            text: `Everyone at ${place} knew ${who}. That morning there was ${sky} over the water, and nobody went out.\n\n"Somebody must go," said ${who}, and took the lantern from its hook. The path to the slip was wet and black. Half-way down, the light went out.\n\nIt would have been easy to turn round. Instead there was a match, a cupped hand, a second try. When the flame stood up at last, a voice called from the water: "Here! We are here!" Later they asked: were you not ${mood}? The answer was a smile and a cup of tea.`,
          },
        ],
      }),
      step({
        title: "What happened?",
        minutes: random.int(4, 8),
        blocks: [
          {
            order: "Put the events in order.",
            items: [
              "Nobody went out",
              "The lantern was taken from its hook",
              "The light went out",
              "A voice called from the water",
            ],
          },
          {
            choice: "Why was it hard to go on?",
            options: [
              "*The light went out on a wet, dark path.",
              "The boat had been sold.",
              "It was already noon.",
              "Nobody had a lantern.",
            ],
          },
        ],
      }),
      step({
        title: "How do we know?",
        minutes: random.int(5, 10),
        blocks: [{ write: "What kind of person is this? Give two pieces of evidence from the text.", lines: 6 }],
      }),
    ],
  };
};

export const wordWork: Pattern = (random, grade) => {
  const craft = random.pick(crafts);
  const place = random.pick(places);
  return {
    title: `Words of ${craft}: ${grade < 3 ? "say and sort" : "nouns, verbs and meanings"} (${place})`,
    kind: "activity",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["reading", "writing"],
    topics: ["vocabulary", craft],
    summary: `Vocabulary from ${craft}, gathered in the workshop at ${place}: meanings, use in sentences, a short text of one's own.`,
    steps: [
      step({
        title: "In the workshop",
        phase: "open",
        minutes: 4,
        blocks: [
          {
            text: `A visitor writes: "In the workshop at ${place} I saw people at their ${craft}. They *measure* twice and *cut* once. The *pattern* hangs on the wall, the *tools* lie on the bench."`,
          },
        ],
      }),
      step({
        title: "Which kind of word?",
        minutes: random.int(4, 8),
        blocks: [
          { choices: "Which of these are verbs?", options: ["*measure", "*cut", "pattern", "bench"] },
          {
            match: "Match the word to its meaning.",
            pairs: {
              pattern: "a plan to work from",
              bench: "a strong table to work on",
              measure: "to find out how long or heavy something is",
            },
          },
        ],
      }),
      step({
        title: "Use them",
        minutes: random.int(5, 10),
        blocks: [
          {
            gaps: "First we [measure] the piece. Then we [cut] it. We follow the [pattern] on the wall.",
            bank: ["measure", "cut", "pattern", "bench"],
          },
          { write: `Write three sentences about ${craft}. Use at least two of the words.`, lines: 5 },
        ],
      }),
    ],
  };
};

export const procedure: Pattern = (random, grade) => {
  const craft = random.pick(crafts);
  const place = random.pick(places);
  return {
    title: `${capital(craft)} step by step, as at ${place}`,
    kind: "printable",
    grades: `${grade}-${Math.min(8, grade + 2)}`,
    subjects: ["writing", "art"],
    topics: ["instructions", craft],
    summary: `Students follow and then write clear instructions, with ${craft} as the example.`,
    steps: [
      step({
        title: "What makes instructions clear?",
        phase: "open",
        minutes: 5,
        blocks: [
          {
            choices: "Which belong in good instructions?",
            options: [
              "*what you need",
              "*steps in order",
              "*verbs that tell you what to do",
              "the writer's favourite colour",
            ],
          },
        ],
      }),
      step({
        title: "Order the steps",
        minutes: 6,
        blocks: [
          {
            order: `Put these steps of ${craft} in order.`,
            items: [
              "Gather what you need",
              "Measure and mark",
              "Work from one end to the other",
              "Check the piece and finish the edge",
            ],
          },
        ],
      }),
      step({
        title: "Write your own",
        minutes: random.int(12, 25),
        blocks: [{ write: "Write instructions for something you can do well. Number the steps.", lines: 10 }],
      }),
    ],
  };
};

export const history: Pattern = (random, grade) => {
  const [place, boat] = [random.pick(places), random.pick(boats)];
  const year = random.int(1790, 1935);
  const built = year + random.int(8, 30);
  return {
    title: `How ${place} got its ${boat}: reading a timeline`,
    kind: "reading",
    grades: `${Math.max(2, grade)}-${Math.min(8, Math.max(2, grade) + 2)}`,
    subjects: ["history"],
    topics: ["timelines", "island life"],
    summary: `A short account of how the people of ${place} raised money for a ${boat}; students order events and judge sources.`,
    steps: [
      step({
        title: "The account",
        phase: "open",
        minutes: 6,
        blocks: [
          {
            text: `In ${year} three boats were lost off ${place}. The women of the parish wrote to the council and began to collect money. They knitted and sold shawls for years. In ${built} the new ${boat} came round the head, and the whole island stood on the quay.`,
          },
        ],
      }),
      step({
        title: "Put it on a line",
        minutes: random.int(4, 8),
        blocks: [
          {
            order: "Put the events in order.",
            items: [
              "Three boats are lost",
              "The women write to the council",
              "Shawls are knitted and sold",
              `The new ${boat} arrives`,
            ],
          },
          { number: "How many years passed between the loss and the arrival?", answer: String(built - year) },
        ],
      }),
      step({
        title: "How could we know?",
        minutes: random.int(5, 10),
        blocks: [
          {
            choices: "Which sources come from that time?",
            options: [
              "*the letter to the council",
              "*the list of what was sold",
              "a film made last year",
              "a guess in a guidebook",
            ],
          },
          { write: "Whose voice is missing from this account?", lines: 4 },
        ],
      }),
    ],
  };
};
