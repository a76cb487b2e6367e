import { filterWork, type ListedWork, type WorkFilter } from "./work-filter";

const now = new Date("2026-12-02T10:00:00Z");
const at = (day: number) => new Date(Date.UTC(2026, 11, day, 9));
const work = (id: number, title: string, more: Partial<ListedWork> = {}): ListedWork => ({
  id,
  title,
  class: 1,
  className: "5 Kittiwake",
  subjects: ["mathematics"],
  goals: [],
  opens: at(1),
  due: at(4),
  calledBack: null,
  ...more,
});
const list = [
  work(1, "Reading a tide table", { goals: ["reads charts"] }),
  work(2, "Élan of the seas", { subjects: ["reading"], opens: at(3) }),
  work(3, "Kelp under glass", { class: 2, className: "4/5 Puffin", due: at(2) }),
  work(4, "Tides again", { calledBack: at(1) }),
];
const all: WorkFilter = { words: "", state: null, class: null, subject: null, goal: null };
const found = (more: Partial<WorkFilter>) => filterWork(list, { ...all, ...more }, now).map(({ id }) => id);

describe("the list of work", () => {
  test.each<[string, Partial<WorkFilter>, number[]]>([
    ["everything where nothing is chosen", {}, [1, 2, 3, 4]],
    ["words begin words of the title, in any order and without accents", { words: "elan" }, [2]],
    ["every word counts", { words: "tide read" }, [1]],
    ["the class and the goals are words too", { words: "puffin" }, [3]],
    ["a goal by a word", { words: "chart" }, [1]],
    ["a letter in the middle finds nothing", { words: "ide" }, []],
    ["open", { state: "open" }, [1]],
    ["waiting for its day", { state: "scheduled" }, [2]],
    ["past its due date", { state: "finished" }, [3]],
    ["called back", { state: "called back" }, [4]],
    ["a class", { class: 2 }, [3]],
    ["a subject", { subject: "reading" }, [2]],
    ["a goal", { goal: "reads charts" }, [1]],
    ["all of them together", { words: "tide", subject: "mathematics", state: "open" }, [1]],
  ])("%s", (_, filter, ids) => expect(found(filter)).toEqual(ids));
});
