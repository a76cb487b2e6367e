/** @jest-environment jsdom */
import { act, fireEvent, render, screen as page } from "@testing-library/react";
import { useImperativeHandle, type ReactNode, type Ref } from "react";
import { question } from "@/core/testing/samples";
import type { BlockOf } from "@/core/resource/block";
import { Messages } from "../language/messages";
import { FilmPlaceProvider, type FilmPlace } from "../live/film-place";
import type { Stage } from "../media/film-stage";
import { FilmView } from "./film";

/** The film itself: what it is told, and what it says of itself. */
const film = { goTo: jest.fn(), play: jest.fn(), pause: jest.fn() };
let said: { mayPlay: (at: number) => boolean; onMove: (from: number, to: number) => void };
jest.mock("../media/film-stage", () => ({
  FilmStage: ({ stage, mayPlay, onMove }: typeof said & { stage: Ref<Stage> }) => {
    useImperativeHandle(stage, () => ({ at: 0, ...film }));
    said = { mayPlay, onMove };
    return null;
  },
}));

const block = (stops: number[]): BlockOf<"film"> => ({
  ...{ id: "film", type: "film", media: "film:harbour", title: {}, captions: {}, transcript: {} },
  stops: stops.map((at) => ({ id: `stop-${at}`, at, maySkip: true, note: {} })),
});
const NOW = new Date("2026-11-30T10:00:00Z");

/** The same film with a question at each of its stops. */
const asking = (stops: number[]): BlockOf<"film"> => ({
  ...block([]),
  stops: stops.map((at) => ({ id: `stop-${at}`, at, maySkip: false, question: { ...question, id: `q-${at}` } })),
});

/** A child's screen on which the film was started for everybody `ago` seconds ago, or on which it is not running. */
function screen(ago: number | null, stops: number[] | BlockOf<"film"> = [], answered: string[] = []) {
  const place: FilmPlace = {
    here: true,
    playing: ago === null ? null : { block: "film", from: 0, at: NOW.getTime() - ago * 1000 },
  };
  const words = ({ children }: { children: ReactNode }) => <Messages language="en">{children}</Messages>;
  const shown = (now: FilmPlace) => (
    <FilmPlaceProvider value={now}>
      <FilmView
        block={Array.isArray(stops) ? block(stops) : stops}
        languages={["en"]}
        readOnly={false}
        ask={({ id }) => <p>asks {id}</p>}
        answered={({ id }) => answered.includes(id)}
      />
    </FilmPlaceProvider>
  );
  const { rerender } = render(shown(place), { wrapper: words });
  return { stop: () => rerender(shown({ here: true, playing: null })) };
}
const wait = (seconds: number) => jest.setSystemTime(Date.now() + seconds * 1000);
const moves = (from: number, to: number) => act(() => said.onMove(from, to));

beforeEach(() => {
  jest.clearAllMocks();
  jest.useFakeTimers({ now: NOW });
});

test("a screen that comes late begins where the others are", () => {
  screen(12);
  expect(film.goTo).toHaveBeenLastCalledWith(12);
  expect(film.play).toHaveBeenCalledTimes(1);
});

test("one that took three seconds to begin goes on where the others are by then, and only once", () => {
  screen(0);
  wait(3);
  moves(0, 0.1);
  expect(film.goTo).toHaveBeenLastCalledWith(3);
  film.goTo.mockClear();
  wait(5);
  moves(3, 3.1);
  expect(film.goTo).not.toHaveBeenCalled();
});

test("one that began at once is left alone", () => {
  screen(0);
  film.goTo.mockClear();
  wait(0.3);
  moves(0, 0.1);
  expect(film.goTo).not.toHaveBeenCalled();
});

test("catching up it passes no question", () => {
  screen(0, [2]);
  wait(3);
  moves(0, 0.1);
  expect(film.goTo).toHaveBeenLastCalledWith(2);
});

test("stopped before it began, it does not jump when she starts it herself", () => {
  const { stop } = screen(0);
  stop();
  film.goTo.mockClear();
  wait(30);
  moves(0, 0.1);
  expect(film.goTo).not.toHaveBeenCalled();
});

test("held by a question at once, it goes on from there and not from where the others are", () => {
  screen(0, [0, 20]);
  act(() => void said.mayPlay(0));
  wait(30);
  fireEvent.click(page.getByRole("button", { name: "Go on" }));
  film.goTo.mockClear();
  moves(0, 0.1);
  expect(film.goTo).not.toHaveBeenCalled();
});

test("what was asked before a child came is there to be answered, and opens by itself", () => {
  screen(12, asking([5, 9, 20]));
  const list = page.getByText("2 questions not answered yet").closest("details")!;
  expect(list.open).toBe(true);
  expect(list.textContent).toContain("asks q-5");
  expect(list.textContent).toContain("asks q-9");
  expect(list.textContent).not.toContain("asks q-20");
});

test("once it is answered it is one of the questions so far, and the list stays open under her hands", () => {
  screen(12, asking([5]), ["q-5"]);
  expect(page.getByText("The question so far").closest("details")!.open).toBe(true);
});

test("a child who came late and whose screen took a while goes on where the others are, past what she missed", () => {
  screen(12, asking([5]));
  wait(3);
  moves(12, 12.1);
  expect(film.goTo).toHaveBeenLastCalledWith(15);
});

test("who was there from the beginning is told of no question before it is asked", () => {
  screen(0, asking([5]));
  expect(page.queryByRole("group")).toBeNull();
  expect(page.queryByText(/not answered yet/)).toBeNull();
});
