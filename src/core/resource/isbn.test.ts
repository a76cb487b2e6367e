import { readIsbn } from "./isbn";

// The example of the ISBN Users' Manual (International ISBN Agency, 7th edition): 978-92-95055-12-4.
test("an ISBN is read however it is spaced, and a wrong digit is noticed", () => {
  expect(readIsbn("978-92-95055-12-4")).toBe("9789295055124");
  expect(readIsbn("978 9295055124")).toBe("9789295055124");
  expect(readIsbn("978-92-95055-12-5")).toBeNull();
  expect(readIsbn("978-92-95055-21-4")).toBeNull();
  expect(readIsbn("92-95055-12-4")).toBeNull();
  expect(readIsbn("")).toBeNull();
});
