import { Key } from "@/ui/key";
import { keyList } from "./keys";

const chapters: { title: string; text: string[] }[] = [
  {
    title: "Find",
    text: [
      "The search is a sentence with blanks. Type the words where it says “anything”; press a blank to fill it. Beside each choice stands how many results it would leave. The numbers under the sentence are the way you came: press one to go back there.",
      "Quotes find a phrase (“high water”), a minus leaves a word out (tides -moon). A misspelt word that nobody wrote is read as the nearest one, and the page says so. Where next to nothing has all the words, those with most of them are shown.",
      "Behind “and also…” are topic, standard, language, what students do, device, country, licence, author and set. The code of a standard (MA.5.M.2), an ISBN, “by” and a name, “grade 4” and the name of one of your classes are understood among the words.",
      "Before anything is typed, Find shows places to begin: needs you keep and authors you follow with what is new since, what you looked at, what your school uses, sets for this month, topics, colleagues, partners and the frameworks as a tree. “Keep this need” keeps what you look for.",
      "Versions of one thing are one line; press “4 versions” to see them all. “Fit” puts first what suits the class chosen above.",
    ],
  },
  {
    title: "Look it over",
    text: [
      "The chosen line opens on the light table. Skim shows every step with the answers beside it. Work lets you do it as a student would; it is checked for real and nothing is kept.",
      "Above the steps stands how it fits the class chosen in the bar: length against the period, reading grade against the class, grade, standards, country, language, devices. Always with the reasons. Facts shows what was measured and how, the hardest sentences, the words a child may not know and what belongs to another country.",
      "Press c on two to four lines and compare them side by side. Works with several editions say so, and a table shows where they differ. Colleagues is for your own school: who used it, and how it went. Board opens it in a window of its own, without answers.",
    ],
  },
  {
    title: "Keep it, make it yours",
    text: [
      "Pack keeps the author’s original in your satchel. Adapt makes your own version: change anything, the original stays as it is and stays named. It saves by itself; Publish makes a revision that never changes, so what you assign on Monday is the same on Friday.",
      "Questions are of twenty kinds: choose, write, number, fill gaps or a table, match, order, sort into groups, label a picture, place on a number line, draw bars, plot points, mark words, draw, vote, photograph, speak, take notes on a page. What can be checked is checked by itself; the rest waits for you to read. All can be answered with the keyboard.",
      "“More …” puts in a film, something to listen to, a table, maths, a page to open, or one of eight things to find out with: number line, bars, blocks of ten, clock, balance, graph, coins, ruler. Each of them can also stand under a question that asks for a number (“Found with”).",
      "A film can wait: stand at the moment, press “Stop here …” and choose what it asks. Drag the time, set where it begins and ends, add captions as a WebVTT file. Students answer, and it goes on; it opens again where they left it.",
      "“Speak them” records the instructions: listen, go on from any moment, delete. A colleague’s voice never goes out with your version by accident: you choose whether to record yours, keep theirs with the name, or have none.",
      "Under “The whole” you add a language. Then every text of a step stands beside an empty one to write in, with a voice of its own. Students turn from one language to another at the top of their page.",
      "“Before it goes out” lists what stands in the way and, apart, what is only worth a look; each leads to its step. “several” in the list of steps moves, copies or removes many at once. Undo is still there after the page was read again.",
      "Press the sign that says whose it was to see what changed, word by word. Any step, or all of it, can be put back as it was then. When the author publishes again, it says so there: take single steps, or all that leaves yours alone.",
      "“Take from elsewhere” searches single steps of everything you may see. Put one in, or swap; its author is named by itself, and its licence counts. Two windows on one resource put their changes together; where both changed the same, you choose.",
      "Pockets hold what belongs together, one inside another if you like. One thing may be in several. “Not in any pocket” shows what is still to be sorted. “Narrow” shows only some; the arrow takes the list along for a spreadsheet. “Revised” means its author has published again since you packed it.",
      "Tick things to put them into a pocket, give them a word of yours, copy them, or take them out. What is your own is then “Put away” and can be brought back at any time. When an author withdraws something you packed, the satchel says so; your versions stay.",
    ],
  },
  {
    title: "Give it",
    text: [
      "Assign says back in one sentence who gets what and when before it goes. A due date that is past is refused. Plan lists what is scheduled, open and finished; anything can be called back, and answers already given are kept.",
    ],
  },
  {
    title: "Students come in",
    text: [
      "Under Classes, “Let students in” makes a code that is good for an hour. Students open the join page, type it and choose their name. Or they sign in with their name and three pictures.",
      "Answers are kept as they are given, on the device and on the server. A closed lid or a lost network loses nothing.",
    ],
  },
  {
    title: "See what came back",
    text: [
      "Results fill while students work. Press a mark to see the answer it was given for. CSV opens in any spreadsheet.",
    ],
  },
];

export function HelpScreen() {
  return (
    <article>
      <h1 className="mt-6 font-serif text-3xl">Help</h1>
      {chapters.map((chapter) => (
        <section key={chapter.title} className="mt-6">
          <h2 className="font-serif text-xl">{chapter.title}</h2>
          {chapter.text.map((text) => (
            <p key={text} className="mt-2 text-[15px] leading-relaxed">
              {text}
            </p>
          ))}
        </section>
      ))}
      <section className="mt-6">
        <h2 className="font-serif text-xl">Keys</h2>
        <dl className="mt-2 grid grid-cols-[6rem_1fr] gap-y-1.5">
          {keyList.map(({ keys, does }) => (
            <div key={does} className="contents">
              <dt className="flex gap-1">
                {keys.map((key) => (
                  <Key key={key}>{key}</Key>
                ))}
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </section>
    </article>
  );
}
