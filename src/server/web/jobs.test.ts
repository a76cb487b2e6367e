import { takeJob } from "@/data/engine/jobs";
import { freshDatabase } from "@/data/testing/database";
import { doIfDue, type Job } from "./jobs";

const at = (minutes: number) => new Date(Date.UTC(2026, 10, 25, 10, minutes));
const clock = (minutes: number) => () => at(minutes);
const MINUTE = 60_000;

function counting(work: () => Promise<unknown> = () => Promise.resolve()) {
  let times = 0;
  const job: Job = {
    ...{ name: "count the gulls", everyMs: 10 * MINUTE, longestMs: 30 * MINUTE },
    work: async () => {
      times += 1;
      await work();
    },
  };
  return { job, times: () => times };
}

test("a job is done when it is due, and then not before its time has gone by", async () => {
  const db = await freshDatabase();
  const { job, times } = counting();
  expect(await doIfDue(db, job, clock(0))).toBe(true);
  expect(await doIfDue(db, job, clock(9))).toBe(false);
  expect(await doIfDue(db, job, clock(10))).toBe(true);
  expect(times()).toBe(2);
});

test("of processes that look at the same time, one does it", async () => {
  const db = await freshDatabase();
  const { job, times } = counting(() => new Promise((done) => setTimeout(done, 20)));
  const done = await Promise.all(Array.from({ length: 5 }, () => doIfDue(db, job, clock(0))));
  expect(done.filter(Boolean)).toHaveLength(1);
  expect(times()).toBe(1);
});

test("a process that is killed in the middle keeps the job from nobody for ever", async () => {
  const db = await freshDatabase();
  const { job, times } = counting();
  expect(await takeJob(db, job.name, { now: at(0), until: at(30), latest: at(60) })).toEqual(at(0));
  expect(await doIfDue(db, job, clock(29))).toBe(false);
  expect(await doIfDue(db, job, clock(30))).toBe(true);
  expect(times()).toBe(1);
});

test("a clock that was a year ahead for a while stops no job for a year", async () => {
  const db = await freshDatabase();
  const { job, times } = counting();
  const wrong = new Date("2027-11-25T10:00:00Z");
  expect(await doIfDue(db, job, () => wrong)).toBe(true);
  expect(await doIfDue(db, job, clock(0))).toBe(true);
  expect(await doIfDue(db, job, clock(5))).toBe(false);
  expect(times()).toBe(2);
});

test("a job is told how late it is", async () => {
  const db = await freshDatabase();
  const late: number[] = [];
  const job: Job = {
    ...{ name: "count", everyMs: 10 * MINUTE, longestMs: 30 * MINUTE },
    work: (_, lateMs) => Promise.resolve(late.push(lateMs)),
  };
  for (const minute of [0, 10, 35]) await doIfDue(db, job, clock(minute));
  expect(late).toEqual([0, 0, 15 * MINUTE]);
});

test("a job that goes wrong says so, and is due again as ever", async () => {
  const db = await freshDatabase();
  const { job } = counting(() => Promise.reject(new Error("the sea is rough")));
  await expect(doIfDue(db, job, clock(0))).rejects.toThrow("the sea is rough");
  expect(await doIfDue(db, job, clock(5))).toBe(false);
  await expect(doIfDue(db, job, clock(10))).rejects.toThrow("the sea is rough");
});
