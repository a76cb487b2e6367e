import { inLanguage } from "@/core/content/language";
import type { Question } from "@/core/question/question";
import { questionsOf, titleOf } from "@/core/resource/document";
import { element, xmlFile, type Element } from "../markup";
import type { BytesOf, Outgoing, OutgoingResource } from "../outgoing";
import { writeZip, type ZipEntry } from "../write-zip";
import { blockMarkup, type PageStyle } from "../xhtml/block-markup";
import { richMarkup } from "../xhtml/rich-markup";
import { interactionOf } from "./interactions";
import { when } from "./parts";
import { qtiNamespace, rootInVersion, type QtiVersion } from "./versions";

/** A question as an item; `before`: what has to be read first. */
export function itemOf(
  question: Question,
  of: { identifier: string; title: string; before?: readonly Element[] },
  style: PageStyle,
  version: QtiVersion,
): Element {
  const { languages } = style;
  const { parts, body } = interactionOf(question, style);
  const tests = parts.flatMap(({ isRight }) => isRight ?? []);
  const marked = parts.filter(({ scoring }) => scoring.length > 0);
  // "All or nothing" with several boxes: one condition over all of them.
  const whole = question.partial === "all" && marked.length > 1;
  const scoring = whole ? [when(element("and", {}, ...tests), question.marks)] : marked.flatMap((part) => part.scoring);
  const feedback = inLanguage(question.feedback?.general, languages);
  const picture = "media" in question ? style.place(question.media) : null;
  return rootInVersion(
    element(
      "assessmentItem",
      {
        ...{ xmlns: qtiNamespace[version], identifier: of.identifier, title: of.title },
        ...{ adaptive: "false", timeDependent: "false", "xml:lang": languages[0] },
      },
      ...parts.map(({ declaration }) => declaration),
      element(
        "outcomeDeclaration",
        {
          ...{ identifier: "SCORE", cardinality: "single", baseType: "float" },
          ...{ normalMinimum: 0, normalMaximum: question.marks },
          ...(marked.length === 0 && { externalScored: "human" }),
        },
        element("defaultValue", {}, element("value", {}, "0")),
      ),
      feedback && element("outcomeDeclaration", { identifier: "SAID", cardinality: "single", baseType: "identifier" }),
      element(
        "itemBody",
        {},
        ...(of.before ?? []),
        ...richMarkup(inLanguage(question.prompt, languages)),
        picture && "description" in question
          ? element("p", {}, element("img", { src: picture, alt: inLanguage(question.description, languages) ?? "" }))
          : null,
        ...body,
      ),
      (scoring.length > 0 || feedback) &&
        element(
          "responseProcessing",
          {},
          ...scoring,
          feedback &&
            element(
              "setOutcomeValue",
              { identifier: "SAID" },
              element("baseValue", { baseType: "identifier" }, "general"),
            ),
        ),
      feedback &&
        element(
          "modalFeedback",
          { outcomeIdentifier: "SAID", identifier: "general", showHide: "show" },
          ...richMarkup(feedback),
        ),
    ),
    version,
  );
}

/** A resource's questions, each with what stands before it in its step. */
export function itemsOf({ id, document }: OutgoingResource, style: PageStyle, version: QtiVersion) {
  return document.steps.flatMap((step) => {
    let before: Element[] = [];
    const title = inLanguage(step.title, style.languages) || titleOf(document);
    return step.blocks.flatMap((block) => {
      if (block.type === "question" || block.type === "film") {
        const asked = block.type === "question" ? [block.question] : questionsOf({ blocks: [block] });
        const items = asked.map((question, nth) => ({
          question,
          identifier: `${id}-${question.id}`,
          item: itemOf(
            question,
            { identifier: `${id}-${question.id}`, title, before: nth === 0 ? before : [] },
            style,
            version,
          ),
        }));
        before = [];
        return items;
      }
      // What is played is another file in each player: it is named, and found in the lesson.
      before.push(...blockMarkup(block, block.type === "sound" ? { ...style, place: () => null } : style));
      return [];
    });
  });
}

const packageNamespace: Readonly<Record<QtiVersion, string>> = {
  "2.1": "http://www.imsglobal.org/xsd/imscp_v1p1",
  "3.0": "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1",
};
const resourceType: Readonly<Record<QtiVersion, { item: string; test: string }>> = {
  "2.1": { item: "imsqti_item_xmlv2p1", test: "imsqti_test_xmlv2p1" },
  "3.0": { item: "imsqti_item_xmlv3p0", test: "imsqti_test_xmlv3p0" },
};
const schemaName: Readonly<Record<QtiVersion, { schema: string; version: string }>> = {
  "2.1": { schema: "IMS Content", version: "1.1" },
  "3.0": { schema: "QTI Package", version: "3.0.0" },
};

async function* entriesOf(outgoing: Outgoing, version: QtiVersion, bytesOf: BytesOf): AsyncGenerator<ZipEntry> {
  const style: PageStyle = {
    ...{ languages: [outgoing.language], forTeacher: false },
    place: (reference) => (outgoing.files.has(reference) ? `../media/${outgoing.files.get(reference)!.name}` : null),
  };
  const media = [...outgoing.files.values()];
  const types = resourceType[version];
  const resources: Element[] = [];
  for (const resource of outgoing.topics.flatMap((topic) => topic.resources)) {
    const items = itemsOf(resource, { ...style, languages: resource.document.languages }, version);
    if (items.length === 0) continue;
    const refs: Element[] = [];
    for (const { identifier, item } of items) {
      const href = `items/${identifier}.xml`;
      const written = xmlFile(item);
      yield { name: href, bytes: written };
      const used = media.filter(({ name }) => written.includes(`../media/${name}`));
      resources.push(
        element(
          "resource",
          { identifier: `r-${identifier}`, type: types.item, href },
          element("file", { href }),
          ...used.map(({ name }) => element("file", { href: `media/${name}` })),
        ),
      );
      refs.push(element("assessmentItemRef", { identifier, href: `../${href}` }));
    }
    const test = rootInVersion(
      element(
        "assessmentTest",
        { xmlns: qtiNamespace[version], identifier: resource.id, title: titleOf(resource.document) },
        element(
          "testPart",
          { identifier: "part", navigationMode: "nonlinear", submissionMode: "individual" },
          element(
            "assessmentSection",
            { identifier: "all", title: titleOf(resource.document), visible: "true" },
            ...refs,
          ),
        ),
      ),
      version,
    );
    const href = `tests/${resource.id}.xml`;
    yield { name: href, bytes: xmlFile(test) };
    resources.push(
      element(
        "resource",
        { identifier: `t-${resource.id}`, type: types.test, href },
        element("file", { href }),
        ...items.map(({ identifier }) => element("dependency", { identifierref: `r-${identifier}` })),
      ),
    );
  }
  const { schema, version: schemaVersion } = schemaName[version];
  yield {
    name: "imsmanifest.xml",
    bytes: xmlFile(
      element(
        "manifest",
        { xmlns: packageNamespace[version], identifier: outgoing.id },
        element("metadata", {}, element("schema", {}, schema), element("schemaversion", {}, schemaVersion)),
        element("organizations"),
        element("resources", {}, ...resources),
      ),
    ),
  };
  for (const { reference, name } of media)
    yield { name: `media/${name}`, bytes: await bytesOf(reference), packed: false };
}

/** A package of QTI 2.1 or 3.0: an item for each question, a test for each resource. */
export const writeQti = (outgoing: Outgoing, version: QtiVersion, bytesOf: BytesOf): AsyncGenerator<Uint8Array> =>
  writeZip(entriesOf(outgoing, version, bytesOf));
