import { capital, clock, step, type Pattern } from "./pattern";
import { birds, boats, goods, places, seaLife } from "./world";

export const timetable: Pattern = (random, grade) => {
  const [place, boat] = [random.pick(places), random.pick(boats)];
  const start = random.int(6, 9) * 60 + random.int(0, 11) * 5;
  const trip = random.int(3, grade > 4 ? 21 : 11) * 5;
  const gap = random.int(8, 20) * 5;
  const rows = [0, 1, 2].map((at) => start + at * (trip + gap));
  const changeover = rows[1]! - (rows[0]! + trip);
  return {
    title: `The ${boat} to ${place}: reading a timetable`,
    kind: "lesson",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["mathematics"],
    topics: ["time", "timetables"],
    summary: `Students read the timetable of the ${boat} to ${place} and work out how long crossings and waits take.`,
    steps: [
      step({
        title: "Look at the timetable",
        phase: "open",
        minutes: random.int(3, 6),
        say: "Read the table with a partner. What does each column tell you?",
        blocks: [
          {
            table: [
              ["", "Leaves", "Arrives"],
              ...rows.map((at, nth) => [`Trip ${nth + 1}`, clock(at), clock(at + trip)]),
            ],
            headers: "both",
          },
        ],
      }),
      step({
        title: "How long is a crossing?",
        minutes: random.int(4, 8),
        blocks: [
          { number: `How many minutes does one crossing to ${place} take?`, answer: `${trip} min` },
          {
            number: "How many minutes pass between the first arrival and the second departure?",
            answer: `${changeover} min`,
          },
        ],
      }),
      step({
        title: "Plan a trip",
        minutes: random.int(4, 8),
        say: `You must be at ${place} by ${clock(rows[1]! + trip + 10)}.`,
        blocks: [{ choice: "Which trip is the last one you can take?", options: ["Trip 1", "*Trip 2", "Trip 3"] }],
      }),
      step({
        title: "Exit question",
        phase: "close",
        minutes: 3,
        blocks: [{ write: "Explain to a visitor how to read this timetable.", lines: 4 }],
      }),
    ],
  };
};

export const tides: Pattern = (random, grade) => {
  const place = random.pick(places);
  const first = random.int(20, 420);
  const [low, second] = [first + 372 + random.int(-4, 4), first + 745 + random.int(-5, 5)];
  return {
    title: `${random.pick(["Tides at", "High water at", "Low water at", "A tide table for"])} ${place}: ${random.pick(["how long, how late", "elapsed time", "reading a table", "when to cross"])}`,
    kind: "lesson",
    grades: `${Math.max(3, grade)}-${Math.min(8, Math.max(3, grade) + 1)}`,
    subjects: random.pick([["mathematics"], ["mathematics", "science"], ["science"]]),
    topics: ["tides", "elapsed time"],
    summary: `Students read the tide table of ${place} and work out the time between high and low water.`,
    vocabulary: { "high water": "the moment the sea stands highest", "low water": "the moment the sea stands lowest" },
    steps: [
      step({
        title: "The table",
        phase: "open",
        minutes: random.int(3, 6),
        say: "Find the first high water. Then find the low water after it.",
        blocks: [
          {
            table: [
              ["High", "Low", "High"],
              [clock(first), clock(low), clock(second)],
            ],
            headers: "row",
          },
        ],
      }),
      step({
        title: "How long?",
        minutes: random.int(5, 10),
        blocks: [
          {
            number: "From the first high water to the low water",
            answer: [`${Math.floor((low - first) / 60)} h`, `${(low - first) % 60} min ±1`],
          },
          {
            number: "From the first high water to the second",
            answer: [`${Math.floor((second - first) / 60)} h`, `${(second - first) % 60} min ±1`],
          },
        ],
      }),
      step({
        title: "When to cross",
        minutes: random.int(4, 8),
        blocks: [
          {
            choice: `The causeway at ${place} is dry for an hour before and after low water. When may you start?`,
            options: [`*at ${clock(low - 45)}`, `at ${clock(first + 20)}`, `at ${clock(second - 30)}`],
          },
          { write: "Explain to a visitor how you know.", lines: 3 },
        ],
      }),
    ],
  };
};

export const counting: Pattern = (random, grade) => {
  const [animal, place] = [random.pick([...birds, ...seaLife]), random.pick(places)];
  const days = ["Mon", "Tue", "Wed", "Thu", "Fri"];
  const top = grade < 2 ? 9 : grade < 4 ? 30 : 90;
  const counts = days.map(() => random.int(2, top));
  const total = counts.reduce((sum, n) => sum + n, 0);
  const most = counts.indexOf(Math.max(...counts));
  return {
    title: `Counting ${animal} at ${place}`,
    kind: "activity",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["mathematics", "science"],
    topics: ["data", animal],
    summary: `A week of counts of ${animal} at ${place}: students read the table, compare days and find totals.`,
    steps: [
      step({
        title: "The counts",
        phase: "open",
        minutes: 4,
        say: `A class counted ${animal} at ${place} each day.`,
        blocks: [
          {
            table: [
              ["Day", ...days],
              [capital(animal), ...counts.map(String)],
            ],
            headers: "both",
          },
        ],
      }),
      step({
        title: "Compare",
        minutes: random.int(5, 9),
        blocks: [
          { choice: "On which day were there most?", options: days.map((day, at) => (at === most ? `*${day}` : day)) },
          { number: "How many were there on Monday and Tuesday together?", answer: String(counts[0]! + counts[1]!) },
        ],
      }),
      step({
        title: "The whole week",
        minutes: random.int(4, 8),
        blocks: [
          { number: `How many ${animal} were counted in the whole week?`, answer: String(total) },
          ...(grade >= 5
            ? [
                {
                  number: "What is the mean for a day? One decimal is enough.",
                  answer: `${Math.round((total / 5) * 10) / 10} ±0.05`,
                },
              ]
            : []),
        ],
      }),
    ],
  };
};

export const market: Pattern = (random, grade) => {
  const place = random.pick(places);
  const wares = random.some(goods, 3);
  const prices = wares.map(() => random.int(2, 12) + (grade > 3 ? random.pick([0, 0.25, 0.5, 0.75]) : 0));
  const crowns = (value: number) => value.toFixed(2).replace(/\.00$/, "");
  const both = prices[0]! + prices[1]!;
  const paid = Math.ceil(both / 10) * 10;
  return {
    title: `Market day at ${place}: ${wares[0]} and ${wares[1]}`,
    kind: "activity",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["mathematics"],
    topics: ["money", "change"],
    summary: `Students add prices in isle crowns at the market of ${place} and give change from notes.`,
    steps: [
      step({
        title: "The price list",
        phase: "open",
        minutes: 4,
        say: "These are the prices for one of each, in crowns.",
        blocks: [
          { table: [["What", "Crowns"], ...wares.map((name, at) => [name, crowns(prices[at]!)])], headers: "row" },
        ],
      }),
      step({
        title: "Buy two things",
        minutes: random.int(5, 10),
        blocks: [
          { number: `How much are ${wares[0]} and ${wares[1]} together?`, answer: `${crowns(both)} crowns` },
          {
            number: `You pay with ${paid} crowns. How much change do you get?`,
            answer: `${crowns(paid - both)} crowns`,
          },
        ],
      }),
      step({
        title: "Who has enough?",
        minutes: 5,
        blocks: [
          {
            choice: `Runa has ${Math.floor(both)} crowns. Can she buy both?`,
            options: Math.floor(both) >= both ? ["*yes", "no"] : ["yes", "*no"],
          },
        ],
      }),
    ],
  };
};
