/** A small choice of this person on this device (theme, class, strip, language of the screens), read by the server at the next request. */
export function remember(name: "theme" | "class" | "strip" | "language", value: string): void {
  document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=31536000; samesite=lax`;
}
