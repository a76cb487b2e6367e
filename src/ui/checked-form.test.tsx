/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { z } from "zod";
import { FormText, useCheckedForm } from "./checked-form";

const Asked = z.object({
  name: z.string().trim().min(1, "The school needs a name."),
  office: z.object({ email: z.string().trim().toLowerCase().includes("@", "This is not an e-mail address.") }),
});

type Answer = { ok: true } | { ok: false; problem: string; field?: string };

function Form({ send }: { send: (said: z.output<typeof Asked>) => Promise<Answer> }) {
  const form = useCheckedForm(Asked, { name: "", office: { email: "" } }, send);
  return (
    <form onSubmit={form.submit} noValidate>
      <FormText form={form} name="name" label="Name" help="As on the gate." />
      <FormText form={form} name="office.email" label="E-mail" />
      {form.notice}
      <button>Send</button>
    </form>
  );
}

const field = (label: string) => screen.getByLabelText(label);
const type = (label: string, text: string) => fireEvent.change(field(label), { target: { value: text } });
const press = () => act(async () => fireEvent.click(screen.getByText("Send")));
const fine: Answer = { ok: true };

test("a wrong field is said beside it when it is left, and not before; put right, it is said no more", async () => {
  render(<Form send={() => Promise.resolve(fine)} />);
  type("E-mail", "hollis");
  expect(screen.queryByText("This is not an e-mail address.")).toBeNull();
  await act(async () => fireEvent.blur(field("E-mail")));
  expect(screen.getByText("This is not an e-mail address.")).toBeTruthy();
  expect(field("E-mail").getAttribute("aria-invalid")).toBe("true");
  await act(async () => type("E-mail", "hollis@skerry.example"));
  expect(screen.queryByText("This is not an e-mail address.")).toBeNull();
});

test("left for a button, a field says nothing yet: the button would move just as it is pressed", async () => {
  render(<Form send={() => Promise.resolve(fine)} />);
  type("E-mail", "hollis");
  await act(async () => fireEvent.blur(field("E-mail"), { relatedTarget: screen.getByText("Send") }));
  expect(screen.queryByText("This is not an e-mail address.")).toBeNull();
});

test("everything that is wrong is said at once, the first of it is in reach, and nothing is sent", async () => {
  const send = jest.fn(() => Promise.resolve(fine));
  render(<Form send={send} />);
  await press();
  expect(screen.getByText("The school needs a name.")).toBeTruthy();
  expect(screen.getByText("This is not an e-mail address.")).toBeTruthy();
  expect(document.activeElement).toBe(field("Name"));
  expect(send).not.toHaveBeenCalled();
});

test("what is sent is as the schema makes it", async () => {
  const send = jest.fn((_said: z.output<typeof Asked>) => Promise.resolve(fine));
  render(<Form send={send} />);
  type("Name", "  Skerry Sound ");
  type("E-mail", "Hollis@Skerry.example");
  await press();
  expect(send.mock.calls[0]![0]).toEqual({ name: "Skerry Sound", office: { email: "hollis@skerry.example" } });
});

test("pressed twice at once, it is sent once", async () => {
  const send = jest.fn(() => new Promise<Answer>((done) => setTimeout(() => done(fine), 20)));
  render(<Form send={send} />);
  type("Name", "Skerry Sound");
  type("E-mail", "hollis@skerry.example");
  await act(async () => {
    fireEvent.click(screen.getByText("Send"));
    fireEvent.click(screen.getByText("Send"));
    await new Promise((done) => setTimeout(done, 60));
  });
  expect(send).toHaveBeenCalledTimes(1);
});

test("what only the server knows is said at its field, else above the button; what was typed stays", async () => {
  const answers: Answer[] = [
    { ok: false, problem: "Somebody uses this e-mail address already.", field: "office.email" },
    { ok: false, problem: "That did not work.", field: "elsewhere" },
  ];
  render(<Form send={() => Promise.resolve(answers.shift()!)} />);
  type("Name", "Skerry Sound");
  type("E-mail", "hollis@skerry.example");
  await press();
  expect(field("E-mail").getAttribute("aria-invalid")).toBe("true");
  expect(screen.getByText("Somebody uses this e-mail address already.")).toBeTruthy();
  await act(async () => type("E-mail", "other@skerry.example"));
  await press();
  expect(screen.getByText("That did not work.")).toBeTruthy();
  expect(screen.queryByText("Somebody uses this e-mail address already.")).toBeNull();
  expect((field("Name") as HTMLInputElement).value).toBe("Skerry Sound");
});
