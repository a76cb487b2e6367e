const inWords: Record<string, string> = {
  ENOSPC: "There is no room left on the school's computer",
  EDQUOT: "There is no room left on the school's computer",
  EROFS: "Nothing can be saved on the school's computer (its folder is read-only)",
  EACCES: "Nothing can be saved on the school's computer (its folder is read-only)",
  FILES_AWAY: "The place where the school keeps its files does not answer",
  EPERM: "Nothing can be saved on the school's computer (its folder is read-only)",
};

/** PostgreSQL's own codes (SQLSTATE) for the same. */
const fromDatabase: Record<string, string> = { "53100": "ENOSPC", "25006": "EROFS" };

/**
 * Why something could not be saved, when the disk is full or read-only: a sentence for the person who tried. Null for
 * every other error.
 */
export function storageProblem(error: unknown): string | null {
  const { code = "", message = "" } = (error ?? {}) as { code?: string; message?: string };
  const known = fromDatabase[code] ?? code;
  const said = inWords[known] ?? inWords[systemCode(message)];
  return said ? `${said}. Nothing was changed. Tell the school office.` : null;
}

/** The embedded engine passes the system's words on. */
function systemCode(message: string): string {
  if (/No space left on device/i.test(message)) return "ENOSPC";
  return /Read-only file system/i.test(message) ? "EROFS" : "";
}
