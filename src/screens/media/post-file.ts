/** How much of a file has been sent, 0 to 1. */
export type OnShare = (share: number) => void;

/** She stopped it herself. */
export class Stopped extends Error {}

/**
 * Posts a file and returns the JSON that came back, whatever the status. Unlike fetch it tells how far it is.
 *
 * @throws Stopped when `signal` stops it
 * @throws Error when there is no connection, or what came back is no JSON
 */
export function postFile<Answer>(
  address: string,
  file: Blob,
  onShare?: OnShare,
  signal?: AbortSignal,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", address);
    if (onShare)
      request.upload.addEventListener("progress", ({ lengthComputable, loaded, total }) => {
        if (lengthComputable && total > 0) onShare(loaded / total);
      });
    request.addEventListener("load", () => {
      try {
        resolve(JSON.parse(request.responseText) as Answer);
      } catch {
        reject(new Error("The answer could not be read."));
      }
    });
    for (const end of ["error", "timeout"]) request.addEventListener(end, () => reject(new Error("No connection.")));
    request.addEventListener("abort", () => reject(new Stopped()));
    signal?.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}

/** "Sending 42 % …"; when all of it is there and is being read, "Reading …". */
export const formatSent = (share: number): string =>
  share >= 1 ? "Reading …" : share > 0 ? `Sending ${Math.floor(share * 100)} % …` : "Sending …";
