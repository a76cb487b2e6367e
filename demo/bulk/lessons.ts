import type { Written } from "../read";
import type { SeededRandom } from "./random";
import { birds, boats, crafts, goods, journeys, keepers, places, seaLife, weather } from "./world";

/** A kind of generated lesson: a form a real teacher would use, filled with numbers and things of the shore. */
type Pattern = (
  random: SeededRandom,
  grade: number,
) => Omit<Written, "by" | "shelf" | "licence" | "language" | "standards" | "vocabulary"> & {
  vocabulary?: Record<string, string>;
};

type Steps = Written["steps"];
type StepOf = Partial<Steps[number]> & Pick<Steps[number], "title">;
const step = (of: StepOf): Steps[number] => ({ phase: "practise", for: "student", work: "alone", blocks: [], ...of });
const clock = (minutes: number) => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
const choiceOf = (random: SeededRandom, right: string | number, wrong: (string | number)[]) =>
  random.some([`*${right}`, ...[...new Set(wrong.map(String))].filter((text) => text !== String(right))], 4);

const timetable: Pattern = (random, grade) => {
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

// Two high waters lie about 12 h 25 min apart, low water about half-way between.
const tides: Pattern = (random, grade) => {
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

const counting: Pattern = (random, grade) => {
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

const market: Pattern = (random, grade) => {
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

const measuring: Pattern = (random, grade) => {
  const [boat, place] = [random.pick(boats), random.pick(places)];
  const long = random.int(3, 14);
  const wide = random.int(1, Math.max(1, Math.floor(long / 3)) + 1);
  const area = grade >= 4;
  return {
    title: `${area ? "Area and perimeter" : "Measuring lengths"} in the boatyard at ${place}`,
    kind: "lesson",
    grades: `${grade}-${Math.min(8, grade + 1)}`,
    subjects: ["mathematics"],
    topics: ["measurement", "boats"],
    summary: `The boat builder of ${place} lays a floor in a ${boat}: students measure and calculate what she needs.`,
    steps: [
      step({
        title: "The job",
        phase: "open",
        minutes: 4,
        blocks: [
          {
            text: `The floor of the ${boat} is a rectangle, ${long} metres long and ${wide} metres wide. The builder needs a strip of wood all the way round.`,
          },
        ],
      }),
      step({
        title: "All the way round",
        minutes: random.int(5, 9),
        blocks: [
          { number: "How long is the strip?", answer: `${2 * (long + wide)} m` },
          { number: "The same length in centimetres", answer: `${200 * (long + wide)} cm` },
        ],
      }),
      ...(area
        ? [
            step({
              title: "The floor",
              minutes: random.int(5, 9),
              blocks: [
                {
                  number: "How large is the floor?",
                  answer: String(long * wide),
                  units: { "m²": 1, m: null, "cm²": 0.0001 },
                },
                {
                  choice: "One board covers 2 m². Which sum tells how many boards are needed?",
                  options: [`*${long} × ${wide} ÷ 2`, `(${long} + ${wide}) ÷ 2`, `${long} × ${wide} × 2`],
                },
              ],
            }),
          ]
        : []),
    ],
  };
};

const fractions: Pattern = (random, grade) => {
  const [thing, place] = [random.pick(goods), random.pick(places)];
  const parts = random.pick([3, 4, 5, 6, 8]);
  const each = random.int(2, 9);
  const taken = random.int(1, parts - 1);
  return {
    title: `Sharing ${thing}: fractions at ${place}`,
    kind: "lesson",
    grades: `${Math.max(3, grade)}-${Math.min(8, Math.max(3, grade) + 1)}`,
    subjects: ["mathematics"],
    topics: ["fractions"],
    summary: `Students find fractions of a load of ${thing} landed at ${place}, with drawings and with numbers.`,
    steps: [
      step({
        title: "The load",
        phase: "open",
        minutes: 3,
        blocks: [
          { text: `The mail boat lands ${parts * each} ${thing}. They are shared equally among ${parts} households.` },
        ],
      }),
      step({
        title: "One share",
        minutes: random.int(4, 8),
        blocks: [
          { number: "How many does one household get?", answer: String(each) },
          { short: "What fraction of the load is one share?", answer: [`1/${parts}`] },
        ],
      }),
      step({
        title: "Several shares",
        minutes: random.int(4, 8),
        blocks: [
          { number: `How many are ${taken}/${parts} of the load?`, answer: String(taken * each) },
          {
            choice: `What is left when ${taken}/${parts} are taken?`,
            options: choiceOf(random, `${parts - taken}/${parts}`, [
              `${taken}/${parts}`,
              `1/${parts}`,
              `${parts}/${parts - taken}`,
            ]),
          },
        ],
      }),
    ],
  };
};

const story: Pattern = (random, grade) => {
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

const creature: Pattern = (random, grade) => {
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

const weatherLog: Pattern = (random, grade) => {
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

const wordWork: Pattern = (random, grade) => {
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

const map: Pattern = (random, grade) => {
  const [from, to] = random.some(places, 2);
  const miles = random.int(2, 24);
  const scale = random.pick([1, 2, 4]);
  return {
    title: `From ${from} to ${to}: map scale and distance`,
    kind: "lesson",
    grades: `${Math.max(3, grade)}-${Math.min(8, Math.max(3, grade) + 2)}`,
    subjects: ["geography", "mathematics"],
    topics: ["maps", "scale"],
    summary: `Students use the scale of a chart to find the distance from ${from} to ${to} in nautical miles and kilometres.`,
    vocabulary: { "nautical mile": "1,852 metres, the mile of the sea" },
    steps: [
      step({
        title: "The chart",
        phase: "open",
        minutes: 4,
        blocks: [
          {
            text: `On our chart 1 centimetre stands for ${scale} nautical ${scale === 1 ? "mile" : "miles"}. A nautical mile is 1,852 metres. Between ${from} and ${to} you measure ${miles / scale} centimetres.`,
          },
        ],
      }),
      step({
        title: "How far is it?",
        minutes: random.int(5, 10),
        blocks: [
          { number: "How many nautical miles is it?", answer: `${miles}` },
          {
            number: "And in kilometres? One decimal is enough.",
            answer: `${Math.round(miles * 1.852 * 10) / 10} km ±0.1`,
          },
        ],
      }),
      step({
        title: "How long does it take?",
        minutes: 6,
        say: "A speed of one knot is one nautical mile in an hour.",
        blocks: [{ number: `At 6 knots, how many minutes does the trip take?`, answer: `${miles * 10} min` }],
      }),
    ],
  };
};

const song: Pattern = (random, grade) => {
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

const quiz: Pattern = (random, grade) => {
  const top = grade < 3 ? 20 : grade < 5 ? 100 : 1000;
  const place = random.pick(places);
  const sums = Array.from({ length: 5 }, () => {
    const [a, b] = [random.int(2, top), random.int(2, top)];
    const times = grade >= 4 && random.next() < 0.5;
    const [x, y] = times ? [random.int(3, 12), random.int(3, grade > 5 ? 40 : 12)] : a > b ? [a, b] : [b, a];
    if (times) return { ask: `${x} × ${y}`, answer: x * y };
    return random.next() < 0.5 ? { ask: `${x} + ${y}`, answer: x + y } : { ask: `${x} − ${y}`, answer: x - y };
  });
  return {
    title: `Five-minute check at ${place}: number facts to ${top}`,
    kind: "quiz",
    grades: grade,
    subjects: ["mathematics"],
    topics: ["number facts"],
    summary: `Five quick sums at the level of grade ${grade === 0 ? "K" : grade}, checked at the end.`,
    steps: sums.map(({ ask, answer }, at) =>
      step({
        title: `Sum ${at + 1}`,
        phase: "check",
        minutes: 1,
        blocks: [{ number: `${ask} =`, answer: String(answer), checked: "at the end" }],
      }),
    ),
  };
};

const history: Pattern = (random, grade) => {
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

const procedure: Pattern = (random, grade) => {
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

const feelings: Pattern = (random, grade) => {
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

const patterns: Pattern[] = [
  timetable,
  tides,
  counting,
  market,
  measuring,
  fractions,
  story,
  story,
  creature,
  creature,
  weatherLog,
  wordWork,
  wordWork,
  map,
  song,
  quiz,
  history,
  procedure,
  feelings,
];

const licences = ["CC-BY-4.0", "CC-BY-4.0", "CC-BY-SA-4.0", "CC0-1.0", "CC-BY-NC-4.0", "CC-BY-ND-4.0"] as const;

/** One generated lesson, without its author. */
export function bulkLesson(random: SeededRandom): Omit<Written, "by"> {
  const grade = random.int(0, 8);
  return {
    ...{ vocabulary: {} },
    ...random.pick(patterns)(random, grade),
    shelf: "commons",
    licence: random.pick(licences),
    language: "en",
    standards: [],
  };
}
