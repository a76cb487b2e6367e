import { forTheseAs, forTheseFrom, type ForThese } from "./for-these";

const read = (address: string) => forTheseFrom(new URLSearchParams(address));

test("children, what it follows and the steps are in the address and come back", () => {
  const these: ForThese = { class: 3, students: [17, 21], follows: 9, steps: ["s1", "s-2"] };
  const said = Object.entries(forTheseAs(these)).flatMap(([name, value]) => (value ? [[name, value]] : []));
  expect(read(new URLSearchParams(said).toString())).toEqual(these);
});

test("an address that was cut off or made up says nothing", () => {
  expect(read("for=3")).toBeNull();
  expect(read("for=3.x.5")).toBeNull();
  expect(read("for=")).toBeNull();
  expect(read("follows=9")).toBeNull();
  expect(read("for=3.17&follows=x&steps=<b>")).toEqual({ class: 3, students: [17], follows: null, steps: null });
});
