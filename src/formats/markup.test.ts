import fc from "fast-check";
import { all, attribute, readXml, textIn } from "./brought/xml";
import { element, openInHtml, writeMarkup, xmlFile } from "./markup";

const read = (xml: string) => readXml(new TextEncoder().encode(xml), "x");

describe("XML that is written", () => {
  test("holds what was put in, whatever it is", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), fc.string({ unit: "binary" }), (text, value) => {
        const [one] = all(read(xmlFile(element("a", { b: value }, text))), "a");
        // What XML has no place for is left out: nothing else is.
        const kept = (said: string) =>
          said.toWellFormed().replace(/[\0-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, "");
        const single = (said: string) =>
          said
            .replace(/<[^>]{0,500}>/g, " ")
            .replace(/\s+/g, " ")
            .trim();
        expect(textIn(one!)).toBe(single(kept(text)));
        expect(single(attribute(one!, "b"))).toBe(single(kept(value)));
      }),
    );
  });

  test("leaves out attributes without a value and children that are not there", () => {
    expect(writeMarkup(element("a", { b: undefined, c: 0 }, null, false, undefined, "x"))).toBe('<a c="0">x</a>');
  });

  test("closes what is empty, but not what HTML would leave open for ever", () => {
    const empty = [element("br"), element("p"), element("script", { src: "x" })];
    expect(empty.map((one) => writeMarkup(one))).toEqual(["<br/>", "<p/>", '<script src="x"/>']);
    expect(empty.map((one) => writeMarkup(one, openInHtml))).toEqual(["<br/>", "<p></p>", '<script src="x"></script>']);
  });

  test("lets through only what another program has written", () => {
    expect(writeMarkup(element("a", {}, "<b/>", { written: "<c/>" }))).toBe("<a>&lt;b/&gt;<c/></a>");
  });

  test("keeps lines and quotes in attributes", () => {
    expect(writeMarkup(element("a", { b: 'say "x"\nand\ty' }))).toBe('<a b="say &quot;x&quot;&#10;and&#9;y"/>');
  });
});
