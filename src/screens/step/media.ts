/** The address of a stored file ("drawing:name" ships with the application, anything else is a SHA-256). */
export function mediaAddress(reference: string): string {
  return reference.startsWith("drawing:")
    ? `/drawings/${reference.slice("drawing:".length)}.svg`
    : `/media/${reference}`;
}
