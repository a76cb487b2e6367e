import type { Document } from "@/core/resource/document";
import { remarks } from "@/core/resource/remarks";
import { untouched } from "@/core/resource/untouched";

/** In its own thread: a document comes in with its number, what is worth a look goes back with the same. */
addEventListener("message", ({ data }: MessageEvent<{ number: number; document: Document }>) => {
  postMessage({ number: data.number, found: [...remarks(data.document), ...untouched(data.document)] });
});
