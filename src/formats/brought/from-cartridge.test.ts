import { strToU8, zipSync } from "fflate";
import { readBrought } from "./read-brought";

const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
const questionsOf = async (bytes: Uint8Array, name: string) => {
  const { pages } = await readBrought(bytes, name);
  return pages.flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === "question" ? block.asked : [])));
};

/** Shapes as 1EdTech publishes them for QTI 2.1 and 3.0; from memory. */
const item21 = `<?xml version="1.0" encoding="UTF-8"?>
<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="i1" title="Tides">
  <responseDeclaration identifier="RESPONSE" cardinality="multiple" baseType="identifier"><correctResponse><value>A</value><value>C</value></correctResponse></responseDeclaration>
  <itemBody><p>Look at the <strong>sea</strong>.</p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="2"><prompt>What pulls the water?</prompt>
    <simpleChoice identifier="A">the moon</simpleChoice><simpleChoice identifier="B">the wind &amp; rain</simpleChoice><simpleChoice identifier="C">the sun</simpleChoice></choiceInteraction></itemBody>
</assessmentItem>`;
const item30 = `<qti-assessment-item identifier="i2" title="Ebb">
  <qti-response-declaration identifier="R" cardinality="single" base-type="string"><qti-correct-response><qti-value>ebb</qti-value></qti-correct-response></qti-response-declaration>
  <qti-item-body><p>The water that goes out is called <qti-text-entry-interaction response-identifier="R"/>.</p></qti-item-body>
</qti-assessment-item>`;
const old = `<questestinterop xmlns="http://www.imsglobal.org/xsd/ims_qtiasiv1p2"><assessment ident="q" title="Kelp quiz"><section>
  <item ident="1" title="one"><presentation><material><mattext texttype="text/html">&lt;p&gt;Is kelp a plant?&lt;/p&gt;</mattext></material>
    <response_lid ident="r"><render_choice><response_label ident="a"><material><mattext>yes</mattext></material></response_label><response_label ident="b"><material><mattext>no</mattext></material></response_label></render_choice></response_lid></presentation>
    <resprocessing><respcondition><conditionvar><varequal respident="r">b</varequal></conditionvar><setvar varname="SCORE">100</setvar></respcondition>
      <respcondition><conditionvar><varequal respident="r">a</varequal></conditionvar><setvar varname="SCORE">0</setvar></respcondition></resprocessing></item>
  <item ident="2" title="Pairs"><presentation><material><mattext>Match.</mattext></material><response_grp ident="g"/></presentation></item>
</section></assessment></questestinterop>`;

test("questions of QTI 2.1, 3.0 and 1.2 come in with what is asked, what can be chosen and what is right", async () => {
  expect(await questionsOf(strToU8(item21), "tides.xml")).toEqual([
    {
      ...{ ask: "Look at the sea. What pulls the water?", options: ["the moon", "the wind & rain", "the sun"] },
      ...{ right: ["the moon", "the sun"], hint: "", marks: null },
    },
  ]);
  expect(await questionsOf(strToU8(item30), "ebb.xml")).toMatchObject([
    { ask: "The water that goes out is called.", options: [], right: ["ebb"] },
  ]);
  expect(await questionsOf(strToU8(old), "kelp.xml")).toMatchObject([
    { ask: "Is kelp a plant?", options: ["yes", "no"], right: ["no"] },
  ]);
});

test("a question without a counterpart is listed with its name", async () => {
  const { pages } = await readBrought(strToU8(old), "kelp.xml");
  expect(pages[0]).toMatchObject({
    title: "Kelp quiz",
    left: [expect.stringMatching(/“Pairs” is a question of a kind/)],
  });
});

/** Common Cartridge 1.3: namespaces and types from memory of the published profile. */
const cartridge = (more: Record<string, string> = {}) =>
  zip({
    "imsmanifest.xml": `<manifest xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion><lomimscc:lom><lomimscc:general><lomimscc:title><lomimscc:string>Autumn at the harbour</lomimscc:string></lomimscc:title></lomimscc:general></lomimscc:lom></metadata>
      <organizations><organization structure="rooted-hierarchy"><item identifier="root"><item identifierref="q"><title>Kelp quiz</title></item><item identifier="u"><title>Unit</title><item identifierref="p"><title>A page</title></item><item identifierref="l"><title>More</title></item><item identifierref="f"><title>A song</title></item></item></item></organization></organizations>
      <resources><resource identifier="p" type="webcontent" href="page.html"><file href="page.html"/></resource>
        <resource identifier="q" type="imsqti_xmlv1p2/imscc_xmlv1p3/assessment"><file href="quiz/quiz.xml"/></resource>
        <resource identifier="l" type="imswl_xmlv1p3"><file href="link.xml"/></resource><resource identifier="f" type="webcontent" href="song.mp3"><file href="song.mp3"/></resource></resources></manifest>`,
    "page.html": "<html><body><h1>The ebb</h1><p>It goes out.</p></body></html>",
    "quiz/quiz.xml": old,
    "link.xml": `<webLink><title>Tide tables</title><url href="https://skerry.example/tides"/></webLink>`,
    "song.mp3": "x",
    ...more,
  });

test("a Common Cartridge comes in its own order: questions, pages, links; what does not come in is named", async () => {
  const { kind, title, pages } = await readBrought(cartridge(), "course.imscc");
  expect([kind, title]).toEqual(["a package", "Autumn at the harbour"]);
  expect(pages.map((page) => page.title)).toEqual(["Kelp quiz", "The ebb", "Tide tables", "A song"]);
  expect(JSON.stringify(pages[2]!.blocks)).toContain("Tide tables: https://skerry.example/tides");
  expect(pages[3]!.left).toEqual([expect.stringContaining("“song.mp3” (webcontent) does not come in from here")]);
});

test("what a class is asked to talk about comes in as text, and a tool of another system is named", async () => {
  const manifest = `<manifest><organizations/><resources><resource identifier="t" type="imsdt_xmlv1p3"><file href="t.xml"/></resource><resource identifier="x" type="imsbasiclti_xmlv1p3"><file href="tool.xml"/></resource></resources></manifest>`;
  const topic = `<topic><title>Ferries</title><text texttype="text/html">&lt;p&gt;Who needs them?&lt;/p&gt;</text></topic>`;
  const { pages } = await readBrought(
    zip({ "imsmanifest.xml": manifest, "t.xml": topic, "tool.xml": "<cartridge_basiclti_link/>" }),
    "x.imscc",
  );
  expect(JSON.stringify(pages[0])).toContain("Who needs them?");
  expect(pages[1]!.left).toEqual([expect.stringContaining("“tool.xml” (imsbasiclti_xmlv1p3) does not come in")]);
});

test("a package of QTI 2.1 is read by its manifest, and entities are refused in any part of it", async () => {
  const manifest = `<manifest><organizations/><resources><resource identifier="a" type="imsqti_item_xmlv2p1" href="a.xml"><file href="a.xml"/></resource></resources></manifest>`;
  expect(await questionsOf(zip({ "imsmanifest.xml": manifest, "a.xml": item21 }), "x.zip")).toHaveLength(1);
  const bomb = `<!DOCTYPE x [<!ENTITY a "aaaa">]><assessmentItem title="&a;"/>`;
  await expect(readBrought(zip({ "imsmanifest.xml": manifest, "a.xml": bomb }), "x.zip")).rejects.toThrow(
    "declares entities",
  );
  await expect(readBrought(strToU8(bomb), "x.xml")).rejects.toThrow("declares entities");
  await expect(readBrought(strToU8("<?xml version='1.0'?><other/>"), "x.xml")).rejects.toThrow(
    "no questions in this file",
  );
});

test("letters that another program wrote by their number are letters", async () => {
  const item = item21.replace("What pulls the water?", "Whose is the keeper&#8217;s letter&#x3F;");
  const [question] = await questionsOf(strToU8(item), "item.xml");
  expect(question!.ask).toContain("Whose is the keeper’s letter?");
});
