import { readFileSync, readlinkSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";

/**
 * Who owns a data folder, written beside its lock, so that the lock of a process that was killed need not run out before the next one starts.
 * Only where the system tells processes apart for certain (Linux): elsewhere the lock runs out after six seconds.
 */
interface Owner {
  pid: number;
  /** When it started, in the system's own count: numbers of processes come round again. */
  started: string;
  /** Of this start of the system, and this container: a number of another says nothing here. */
  system: string;
  /** The lock's inode: another lock is another owner's. */
  lock: number;
}

const fileOf = (folder: string) => path.join(/* turbopackIgnore: true */ folder, "owner.json");

/** The lock is in the folder: often nothing but the folder itself may be written in, as in a container. */
export const lockOf = (folder: string) => path.join(/* turbopackIgnore: true */ folder, "in-use.lock");

/** When a process started; null: there is none of this number. @throws where the system does not say */
function startOf(pid: number): string | null {
  try {
    // The name in brackets may have blanks in it; what follows has none.
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    return stat.slice(stat.lastIndexOf(")") + 2).split(" ")[19] ?? null;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ENOENT") return null;
    throw error;
  }
}

const thisSystem = () =>
  `${readFileSync("/proc/sys/kernel/random/boot_id", "utf8").trim()} ${readlinkSync("/proc/self/ns/pid")}`;

/** Writes down that this process has the lock of a folder. Where it cannot, nothing is lost but the quick start. */
export function noteOwner(folder: string): void {
  try {
    const owner: Owner = {
      pid: process.pid,
      started: startOf(process.pid)!,
      system: thisSystem(),
      lock: statSync(lockOf(folder)).ino,
    };
    writeFileSync(fileOf(folder), JSON.stringify(owner));
  } catch {
    rmSync(fileOf(folder), { force: true });
  }
}

/** Takes the lock of a process away that is not there any more. Returns whether it did. */
export function freeOfTheGone(folder: string): boolean {
  const lock = lockOf(folder);
  const aside = `${lock}.${process.pid}`;
  try {
    const owner = JSON.parse(readFileSync(fileOf(folder), "utf8")) as Owner;
    if (owner.system !== thisSystem() || startOf(owner.pid) === owner.started) return false;
    if (statSync(lock).ino !== owner.lock) return false;
    // Moved first, and looked at again: somebody else may have taken the lock this very moment, and then it is put back.
    renameSync(lock, aside);
    if (statSync(aside).ino !== owner.lock) {
      renameSync(aside, lock);
      return false;
    }
    rmSync(aside, { recursive: true });
    return true;
  } catch {
    return false;
  }
}
