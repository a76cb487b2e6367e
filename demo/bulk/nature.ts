import { capital, step, type Pattern } from "./pattern";
import { places, seaLife, weather } from "./world";

export const creature: Pattern = (random, grade) => {
  const [animal, place] = [random.pick(seaLife), random.pick(places)];
  return {
    title: `Who eats whom? ${capital(animal)} of ${place}`,
    kind: "lesson",
    grades: `${grade}-${Math.min(8, grade + 2)}`,
    subjects: ["science"],
    topics: ["food webs", animal],
    summary: `A food web from the shore at ${place} with ${animal} in the middle: producers, consumers and what happens when one is missing.`,
    vocabulary: {
      producer: "a living thing that makes its own food from light",
      consumer: "a living thing that eats others",
    },
    steps: [
      step({
        title: "On the shore",
        phase: "open",
        minutes: 4,
        blocks: [
          {
            text: `At low water you can find ${animal} among the kelp at ${place}. Kelp makes its own food from sunlight. Small snails graze on the kelp. Larger animals eat the snails.`,
          },
        ],
      }),
      step({
        title: "Sort the roles",
        minutes: random.int(5, 10),
        blocks: [
          {
            match: "What is each one?",
            pairs: { kelp: "producer", snail: "eats plants", gull: "eats animals" },
            extra: ["not alive"],
          },
          { order: "Put the energy in order, from its source.", items: ["the sun", "kelp", "snail", "gull"] },
        ],
      }),
      step({
        title: "If one is missing",
        minutes: random.int(5, 10),
        blocks: [
          {
            choice: "A disease kills most of the kelp. What happens to the snails first?",
            options: [
              "*There are fewer of them: their food is gone.",
              "There are more of them.",
              "Nothing.",
              "They begin to eat gulls.",
            ],
          },
          { write: `What might happen to the ${animal}? Explain your thinking.`, lines: 4 },
        ],
      }),
    ],
  };
};

export const weatherLog: Pattern = (random, grade) => {
  const place = random.pick(places);
  const wind = [0, 1, 2, 3].map(() => random.int(2, 18));
  const highest = Math.max(...wind);
  return {
    title: `Weather log of ${place}: wind and ${random.pick(weather)}`,
    kind: "activity",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["science", "geography"],
    topics: ["weather", "measurement"],
    summary: `Students read four days of wind at ${place}, find range and pattern, and keep a log of their own.`,
    steps: [
      step({
        title: "Four days of wind",
        phase: "open",
        minutes: 4,
        blocks: [
          {
            table: [
              ["Day", "1", "2", "3", "4"],
              ["Wind, m/s", ...wind.map(String)],
            ],
            headers: "both",
          },
        ],
      }),
      step({
        title: "Read the log",
        minutes: random.int(5, 9),
        blocks: [
          { number: "What was the strongest wind?", answer: `${highest} m/s` },
          {
            number: "What is the difference between the strongest and the weakest?",
            answer: `${highest - Math.min(...wind)} m/s`,
          },
        ],
      }),
      step({
        title: "Your own log",
        minutes: random.int(10, 20),
        work: "groups",
        say: "Measure outside at the same time on four days. Write down the wind, the clouds and the temperature.",
      }),
    ],
  };
};

export const song: Pattern = (random, grade) => {
  const place = random.pick(places);
  const beats = random.pick([2, 3, 4, 6]);
  const bars = random.pick([4, 8, 12, 16]);
  return {
    title: `A ${random.pick(["rowing", "hauling", "spinning", "harvest", "lullaby"])} song from ${place}: beat and rhythm in ${beats}`,
    kind: "lesson",
    grades: `${Math.max(0, grade - 1)}-${Math.min(8, grade + 1)}`,
    subjects: ["music"],
    topics: ["rhythm", "work songs"],
    summary: `Students clap the beat of a work song from ${place}, count bars in ${beats}, and make a verse.`,
    steps: [
      step({
        title: "Feel the beat",
        phase: "open",
        minutes: 5,
        work: "class",
        say: `Stand in a circle. Step on the first beat of each bar, clap the others. Count ${Array.from({ length: beats }, (_, at) => at + 1).join(", ")}.`,
      }),
      step({
        title: "Count it",
        minutes: random.int(4, 8),
        blocks: [
          {
            number: `One verse has ${bars} bars of ${beats} beats. How many beats is that?`,
            answer: String(bars * beats),
          },
          {
            choice: "Which beat is the strong one?",
            options: ["*the first", "the second", "the last", "none of them"],
          },
        ],
      }),
      step({
        title: "A verse of our own",
        minutes: random.int(8, 15),
        work: "groups",
        blocks: [{ write: "Write two lines that fit the beat. Mark the strong beats.", lines: 4 }],
      }),
    ],
  };
};

export const feelings: Pattern = (random, grade) => {
  const place = random.pick(places);
  return {
    title: `Calm harbour, rough sea: naming feelings (${place})`,
    kind: "activity",
    grades: `${Math.max(0, grade - 1)}-${Math.min(8, grade + 1)}`,
    subjects: ["wellbeing"],
    topics: ["feelings", "talking"],
    summary: `Weather words for feelings, a talk in pairs, and three things that help when the sea is rough. Set at ${place}.`,
    steps: [
      step({
        title: "Weather inside",
        phase: "open",
        minutes: 5,
        blocks: [
          {
            match: "Which weather could stand for which feeling?",
            pairs: { storm: "angry", fog: "not sure", "calm sea": "at peace" },
          },
        ],
      }),
      step({
        title: "Pair talk",
        minutes: 3,
        work: "pairs",
        say: "Tell your partner about a day with fog in it. Listen for one minute each.",
      }),
      step({
        title: "What helps?",
        minutes: random.int(5, 10),
        blocks: [
          {
            choices: "Which of these help many people?",
            options: ["*breathing slowly", "*telling someone", "*a walk outside", "pretending nothing happened"],
          },
          { write: "Write or draw what helps you.", lines: 3 },
        ],
      }),
    ],
  };
};
