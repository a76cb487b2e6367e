import type { Db } from "@/data/engine/db";
import { runningLesson } from "@/data/live/lessons";
import { log } from "../web/log";
import type { SendEvent } from "../web/live-stream";
import { noticeIn, watch } from "../web/watch";
import { followEvent, shownBars, type FollowEvent } from "./lesson-view";

const CHART_MS = 300;

/** Everybody in this process who follows one lesson: what is told to one is told to all, and worked out once. */
class Followers {
  readonly sends = new Set<SendEvent>();
  private stops: (() => void)[] = [];
  private chart: ReturnType<typeof setTimeout> | undefined;
  private reading: Promise<void> | null = null;
  private again = false;

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
      this.tell(event);
      if (event.kind === "lesson" && event.lesson?.shown?.chart) this.countSoon();
    };
    this.stops = await Promise.all([
      watch(db, "lesson", assignment, heard, changed),
      watch(
        db,
        "answers",
        assignment,
        () => this.countSoon(),
        () => this.countSoon(),
      ),
      watch(
        db,
        "work",
        assignment,
        () => this.tell({ kind: "work" }),
        () => this.tell({ kind: "work" }),
      ),
    ]);
  }

  stop(): void {
    clearTimeout(this.chart);
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
    this.reading = this.tellLesson()
      .catch((error: Error) => log.warn({ error: error.message }, "a lesson could not be told"))
      .finally(() => {
        this.reading = null;
        if (this.again) this.read();
      });
  }

  private async tellLesson(): Promise<void> {
    const lesson = await runningLesson(this.db, this.assignment);
    this.tell(followEvent(lesson, new Date()));
    if (lesson?.state.shown?.chart) this.countSoon();
  }

  /** Counts what is chosen a moment later, once for everything that comes until then. */
  private countSoon(): void {
    this.chart ??= setTimeout(() => {
      this.chart = undefined;
      void shownBars(this.db, this.assignment)
        .then((bars) => bars && this.tell(bars))
        .catch((error: Error) => log.warn({ error: error.message }, "a chart could not be counted"));
    }, CHART_MS);
  }
}

const all = new WeakMap<Db, Map<number, { followers: Followers; started: Promise<void> }>>();

/**
 * Tells one screen how the lesson with an assignment stands, now and whenever it changes. Returns what ends it.
 *
 *     const stop = await follow(db, assignment, (event) => …);
 */
export async function follow(db: Db, assignment: number, send: SendEvent): Promise<() => void> {
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
  send(JSON.stringify(followEvent(await runningLesson(db, assignment), new Date())));
  const bars = await shownBars(db, assignment);
  if (bars) send(JSON.stringify(bars));
  return () => {
    followers.sends.delete(send);
    if (followers.sends.size > 0 || lessons.get(assignment)?.followers !== followers) return;
    lessons.delete(assignment);
    followers.stop();
  };
}
