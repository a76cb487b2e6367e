import { sealStoredSecrets } from "@/data/engine/seal-secrets";
import { database } from "./database";
import { removeLeftOvers } from "../files/files";
import { closeDoors, drainSeconds, everybodyAnswered, isStopping, announceStop, watchRequests } from "./open-requests";
import { allDone } from "./under-way";
import { answerBackups } from "../keep/asked";
import { backUpOnSchedule } from "../keep/schedule";
import { keepSendingMarks } from "../lti/marks";
import { keepSendingMail } from "../office/mail";
import { sweepDaily } from "../office/sweep";
import { printFirstCode } from "../office/first-code";

/** How long a stop waits for those who have asked, then for what is under way, and then for the database. */
const STOP_MS = 10_000;

const atMost = (limit: number, work: Promise<void>) =>
  Promise.race([work, new Promise<void>((resolve) => setTimeout(resolve, limit))]);

/** Opens the database before the first visitor, and closes it when the process is told to stop. */
export async function start(): Promise<void> {
  watchRequests();
  try {
    const db = await database();
    await sealStoredSecrets(db);
    await removeLeftOvers(new Date());
    await printFirstCode(db, new Date(), (line) => console.error(line));
    const drain = drainSeconds() * 1_000;
    const ends = [sweepDaily(db), keepSendingMarks(db), keepSendingMail(db), answerBackups(db), backUpOnSchedule(db)];
    const stop = () => {
      // Ctrl-C comes twice: from the terminal, and from what started this.
      if (isStopping()) return;
      for (const end of ends) end();
      announceStop();
      // Who has asked gets an answer; what is open for live updates does not wait for anything.
      void new Promise((resolve) => setTimeout(resolve, drain))
        .then(closeDoors)
        .then(() => everybodyAnswered(STOP_MS))
        .then(() => allDone(STOP_MS))
        // What a statement is still at then was acknowledged to nobody.
        .then(() => atMost(STOP_MS, db.close()))
        .finally(() => process.exit(0));
    };
    // SIGHUP: the terminal it was started in has been closed.
    for (const signal of ["SIGTERM", "SIGINT", "SIGHUP"]) process.once(signal, stop);
  } catch (error) {
    console.error((error as Error).message);
    process.exit(1);
  }
}
