import type { Db } from "@/data/engine/db";
import { runningLesson } from "@/data/live/lessons";
import { log } from "../web/log";
import type { SendEvent } from "../web/live-stream";
import { noticeIn, watch } from "../web/watch";
import { followEvent, shownBars, type FollowEvent } from "./lesson-view";

const CHART_MS = 300;
const LOOK_MS = 60_000;

type LessonEvent = Extract<FollowEvent, { kind: "lesson" }>;

/** Everybody in this process who follows one lesson: what is told to one is told to all, and worked out once. */
class Followers {
  readonly sends = new Set<SendEvent>();
  private stops: (() => void)[] = [];
  private chart: ReturnType<typeof setTimeout> | undefined;
  private reading: Promise<void> | null = null;
  private again = false;
  /** The lesson as it was last told; its chart is counted again only while it shows one. */
  private showsChart = false;
  private leads = false;
  private look: ReturnType<typeof setInterval> | undefined;

  constructor(
    private readonly db: Db,
    private readonly assignment: number,
  ) {}

  async start(): Promise<void> {
    const { db, assignment } = this;
    const changed = () => this.read();
    const heard = (payload: string) => {
      const event = noticeIn(payload) as FollowEvent | null;
      if (!event) return this.read();
      if (event.kind === "lesson") this.tellLesson(event);
      else this.tell(event);
    };
    const answered = () => this.showsChart && this.countSoon();
    const work = () => this.tell({ kind: "work" });
    // A teacher who has gone says nothing: whether the class is let go is looked at now and then.
    this.look = setInterval(() => this.leads && this.read(), LOOK_MS);
    this.look.unref();
    this.stops = await Promise.all([
      watch(db, "lesson", assignment, heard, changed),
      watch(db, "answers", assignment, answered, answered),
      // What concerns one child alone is told to her: see followAsStudent.
      watch(db, "work", assignment, (payload) => noticeIn(payload) === null && work(), work),
    ]);
  }

  stop(): void {
    clearTimeout(this.chart);
    clearInterval(this.look);
    this.stops.forEach((stop) => stop());
  }

  private tell(event: FollowEvent): void {
    const said = JSON.stringify(event);
    for (const send of this.sends) send(said);
  }

  /** Reads the lesson and tells it. What changes while it is read is read once more. */
  private read(): void {
    if (this.reading) {
      this.again = true;
      return;
    }
    this.again = false;
    this.reading = this.now()
      .then((event) => this.tellLesson(event))
      .catch((error: Error) => log.warn({ error: error.message }, "a lesson could not be told"))
      .finally(() => {
        this.reading = null;
        if (this.again) this.read();
      });
  }

  private async now(): Promise<LessonEvent> {
    const now = new Date();
    return followEvent(await runningLesson(this.db, this.assignment, now), now);
  }

  private tellLesson(event: LessonEvent): void {
    this.leads = event.lesson !== null;
    this.showsChart = event.lesson?.shown?.chart ?? false;
    this.tell(event);
    if (this.showsChart) this.countSoon();
  }

  /** Tells one screen how it stands; what the lesson is, for the one who opened the screen. */
  async tellOne(send: SendEvent): Promise<LessonEvent["lesson"]> {
    const event = await this.now();
    this.leads ||= event.lesson !== null;
    this.showsChart ||= event.lesson?.shown?.chart ?? false;
    send(JSON.stringify(event));
    if (this.showsChart) this.countSoon();
    return event.lesson;
  }

  /** Counts what is chosen a moment later, once for everything that comes until then. */
  private countSoon(): void {
    this.chart ??= setTimeout(() => {
      this.chart = undefined;
      void this.count().catch((error: Error) => log.warn({ error: error.message }, "a chart could not be counted"));
    }, CHART_MS);
  }

  private async count(): Promise<void> {
    const lesson = await runningLesson(this.db, this.assignment, new Date());
    const bars = lesson && (await shownBars(this.db, lesson));
    if (bars) this.tell(bars);
  }
}

const all = new WeakMap<Db, Map<number, { followers: Followers; started: Promise<void> }>>();

/**
 * Tells one screen how the lesson with an assignment stands, now and whenever it changes. Returns what ends it, and the lesson now.
 *
 *     const { stop, lesson } = await follow(db, assignment, (event) => …);
 */
export async function follow(
  db: Db,
  assignment: number,
  send: SendEvent,
): Promise<{ stop: () => void; lesson: LessonEvent["lesson"] }> {
  const lessons = all.get(db) ?? new Map<number, { followers: Followers; started: Promise<void> }>();
  all.set(db, lessons);
  let entry = lessons.get(assignment);
  if (!entry) {
    const followers = new Followers(db, assignment);
    entry = { followers, started: followers.start() };
    lessons.set(assignment, entry);
  }
  const { followers, started } = entry;
  followers.sends.add(send);
  await started;
  const lesson = await followers.tellOne(send);
  const stop = () => {
    followers.sends.delete(send);
    if (followers.sends.size > 0 || lessons.get(assignment)?.followers !== followers) return;
    lessons.delete(assignment);
    followers.stop();
  };
  return { stop, lesson };
}
