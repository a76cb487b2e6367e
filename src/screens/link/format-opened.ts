/** How often somebody has opened a link. */
export const formatOpened = (count: number): string =>
  count === 0 ? "not opened yet" : count === 1 ? "opened once" : `opened ${count} times`;
