/** @jest-environment jsdom */
import { postFile, formatSent } from "./post-file";

/** A request that goes as it is told to. */
class Request extends EventTarget {
  static last: Request;
  upload = new EventTarget();
  responseText = "";
  open = jest.fn();
  send = jest.fn(() => void (Request.last = this));
  progress(loaded: number, total: number) {
    const event = new Event("progress");
    this.upload.dispatchEvent(Object.assign(event, { lengthComputable: true, loaded, total }));
  }
  end(name: "load" | "error", text = "") {
    this.responseText = text;
    this.dispatchEvent(new Event(name));
  }
}
beforeEach(() => void (window.XMLHttpRequest = Request as never));

test("how far it is is told on the way, and what comes back is read", async () => {
  const shares: number[] = [];
  const sent = postFile<{ media: string }>("/media", new Blob(["abcd"]), (share) => shares.push(share));
  Request.last.progress(1, 4);
  Request.last.progress(4, 4);
  Request.last.end("load", '{"media":"x"}');
  expect(await sent).toEqual({ media: "x" });
  expect(shares).toEqual([0.25, 1]);
  expect(shares.map(formatSent)).toEqual(["Sending 25 % …", "Reading …"]);
  expect(formatSent(0)).toBe("Sending …");
});

test("a lost connection and an answer that is none are errors", async () => {
  const lost = postFile("/media", new Blob([]));
  Request.last.end("error");
  await expect(lost).rejects.toThrow("No connection");
  const odd = postFile("/media", new Blob([]));
  Request.last.end("load", "<html>");
  await expect(odd).rejects.toThrow("could not be read");
});
