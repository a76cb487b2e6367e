import { OFTEN, preparedName } from "./often";

test("a statement that is asked often has a name of its own, the same every time; others have none", () => {
  const [one, other] = [`${OFTEN} select 1`, `${OFTEN} select 2`];
  expect(preparedName(one)).toBe(preparedName(one));
  expect(preparedName(one)).not.toBe(preparedName(other));
  expect(preparedName("select 1")).toBeUndefined();
  expect(preparedName(`select '${OFTEN}'`)).toBeUndefined();
});
