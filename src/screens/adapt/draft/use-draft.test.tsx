/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { lesson } from "@/data/testing/world";
import type { Document } from "@/core/resource/document";
import { saveDraft } from "@/server/adapt/adapt-actions";
import { useDraft } from "./use-draft";

jest.mock("@/server/adapt/adapt-actions", () => ({ saveDraft: jest.fn() }));
jest.mock("@/data/testing/database", () => ({}));
const save = saveDraft as unknown as jest.Mock;

let resource = 100;
const document = lesson("Tides");
const titled =
  (title: string) =>
  (now: Document): Document => ({ ...now, title: { en: title } });
/** What the server has of a resource: saves it when nobody has since. */
function server(start: Document) {
  const kept = { document: start, counter: 3 };
  save.mockImplementation(async ({ seen, document: next }: { seen: number; document: Document }) => {
    if (seen !== kept.counter)
      return { ok: true, value: { conflict: true, counter: kept.counter, document: kept.document } };
    kept.document = next;
    kept.counter += 1;
    return { ok: true, value: { conflict: false, counter: kept.counter } };
  });
  return kept;
}
const open = (start: Document, counter: number) => renderHook(() => useDraft(resource, start, counter));
const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

beforeEach(() => {
  jest.useFakeTimers();
  save.mockReset();
  sessionStorage.clear();
  resource += 1;
});
afterEach(() => jest.useRealTimers());

test("what was typed is saved a moment after, once", async () => {
  const kept = server(document);
  const { result } = open(document, 3);
  act(() => result.current.change(titled("Tide"), "title"));
  act(() => result.current.change(titled("Tide tables"), "title"));
  expect(result.current.state.kind).toBe("waiting");
  await later(1000);
  expect(save).toHaveBeenCalledTimes(1);
  expect(kept.document.title.en).toBe("Tide tables");
  expect(result.current.state.kind).toBe("saved");
});

test("a title typed just before she goes elsewhere is saved", async () => {
  const kept = server(document);
  const { result, unmount } = open(document, 3);
  act(() => result.current.change(titled("In a hurry"), "title"));
  unmount();
  await later(10);
  expect(kept.document.title.en).toBe("In a hurry");
});

test("Back shows what she wrote and not the page from before; going on writing blames nobody", async () => {
  const kept = server(document);
  const first = open(document, 3);
  act(() => first.result.current.change(titled("New title"), "title"));
  await later(1000);
  first.unmount();
  // The browser shows the page as it was read at first.
  const again = open(document, 3);
  expect(again.result.current.document.title.en).toBe("New title");
  act(() => again.result.current.change(titled("Newer still"), "title"));
  await later(1000);
  expect(again.result.current.met).toBeNull();
  expect(kept.document.title.en).toBe("Newer still");
});

test("Back after publishing goes on from what was published", async () => {
  const kept = server(document);
  const first = open(document, 3);
  act(() => first.result.current.change(titled("Published"), "title"));
  await later(1000);
  kept.counter += 1;
  first.result.current.published(kept.counter);
  first.unmount();
  const again = open(document, 3);
  act(() => again.result.current.change(titled("Next"), "title"));
  await later(1000);
  expect(again.result.current.met).toBeNull();
  expect(kept.document.title.en).toBe("Next");
});

test("what could not be saved without a network is there when she comes back, and is saved then", async () => {
  const kept = server(document);
  const online = save.getMockImplementation()!;
  save.mockRejectedValue(new TypeError("no network"));
  const first = open(document, 3);
  act(() => first.result.current.change(titled("Offline"), "title"));
  await later(1000);
  expect(first.result.current.state).toMatchObject({ kind: "failed" });
  first.unmount();
  await later(10);
  save.mockImplementation(online);
  const again = open(document, 3);
  expect(again.result.current.document.title.en).toBe("Offline");
  await later(6000);
  expect(kept.document.title.en).toBe("Offline");
});

test("another window's save is put together with hers, and neither is lost", async () => {
  const kept = server(document);
  const { result } = open(document, 3);
  kept.counter = 4;
  kept.document = { ...document, kind: "quiz" };
  act(() => result.current.change(titled("Mine"), "title"));
  await later(1500);
  expect(kept.document).toMatchObject({ kind: "quiz", title: { en: "Mine" } });
  expect(result.current.met).toMatchObject({ takenFields: ["kind"] });
  act(() => result.current.undo!());
  expect(result.current.document).toMatchObject({ kind: "quiz", title: { en: "Tides" } });
});
