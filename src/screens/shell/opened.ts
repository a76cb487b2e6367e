/** Which resource lies open on the light table: what the strip of lessons gives, whether or not the address names it. */
let opened: number | null = null;

/** Says what is open; the function returned takes it back, unless something else has been opened since. */
export function openOnTable(resource: number): () => void {
  opened = resource;
  return () => {
    if (opened === resource) opened = null;
  };
}

export const openedResource = (): number | null => opened;
