/** A small choice of this person on this device (theme, class, strip), read by the server at the next request. */
export function remember(name: "theme" | "class" | "strip", value: string): void {
  document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=31536000; samesite=lax`;
}
