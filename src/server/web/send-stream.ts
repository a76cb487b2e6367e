/** What a writer gives piece by piece, sent as a file as it is written. */
export function sendStream(
  pieces: AsyncGenerator<Uint8Array>,
  of: { name: string; called?: string; mime: string },
): Response {
  const body = new ReadableStream<Uint8Array>({
    pull: async (stream) => {
      const { done, value } = await pieces.next();
      if (done) stream.close();
      else stream.enqueue(value);
    },
    cancel: async () => void (await pieces.return(undefined)),
  });
  return new Response(body, {
    headers: { "content-type": of.mime, "content-disposition": asAttachment(of.name, of.called) },
  });
}

/** `called`: what the file is called where names may have any letters. */
export const asAttachment = (name: string, called?: string): string =>
  `attachment; filename="${name}"${called ? `; filename*=UTF-8''${encodeURIComponent(called)}` : ""}`;
