import { choiceOf, step, type Pattern } from "./pattern";
import { boats, goods, places } from "./world";

export const measuring: Pattern = (random, grade) => {
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

export const fractions: Pattern = (random, grade) => {
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

export const quiz: Pattern = (random, grade) => {
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

export const map: Pattern = (random, grade) => {
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
