import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link to a page of ours. It fetches nothing until it is pressed: every page is made for the person who asks for it, so fetching ahead
 * brought nothing that could be shown, and a page with twelve links asked the server 24 times.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, "prefetch">) {
  return <NextLink {...props} prefetch={false} />;
}
