/**
 * Goes on when nobody reads any more what is printed: a closed terminal, a log collector that ended. Without this each failed line would be an
 * error that is printed, and so on without end, and nobody would get an answer again. Once a process, before anything is printed.
 */
export function surviveLostOutput(): void {
  for (const stream of [process.stdout, process.stderr]) stream.on("error", () => undefined);
}
