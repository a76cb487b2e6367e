const shipped: Record<string, [folder: string, ending: string]> = {
  drawing: ["drawings", ".svg"],
  film: ["films", ".webm"],
  sound: ["sounds", ".ogg"],
  captions: ["films", ".vtt"],
};

/** The address of a stored file ("drawing:name" and the like ship with the application, anything else is a SHA-256). */
export function mediaAddress(reference: string): string {
  const [kind, name] = reference.split(":");
  const place = shipped[kind!];
  return name && place ? `/${place[0]}/${name}${place[1]}` : `/media/${reference}`;
}
