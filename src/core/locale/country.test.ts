import { belongsTo, dayComesFirst, foreignSigns, signsIn } from "./country";

describe("the country a text belongs to", () => {
  // Currencies, units, paper and dates as in the Unicode CLDR; holidays common knowledge.
  test.each([
    ["She pays with a $5.00 bill and two quarters. It rained 2 inches at 45 °F.", "US"],
    ["The scone costs £0.60 and the jam 250 pence. Boxing Day is near.", "GB"],
    ["A boat costs 4000 crowns. On Boat Day all crowns are counted.", "XS"],
    ["At Thanksgiving the road can be seen for 2 miles.", "US"],
    ["A bus ticket is ₹50 and a mango 20 ₹.", "IN"],
    ["The kite costs 45 zł.", "PL"],
    ["Bread for CZK 30, milk for CZK 25.", "CZ"],
  ] as const)("%s", (text, country) => {
    expect(belongsTo(text, "en").country).toBe(country);
  });

  test.each(["The ferry leaves at 3 p.m. and comes back at 5 pm.", "Meet at 3 p. m. by the pier."])(
    "an hour is not money: %s",
    (text) => {
      expect(belongsTo(text, "en").country).toBe("any");
    },
  );

  test("a text about waves belongs nowhere in particular", () => {
    expect(belongsTo("The waves come in and go out. The boat is 12 metres long.", "en")).toMatchObject({
      country: "any",
    });
  });

  test("British spelling alone decides nothing: many countries write so", () => {
    expect(belongsTo("The colour of the harbour. My neighbour is honoured.", "en").country).toBe("any");
  });

  test("American spelling counts, and words that depend on their sense never do", () => {
    expect(belongsTo("The color of the harbor. My neighbor is honored.", "en").country).toBe("US");
    expect(signsIn("Practice your program with a meter and a license.", "en")).toEqual([]);
  });

  test("spelling is only looked at in English", () => {
    expect(signsIn("El color del humor.", "es")).toEqual([]);
  });

  test("a date that can only be read one way says how its writer counts", () => {
    expect(signsIn("Due 11/25/2026.", "en")).toMatchObject([{ kind: "date", text: "11/25/2026", speaksFor: ["US"] }]);
    expect(signsIn("Due 25/11/2026.", "en")[0]!.countries).toContain("GB");
    expect(signsIn("Due 5/6/2026.", "en")).toEqual([]);
  });

  test("what is foreign depends on where one stands; money before spelling", () => {
    const { signs } = belongsTo("The color of a $5 bill.", "en");
    expect(foreignSigns(signs, "XS").map((sign) => sign.text)).toEqual(["$5", "color"]);
    expect(foreignSigns(signs, "US")).toEqual([]);
  });

  test("what many countries pay with is foreign to none of them, and speaks for none alone", () => {
    const { country, signs } = belongsTo("A roll costs €2 and a book 9 euros.", "en");
    expect(country).toBe("any");
    for (const home of ["DE", "FI", "PT"] as const) expect(foreignSigns(signs, home)).toEqual([]);
    expect(foreignSigns(signs, "PL").map((sign) => sign.text)).toEqual(["€2", "9 euros"]);
    expect(foreignSigns(belongsTo("It costs $3.", "en").signs, "JM")).toEqual([]);
  });

  test("paper and dates follow CLDR in every country", () => {
    expect(foreignSigns(signsIn("Print it on A4 paper.", "en"), "KE")).toEqual([]);
    expect(foreignSigns(signsIn("Print it on A4 paper.", "en"), "PH")).toHaveLength(1);
    expect([dayComesFirst("US"), dayComesFirst("DE"), dayComesFirst("XS")]).toEqual([false, true, true]);
  });
});
