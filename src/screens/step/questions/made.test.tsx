/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import { richText } from "@/core/content/rich-text";
import type { QuestionOf } from "@/core/question/question";
import { WorkPlaceProvider } from "@/screens/media/work-place";
import { Messages } from "../../language/messages";
import { ClipView, PhotoView, SpeechView } from "./made";

const asked = {
  id: "q",
  prompt: { en: richText("Say it.") },
  marks: 1,
  partial: "by part",
  checked: "at once",
} as const;
const speech = { ...asked, type: "speech", longest: 30 } as QuestionOf<"speech">;
const photo = { ...asked, type: "photo", most: 2 } as QuestionOf<"photo">;
const clip = { ...asked, type: "clip", longest: 30 } as QuestionOf<"clip">;
const props = { languages: ["en"], parts: {}, labelledBy: "p", readOnly: false, onChange: () => undefined };

const shown = (kept: { voice: boolean; picture: boolean }) =>
  render(
    <Messages language="en">
      <WorkPlaceProvider value={{ filesTo: "/student/1/file", remember: null, kept }}>
        <SpeechView {...props} question={speech} value={undefined} />
        <PhotoView {...props} question={photo} value={undefined} />
      </WorkPlaceProvider>
    </Messages>,
  );

test("a child of whom no voice may be kept is told before she records, and may take pictures", () => {
  shown({ voice: false, picture: true });
  expect(screen.getByText(/may not keep recordings of your voice yet/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: /Record/ })).toBeNull();
  expect(screen.getByRole("button", { name: /photograph/i })).toBeTruthy();
});

test("where everything may be kept both are offered; where no picture may be, no camera is", () => {
  const { unmount } = shown({ voice: true, picture: true });
  expect(screen.getAllByRole("button").length).toBeGreaterThan(1);
  unmount();
  shown({ voice: true, picture: false });
  expect(screen.getByText(/may not keep pictures you take yet/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: /photograph/i })).toBeNull();
  expect(screen.getByRole("button", { name: /Record/ })).toBeTruthy();
});

test("a film is offered where both voice and picture may be kept; otherwise it is said which may not", () => {
  const film = (kept: { voice: boolean; picture: boolean }) =>
    render(
      <Messages language="en">
        <WorkPlaceProvider value={{ filesTo: "/student/1/file", remember: null, kept }}>
          <ClipView {...props} question={clip} value={undefined} />
        </WorkPlaceProvider>
      </Messages>,
    );
  const { unmount } = film({ voice: true, picture: true });
  expect(screen.getByRole("button", { name: "Film" })).toBeTruthy();
  unmount();
  const { unmount: again } = film({ voice: false, picture: true });
  expect(screen.getByText(/may not keep recordings of your voice yet/)).toBeTruthy();
  again();
  film({ voice: true, picture: false });
  expect(screen.getByText(/may not keep pictures you take yet/)).toBeTruthy();
  expect(screen.queryByRole("button")).toBeNull();
});
