import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link within the application. Nothing of where it leads is asked for before it is pressed: every page is drawn for the one who asks,
 * so all that could come in advance is its place in the house, and a page of twelve links asked the server twice for each.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
