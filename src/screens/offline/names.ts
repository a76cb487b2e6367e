/** Where what is kept on a device lies; the worker and the pages use the same. */
export const PAGES = "satchel-student-pages";
export const FILES = "satchel-student-files";
/** A cookie that ends with the browser: whose pages may be opened here without a network. */
export const HERE = "satchel-here";
/** Under this address the pages' cache says whose they are. */
export const WHOSE = "/student/whose-pages";

/** In front of the names under which a device remembers what was answered on it. */
export const SEEN = "satchel-seen-";

/** What a page asks the worker to keep. */
export interface KeepAsked {
  keep: true;
  student: number;
  pages: string[];
}

/** What the worker says when it has kept it, or could not. */
export interface KeepSaid {
  kept: "all" | "some" | "full";
}
