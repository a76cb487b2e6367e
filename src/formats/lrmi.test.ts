import { lesson } from "@/data/testing/world";
import { inScript, lrmi } from "./lrmi";

const document = {
  ...lesson("Reading a tide table", { minutes: 25, topics: ["tides"] }),
  grades: { from: 0, to: 2 },
  standards: [{ framework: "skerry", code: "MA.5.M.2", relation: "teaches" as const }],
  credits: [{ title: "Tides", author: "T. Brandt", source: "Here", licence: "CC-BY-SA-4.0" as const, changed: "" }],
};

test("says what it is, for whom, how long, what it teaches, under which licence and what it was made from", () => {
  expect(lrmi(document, { author: "Ines Halloran", address: "https://skerry.example/look/x" })).toEqual({
    "@context": "https://schema.org",
    "@type": "LearningResource",
    ...{ "@id": "https://skerry.example/look/x", url: "https://skerry.example/look/x" },
    name: "Reading a tide table",
    inLanguage: ["en"],
    learningResourceType: "lesson",
    about: ["science", "tides"],
    educationalLevel: ["Kindergarten", "Grade 1", "Grade 2"],
    timeRequired: "PT25M",
    author: { "@type": "Person", name: "Ines Halloran" },
    license: "https://creativecommons.org/licenses/by/4.0/",
    educationalAlignment: [
      {
        ...{ "@type": "AlignmentObject", alignmentType: "teaches" },
        ...{ educationalFramework: "skerry", targetName: "MA.5.M.2" },
      },
    ],
    isBasedOn: [
      {
        ...{
          "@type": "CreativeWork",
          name: "Tides",
          author: { "@type": "Person", name: "T. Brandt" },
          publisher: "Here",
        },
        license: "https://creativecommons.org/licenses/by-sa/4.0/",
      },
    ],
  });
});

test("a resource of which all rights are reserved has no licence's address, and no title ends the script it stands in", () => {
  expect(lrmi({ ...document, licence: "all-rights-reserved" }, { author: "I" })).not.toHaveProperty("license");
  const written = inScript(lrmi({ ...document, title: { en: "</script><b>" } }, { author: "I" }));
  expect(written).not.toContain("<");
  expect((JSON.parse(written) as { name: string }).name).toBe("</script><b>");
});
